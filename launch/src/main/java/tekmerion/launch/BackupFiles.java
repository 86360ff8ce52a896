package tekmerion.launch;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import tekmerion.launch.backup.Retention;

/** Backups in a folder, by the time that each was made. Whatever else is in it is left alone. */
final class BackupFiles {
  private static final DateTimeFormatter NAME =
      DateTimeFormatter.ofPattern("'tekmerion-'yyyyMMdd'T'HHmmss'Z.backup'")
          .withZone(ZoneOffset.UTC);

  private final Path folder;

  BackupFiles(Path folder) {
    this.folder = folder;
  }

  Path of(Instant at) {
    return folder.resolve(NAME.format(at));
  }

  /** Those that are whole, by time. */
  Map<Instant, Path> all() throws IOException {
    Map<Instant, Path> all = new TreeMap<>();
    if (Files.isDirectory(folder)) {
      try (Stream<Path> files = Files.list(folder)) {
        files.forEach(file -> time(file).ifPresent(at -> all.put(at, file)));
      }
    }
    return all;
  }

  private static Optional<Instant> time(Path file) {
    try {
      return Optional.of(NAME.parse(file.getFileName().toString(), Instant::from));
    } catch (DateTimeParseException e) {
      return Optional.empty();
    }
  }

  /** Deletes what one that was cut off has left. */
  void clearUp() throws IOException {
    Files.createDirectories(folder);
    try (Stream<Path> files = Files.list(folder)) {
      for (Path file : files.filter(BackupFiles::isUnfinished).toList()) {
        Files.delete(file);
      }
    }
  }

  private static boolean isUnfinished(Path file) {
    return file.getFileName().toString().matches("\\.?tekmerion-.*\\.(unchecked|part)");
  }

  /** Deletes what need not be kept. */
  void thinOut(ZoneId zone) throws IOException {
    Map<Instant, Path> all = all();
    Set<Instant> kept = Retention.kept(all.keySet(), zone);
    for (Map.Entry<Instant, Path> each : all.entrySet()) {
      if (!kept.contains(each.getKey())) {
        Files.delete(each.getValue());
      }
    }
  }
}

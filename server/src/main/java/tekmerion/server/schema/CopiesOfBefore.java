package tekmerion.server.schema;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.stereotype.Component;
import tekmerion.server.TekmerionProperties;

/** The files with everything that was in the database before each of the last changes. */
@Component
public final class CopiesOfBefore {
  /** So many stay; older ones are deleted after a change that went well. */
  private static final int KEPT = 3;

  private final Path folder;

  @Autowired
  CopiesOfBefore(TekmerionProperties properties) {
    this(properties.files());
  }

  /**
   * @param files the server's folder for files; these are in one of their own in it
   */
  CopiesOfBefore(Path files) {
    this.folder = files.toAbsolutePath().resolve("before-changes");
  }

  Path folder() {
    return folder;
  }

  void deleteOld() throws IOException {
    List<Path> all = newestFirst();
    for (Path old : all.subList(Math.min(KEPT, all.size()), all.size())) {
      Files.delete(old);
    }
  }

  /**
   * All of them: somebody is erased, and is in them still. While a server runs no change is under
   * way, so that none is needed to undo one.
   */
  public void delete() {
    try {
      for (Path copy : newestFirst()) {
        Files.delete(copy);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private List<Path> newestFirst() throws IOException {
    if (!Files.isDirectory(folder)) {
      return List.of();
    }
    try (Stream<Path> files = Files.list(folder)) {
      return files
          .filter(file -> file.getFileName().toString().startsWith("before-"))
          .sorted(Comparator.comparing((Path file) -> file.getFileName().toString()).reversed())
          .toList();
    }
  }
}

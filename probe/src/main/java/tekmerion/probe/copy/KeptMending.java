package tekmerion.probe.copy;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import tekmerion.core.mend.Piece;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * What stood on a drive before it was mended, and what was written: kept on the disk before the
 * first sector is written, so that it can be taken back whatever happens.
 *
 * @param file in the drive's folder of copies
 */
public record KeptMending(Path file, List<Piece> pieces) {
  private static final JsonMapper JSON = JsonMapper.builder().build();
  private static final String BEGIN = "mended-";
  private static final String OPEN = ".json";
  private static final String TAKEN_BACK = ".taken-back.json";
  private static final DateTimeFormatter NAME =
      DateTimeFormatter.ofPattern("yyyyMMdd-HHmmss-SSS").withZone(ZoneOffset.UTC);

  private record Kept(List<Piece> pieces) {}

  /**
   * @throws IOException if it cannot be kept; nothing may be written to the drive then
   */
  public static KeptMending keep(CopyFolder folder, List<Piece> pieces, Instant now)
      throws IOException {
    Path file = folder.path().resolve(BEGIN + NAME.format(now) + OPEN);
    byte[] json = JSON.writeValueAsString(new Kept(pieces)).getBytes(StandardCharsets.UTF_8);
    try (FileChannel channel =
        FileChannel.open(file, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE)) {
      ByteBuffer buffer = ByteBuffer.wrap(json);
      while (buffer.hasRemaining()) {
        channel.write(buffer);
      }
      channel.force(true);
    }
    try (FileChannel directory = FileChannel.open(folder.path(), StandardOpenOption.READ)) {
      directory.force(true); // its name, too
    }
    return new KeptMending(file, pieces);
  }

  /**
   * The last one that was not taken back; empty if there is none.
   *
   * @throws IOException if it cannot be read
   */
  public static Optional<KeptMending> last(CopyFolder folder) throws IOException {
    Optional<Path> file;
    try (Stream<Path> all = Files.list(folder.path())) {
      file =
          all.filter(p -> p.getFileName().toString().startsWith(BEGIN))
              .filter(p -> p.getFileName().toString().endsWith(OPEN))
              .filter(p -> !p.getFileName().toString().endsWith(TAKEN_BACK))
              .max(Comparator.comparing(p -> p.getFileName().toString()));
    }
    if (file.isEmpty()) {
      return Optional.empty();
    }
    try {
      Kept kept = JSON.readValue(Files.readString(file.get()), Kept.class);
      return Optional.of(new KeptMending(file.get(), kept.pieces()));
    } catch (JacksonException e) {
      throw new IOException("what was kept of it cannot be read: " + e.getOriginalMessage(), e);
    }
  }

  /** It stays there, under another name. */
  public void takenBack() throws IOException {
    String name = file.getFileName().toString();
    Files.move(
        file,
        file.resolveSibling(name.substring(0, name.length() - OPEN.length()) + TAKEN_BACK),
        StandardCopyOption.ATOMIC_MOVE);
  }
}

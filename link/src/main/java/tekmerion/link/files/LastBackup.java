package tekmerion.link.files;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.Optional;

/**
 * When the last backup was made that can be restored: a file in the server's folder, written by
 * whoever makes backups and read by the server. Its text is the instant, as ISO 8601 has it.
 */
public final class LastBackup {
  private static final String FILE = "last-backup.txt";

  private LastBackup() {}

  /**
   * @param files the server's folder for files
   */
  public static void write(Path files, Instant at) throws IOException {
    Files.createDirectories(files);
    WholeFile.write(files.resolve(FILE), at.toString());
  }

  /**
   * @return empty if none was ever made
   * @throws IOException if it cannot be read, or is no instant
   */
  public static Optional<Instant> read(Path files) throws IOException {
    try {
      return Optional.of(Instant.parse(Files.readString(files.resolve(FILE)).strip()));
    } catch (NoSuchFileException e) {
      return Optional.empty();
    } catch (DateTimeException e) {
      throw new IOException(files.resolve(FILE) + " holds no time", e);
    }
  }
}

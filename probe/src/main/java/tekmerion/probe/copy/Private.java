package tekmerion.probe.copy;

import java.io.IOException;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileAttribute;
import java.nio.file.attribute.PosixFilePermissions;

/** Folders and files with customers' data: for their owner's eyes only (0700, 0600). */
public final class Private {
  private static final boolean POSIX =
      FileSystems.getDefault().supportedFileAttributeViews().contains("posix");

  private Private() {}

  /** What is there already is closed to others too. */
  public static Path createDirectories(Path folder) throws IOException {
    Files.createDirectories(folder, of("rwx------"));
    if (POSIX) {
      Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwx------"));
    }
    return folder;
  }

  /** An empty file, unless it is there. */
  public static void createFile(Path file) throws IOException {
    if (!Files.exists(file)) {
      Files.createFile(file, of("rw-------"));
    }
  }

  private static FileAttribute<?>[] of(String permissions) {
    return POSIX
        ? new FileAttribute<?>[] {
          PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString(permissions))
        }
        : new FileAttribute<?>[0];
  }
}

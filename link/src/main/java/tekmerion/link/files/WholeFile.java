package tekmerion.link.files;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.FileAttribute;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Comparator;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;

/**
 * A file that is there as a whole or as it was before, whatever is cut off in between: it is
 * written beside its place, forced to the disk and then renamed. Only its owner may read it (0600).
 * If it cannot be written nothing of it is left.
 */
public final class WholeFile {
  private static final boolean POSIX =
      FileSystems.getDefault().supportedFileAttributeViews().contains("posix");

  /** A disk with less room than this counts as full [bytes]. */
  private static final long FULL_BYTES = 1 << 20;

  private WholeFile() {}

  /** Writes what the file is to hold. */
  @FunctionalInterface
  public interface Content {
    void writeTo(OutputStream out) throws IOException;
  }

  /**
   * @throws NoRoomException if the disk is full
   */
  public static void write(Path file, String text) throws IOException {
    write(file, text.getBytes(StandardCharsets.UTF_8));
  }

  /**
   * @throws NoRoomException if the disk is full
   */
  public static void write(Path file, byte[] bytes) throws IOException {
    write(file, out -> out.write(bytes));
  }

  /**
   * @throws NoRoomException if the disk is full
   */
  public static void write(Path file, Content content) throws IOException {
    Path part = file.resolveSibling(".%s.%s.part".formatted(file.getFileName(), UUID.randomUUID()));
    try {
      try (FileChannel channel =
          FileChannel.open(
              part,
              Set.of(StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE),
              onlyTheOwner())) {
        OutputStream out = new BufferedOutputStream(Channels.newOutputStream(channel));
        content.writeTo(out);
        out.flush();
        channel.force(true);
      }
      Files.move(part, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
      force(folderOf(file));
    } catch (IOException e) {
      boolean full = Files.getFileStore(folderOf(file)).getUsableSpace() < FULL_BYTES;
      throw full ? new NoRoomException(file, e) : e;
    } finally {
      Files.deleteIfExists(part);
    }
  }

  /** That a file is there is the folder's to hold. */
  private static void force(Path folder) throws IOException {
    if (POSIX) {
      try (FileChannel channel = FileChannel.open(folder, StandardOpenOption.READ)) {
        channel.force(true);
      }
    }
  }

  /** Parts that a killed program left in a folder; asked when a program starts. */
  public static void deleteLeftParts(Path folder) {
    if (!Files.isDirectory(folder)) {
      return;
    }
    try (Stream<Path> files = Files.list(folder)) {
      for (Path file : files.toList()) {
        String name = file.getFileName().toString();
        if (name.startsWith(".") && name.endsWith(".part")) {
          Files.delete(file);
        }
      }
    } catch (IOException e) {
      throw new UncheckedIOException("Cannot clear up " + folder, e);
    }
  }

  /** With all that is in it; nothing if it is not there. */
  public static void deleteFolder(Path folder) throws IOException {
    if (!Files.exists(folder, LinkOption.NOFOLLOW_LINKS)) {
      return;
    }
    try (Stream<Path> files = Files.walk(folder)) {
      for (Path file : files.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(file);
      }
    }
  }

  private static Path folderOf(Path file) {
    return file.toAbsolutePath().getParent();
  }

  private static FileAttribute<?>[] onlyTheOwner() {
    return POSIX
        ? new FileAttribute<?>[] {
          PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------"))
        }
        : new FileAttribute<?>[0];
  }
}

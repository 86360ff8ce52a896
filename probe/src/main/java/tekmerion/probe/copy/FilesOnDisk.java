package tekmerion.probe.copy;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.FileTime;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.Set;
import java.util.UUID;
import tekmerion.core.files.FileCopy;
import tekmerion.core.files.FoundFile;
import tekmerion.link.Sha256;
import tekmerion.link.files.WholeFile;
import tekmerion.probe.linux.RawFile;

/**
 * Copied files in a folder, with a list of their SHA-256 beside it. A name that this machine does
 * not take is written otherwise; none leads out of the folder.
 */
public final class FilesOnDisk implements FileCopy.Destination {
  private static final int MAX_NAME_BYTES = 240;
  private static final int MAX_WHY = 200;
  private static final int CHUNK = 1 << 20;

  /** A sum of 64 digits and two spaces come before it. */
  private static final int PATH_AT = 66;

  private final Path root;
  private final Path list;
  private final Path parts;
  private final Set<String> listed = new HashSet<>();

  /**
   * @throws IOException if the folder cannot be made, or its list cannot be read
   */
  public FilesOnDisk(Path root) throws IOException {
    this.root = Private.createDirectories(root).toRealPath();
    this.list = root.resolveSibling(root.getFileName() + ".sha256");
    this.parts = root.resolveSibling(root.getFileName() + ".parts");
    WholeFile.deleteFolder(parts); // of a copy that was cut off
    if (Files.exists(list)) {
      Files.readAllLines(list).stream()
          .filter(line -> line.length() > PATH_AT)
          .forEach(line -> listed.add(line.substring(PATH_AT)));
    }
  }

  /** Whether it was copied and verified before, and is there still in its whole length. */
  public boolean isDone(FoundFile file) {
    try {
      Path path = path(file);
      return listed.contains(file.path())
          && Files.isRegularFile(path)
          && Files.size(path) == file.bytes();
    } catch (IOException | FileCopy.DestinationException e) {
      return false;
    }
  }

  /** Keeps that it was copied and verified. */
  public void done(FoundFile file, String sha256) {
    try {
      Private.createFile(list);
      Files.writeString(
          list,
          sha256 + "  " + file.path() + "\n",
          StandardOpenOption.CREATE,
          StandardOpenOption.APPEND);
      listed.add(file.path());
    } catch (IOException e) {
      throw new UncheckedIOException("the list of copied files cannot be kept", e);
    }
  }

  @Override
  public FileCopy.Target begin(FoundFile file) {
    Path path = path(file);
    // In a folder of their own: beside it the customer may have a file of just that name.
    Path part = parts.resolve(UUID.randomUUID().toString());
    try {
      Private.createDirectories(path.getParent());
      Private.createDirectories(parts);
      Private.createFile(part);
      FileChannel channel = FileChannel.open(part, StandardOpenOption.WRITE);
      return new Writing(file, path, part, channel);
    } catch (IOException e) {
      throw new FileCopy.DestinationException(
          say("probe.a-file-cannot-be-written", "why", why(e)), e);
    }
  }

  @Override
  public String digest(FoundFile file) {
    Path path = path(file);
    try {
      MessageDigest sha = MessageDigest.getInstance("SHA-256");
      long size = Files.size(path);
      if (size > 0) {
        try (RawFile bytes = RawFile.direct(path)) {
          for (long at = 0; at < size; at += CHUNK) {
            int length = (int) Math.min(CHUNK, size - at);
            sha.update(
                bytes
                    .bytes(at, length)
                    .orElseThrow(() -> new IOException("it cannot be read again")));
          }
        }
      }
      return HexFormat.of().formatHex(sha.digest());
    } catch (IOException e) {
      throw new FileCopy.DestinationException(
          say("probe.a-file-cannot-be-read-again", "why", why(e)), e);
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }

  /** The system's own words, which may be a path of any length: its end tells the most. */
  private static String why(IOException e) {
    String words = e.getMessage() == null ? e.getClass().getSimpleName() : e.getMessage();
    return words.length() <= MAX_WHY ? words : "…" + words.substring(words.length() - MAX_WHY + 1);
  }

  private Path path(FoundFile file) {
    Path path = root;
    try {
      for (String name : file.path().split("/")) {
        path = path.resolve(shortened(name));
      }
    } catch (InvalidPathException e) {
      throw new FileCopy.DestinationException(say("probe.its-name-cannot-be-written-here"), e);
    }
    path = path.normalize();
    if (!path.startsWith(root) || path.equals(root)) {
      throw new FileCopy.DestinationException(say("probe.its-name-leads-out-of-the-folder"), null);
    }
    return path;
  }

  /** What is too long for a name here keeps its beginning, its end, and a sum in between. */
  private static String shortened(String name) {
    byte[] bytes = name.getBytes(StandardCharsets.UTF_8);
    if (bytes.length <= MAX_NAME_BYTES) {
      return name;
    }
    String end = name.substring(name.length() - Math.min(name.length(), 12));
    return "%s~%s~%s".formatted(name.substring(0, 40), Sha256.hex(name).substring(0, 32), end);
  }

  private record Writing(FoundFile file, Path path, Path part, FileChannel channel)
      implements FileCopy.Target {
    @Override
    public void write(byte[] bytes, int length) {
      try {
        ByteBuffer buffer = ByteBuffer.wrap(bytes, 0, length);
        while (buffer.hasRemaining()) {
          channel.write(buffer);
        }
      } catch (IOException e) {
        throw new FileCopy.DestinationException(
            say("probe.a-file-cannot-be-written", "why", why(e)), e);
      }
    }

    @Override
    public void keep() {
      try {
        channel.force(true);
        channel.close();
        Files.move(part, path, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        if (file.modified().isPresent()) {
          Files.setLastModifiedTime(path, FileTime.from(file.modified().get()));
        }
      } catch (IOException e) {
        throw new FileCopy.DestinationException(
            say("probe.a-file-cannot-be-written", "why", why(e)), e);
      }
    }

    @Override
    public void close() {
      try {
        channel.close();
        Files.deleteIfExists(part);
      } catch (IOException e) {
        throw new FileCopy.DestinationException(
            say("probe.a-file-cannot-be-written", "why", why(e)), e);
      }
    }
  }
}

package tekmerion.probe.linux;

import com.sun.nio.file.ExtendedOpenOption;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Locale;
import tekmerion.core.port.BlockSource;

/**
 * A file or block device read past the page cache (O_DIRECT). Where the file system cannot do that
 * the reads go through the cache and {@link Identity#cacheBypassed()} says so.
 */
public final class DirectFile implements BlockSource {
  /** O_DIRECT wants memory, position and length aligned; 4,096 satisfies every common device. */
  private static final int ALIGNMENT = 4_096;

  private static final int DEFAULT_SECTOR = 512;

  private final FileChannel channel;
  private final Identity identity;
  private ByteBuffer buffer = ByteBuffer.allocateDirect(0);

  private DirectFile(FileChannel channel, Identity identity) {
    this.channel = channel;
    this.identity = identity;
  }

  /**
   * @throws IOException if it cannot be opened for reading, or is empty
   */
  public static DirectFile open(Path path) throws IOException {
    boolean bypassed = true;
    FileChannel channel;
    try {
      channel = FileChannel.open(path, StandardOpenOption.READ, ExtendedOpenOption.DIRECT);
    } catch (IOException | UnsupportedOperationException e) {
      if (!Files.isReadable(path) || Files.isDirectory(path)) {
        throw e instanceof IOException io ? io : new IOException(e.getMessage(), e);
      }
      channel = FileChannel.open(path, StandardOpenOption.READ);
      bypassed = false;
    }
    long size = channel.size();
    if (size <= 0) {
      channel.close();
      throw new IOException("it is empty: nothing to read");
    }
    int sector = queue(path, "logical_block_size", DEFAULT_SECTOR);
    int physical = Math.max(sector, queue(path, "physical_block_size", sector));
    return new DirectFile(
        channel, new Identity(path.getFileName().toString(), size, sector, physical, bypassed));
  }

  private static int queue(Path path, String file, int otherwise) throws IOException {
    Path queue =
        Path.of("/sys/class/block").resolve(path.toRealPath().getFileName()).resolve("queue");
    Path value = queue.resolve(file);
    return path.startsWith("/dev") && Files.isReadable(value)
        ? Integer.parseInt(Files.readString(value).strip())
        : otherwise;
  }

  @Override
  public Identity identity() {
    return identity;
  }

  @Override
  public Answer read(long offset, int length) {
    int aligned = (length + ALIGNMENT - 1) / ALIGNMENT * ALIGNMENT;
    if (buffer.capacity() < aligned) {
      buffer = ByteBuffer.allocateDirect(aligned + ALIGNMENT).alignedSlice(ALIGNMENT);
    }
    boolean atEnd = offset + length >= identity.sizeBytes();
    // The last piece of a file may be odd; asked for whole, it comes cut.
    int wanted = atEnd && identity.cacheBypassed() ? aligned : length;
    long began = System.nanoTime();
    try {
      int got = 0;
      while (got < length) {
        buffer.limit(got + Math.min(wanted - got, buffer.capacity() - got)).position(got);
        int n = channel.read(buffer, offset + got);
        if (n <= 0) {
          break;
        }
        got += n;
        if (got % ALIGNMENT != 0) {
          break;
        }
      }
      long took = System.nanoTime() - began;
      return got >= length
          ? Answer.read(took)
          : Answer.unreadable(took, "only %d of %d bytes came".formatted(got, length));
    } catch (IOException e) {
      long took = System.nanoTime() - began;
      String message = String.valueOf(e.getMessage());
      return isGone(message) ? Answer.couldNotRun(message) : Answer.unreadable(took, message);
    }
  }

  /** What the last read gave, from a place in it. */
  void copyTo(byte[] into, int at, int from, int length) {
    buffer.get(from, into, at, length);
  }

  /** ENODEV, ENXIO, EBADF: the device is no longer there. EIO and the like are the sectors'. */
  private static boolean isGone(String message) {
    String lower = message.toLowerCase(Locale.ROOT);
    return lower.contains("no such device")
        || lower.contains("bad file descriptor")
        || lower.contains("no medium");
  }

  @Override
  public void close() {
    try {
      channel.close();
    } catch (IOException e) {
      // Nothing was written: there is nothing to lose.
    }
  }
}

package tekmerion.probe.linux;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Optional;
import tekmerion.core.port.ByteSource;

/** An image or a device, opened for reading only. */
public final class FileBytes implements ByteSource {
  private final FileChannel channel;
  private final long size;

  private FileBytes(FileChannel channel, long size) {
    this.channel = channel;
    this.size = size;
  }

  /**
   * @throws IOException if it cannot be opened, or is empty
   */
  public static FileBytes open(Path path) throws IOException {
    FileChannel channel = FileChannel.open(path, StandardOpenOption.READ);
    long size = channel.size(); // of a block device too, on Linux
    if (size <= 0) {
      channel.close();
      throw new IOException("it has no bytes");
    }
    return new FileBytes(channel, size);
  }

  @Override
  public long sizeBytes() {
    return size;
  }

  @Override
  public int sectorBytes() {
    return 512;
  }

  @Override
  public Optional<byte[]> read(long offset, int length) {
    ByteBuffer buffer = ByteBuffer.allocate(length);
    try {
      while (buffer.hasRemaining()) {
        if (channel.read(buffer, offset + buffer.position()) < 0) {
          return Optional.empty();
        }
      }
      return Optional.of(buffer.array());
    } catch (IOException e) {
      return Optional.empty();
    }
  }

  @Override
  public void close() {
    try {
      channel.close();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}

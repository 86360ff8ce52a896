package tekmerion.probe.linux;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import tekmerion.core.port.BlockSource;
import tekmerion.core.port.ByteSource;

/** A device whose bytes are read past the page cache: no sector is asked for that nobody wants. */
public final class DirectBytes implements ByteSource {
  private static final int MOST_READ = 1 << 20;
  private static final int ALIGNMENT = 4_096;

  private final DirectFile file;

  /** A device takes its own sectors; a file's system may want more. */
  private final int alignment;

  private DirectBytes(DirectFile file, int alignment) {
    this.file = file;
    this.alignment = alignment;
  }

  /**
   * @throws IOException if it cannot be opened for reading, or is empty
   */
  public static DirectBytes open(Path path) throws IOException {
    DirectFile file = DirectFile.open(path);
    int sector = file.identity().sectorBytes();
    return new DirectBytes(file, path.startsWith("/dev") ? sector : ALIGNMENT);
  }

  @Override
  public long sizeBytes() {
    return file.identity().sizeBytes();
  }

  @Override
  public int sectorBytes() {
    return file.identity().sectorBytes();
  }

  @Override
  public Optional<byte[]> read(long offset, int length) {
    byte[] bytes = new byte[length];
    for (int done = 0; done < length; ) {
      long at = offset + done;
      int piece = (int) Math.min(MOST_READ - at % ALIGNMENT, length - done);
      if (!piece(at, piece, bytes, done)) {
        return Optional.empty();
      }
      done += piece;
    }
    return Optional.of(bytes);
  }

  private boolean piece(long offset, int length, byte[] into, int at) {
    return around(alignment, offset, length, into, at)
        || alignment != sectorBytes() && around(sectorBytes(), offset, length, into, at);
  }

  /** Of whole multiples of a step around it. */
  private boolean around(int step, long offset, int length, byte[] into, int at) {
    long from = offset / step * step;
    long to = Math.min(sizeBytes(), (offset + length + step - 1) / step * step);
    if (file.read(from, (int) (to - from)).kind() != BlockSource.Answer.Kind.READ) {
      return false;
    }
    file.copyTo(into, at, (int) (offset - from), length);
    return true;
  }

  @Override
  public void close() {
    file.close();
  }
}

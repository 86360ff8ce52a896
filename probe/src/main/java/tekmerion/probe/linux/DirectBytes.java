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

  private DirectBytes(DirectFile file) {
    this.file = file;
  }

  /**
   * @throws IOException if it cannot be opened for reading, or is empty
   */
  public static DirectBytes open(Path path) throws IOException {
    return new DirectBytes(DirectFile.open(path));
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

  /** Of whole sectors around it. */
  private boolean piece(long offset, int length, byte[] into, int at) {
    int sector = sectorBytes();
    long from = offset / sector * sector;
    long to = Math.min(sizeBytes(), (offset + length + sector - 1) / sector * sector);
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

package tekmerion.core.files;

import java.util.Arrays;
import java.util.Optional;
import tekmerion.core.port.ByteSource;
import tekmerion.core.rescue.RescueMap;
import tekmerion.core.rescue.State;

/** The content of a file that was found. */
public final class FileBody {
  private static final int CHUNK = 1 << 20;

  private FileBody() {}

  /** Takes the content in order. */
  public interface Sink {
    void take(byte[] bytes, int length);
  }

  /**
   * Reads it from its first byte to its last. Sectors that cannot be read are zero.
   *
   * @return how many bytes could not be read, or are known to lie nowhere any more
   */
  public static long read(ByteSource source, FoundFile file, Sink sink) {
    if (file.inside().isPresent()) {
      byte[] inside = file.inside().get().bytes();
      sink.take(inside, inside.length);
      return Math.max(0, file.bytes() - inside.length);
    }
    long lost = 0;
    long given = 0;
    for (Piece piece : file.pieces()) {
      for (long at = 0; at < piece.bytes(); at += CHUNK) {
        int length = (int) Math.min(CHUNK, piece.bytes() - at);
        if (piece.isHole()) {
          sink.take(new byte[length], length);
        } else {
          Optional<byte[]> bytes = within(source, piece.offset() + at, length);
          if (bytes.isPresent()) {
            sink.take(bytes.get(), length);
          } else {
            lost += bySectors(source, piece.offset() + at, length, sink);
          }
        }
        given += length;
      }
    }
    return lost + Math.max(0, file.bytes() - given);
  }

  private static Optional<byte[]> within(ByteSource source, long offset, int length) {
    return offset + length > source.sizeBytes() ? Optional.empty() : source.bytes(offset, length);
  }

  private static long bySectors(ByteSource source, long offset, int length, Sink sink) {
    int sector = source.sectorBytes();
    long lost = 0;
    byte[] chunk = new byte[length];
    for (int at = 0; at < length; ) {
      int n = (int) Math.min(sector - (offset + at) % sector, length - at);
      Optional<byte[]> bytes = within(source, offset + at, n);
      if (bytes.isPresent()) {
        System.arraycopy(bytes.get(), 0, chunk, at, n);
      } else {
        lost += n;
      }
      at += n;
    }
    sink.take(Arrays.copyOf(chunk, length), length);
    return lost;
  }

  /**
   * How much of it a rescue did not get.
   *
   * @param map of the source that the file's pieces point into
   */
  public static long missing(FoundFile file, RescueMap map) {
    long there = file.pieces().stream().filter(p -> !p.isHole()).mapToLong(Piece::bytes).sum();
    return there - in(file, map, State.READ);
  }

  /** How many of its bytes are in a state. */
  public static long in(FoundFile file, RescueMap map, State state) {
    return file.pieces().stream()
        .filter(p -> !p.isHole())
        .mapToLong(p -> map.bytes(state, p.offset(), p.bytes()))
        .sum();
  }
}

package tekmerion.core.carve;

import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import tekmerion.core.port.ByteSource;

/**
 * A source by the byte, with the blocks that were read last kept. A block that cannot be read as a
 * whole is read in small pieces: damage next to a file is no damage of it.
 */
final class Bytes {
  static final int GONE = -1;
  private static final int BLOCK = 1 << 18;
  private static final int PIECE = 1 << 12;
  private static final int KEPT = 64;

  private final ByteSource source;

  /**
   * @param gone pieces of it that cannot be read
   */
  private record Block(byte[] bytes, BitSet gone) {}

  private final Map<Long, Block> blocks =
      new LinkedHashMap<>(KEPT, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Long, Block> eldest) {
          return size() > KEPT;
        }
      };
  private long lastStart = -1;
  private Block last;

  Bytes(ByteSource source) {
    this.source = source;
  }

  long size() {
    return source.sizeBytes();
  }

  /** 0 to 255; {@link #GONE} behind the end, and where nothing can be read. */
  int at(long offset) {
    if (offset < 0 || offset >= size()) {
      return GONE;
    }
    long start = offset / BLOCK * BLOCK;
    if (start != lastStart) {
      last = block(start);
      lastStart = start;
    }
    int at = (int) (offset - start);
    return last.gone.get(at / PIECE) ? GONE : last.bytes[at] & 0xFF;
  }

  private Block block(long start) {
    Block known = blocks.get(start);
    if (known == null) {
      known = read(start, (int) Math.min(BLOCK, size() - start));
      blocks.put(start, known);
    }
    return known;
  }

  private Block read(long start, int length) {
    Optional<byte[]> whole = source.bytes(start, length);
    if (whole.isPresent()) {
      return new Block(whole.get(), new BitSet());
    }
    Block block = new Block(new byte[length], new BitSet());
    for (int at = 0; at < length; at += PIECE) {
      Optional<byte[]> piece = source.bytes(start + at, Math.min(PIECE, length - at));
      if (piece.isPresent()) {
        System.arraycopy(piece.get(), 0, block.bytes, at, piece.get().length);
      } else {
        block.gone.set(at / PIECE);
      }
    }
    return block;
  }

  boolean says(long offset, String text) {
    for (int i = 0; i < text.length(); i++) {
      if (at(offset + i) != text.charAt(i)) {
        return false;
      }
    }
    return true;
  }

  /** Big-endian; negative if a byte of it is gone. */
  long be(long offset, int length) {
    long value = 0;
    for (int i = 0; i < length; i++) {
      int b = at(offset + i);
      if (b == GONE) {
        return GONE;
      }
      value = value << 8 | b;
    }
    return value;
  }

  /** Little-endian; negative if a byte of it is gone. */
  long le(long offset, int length) {
    long value = 0;
    for (int i = length - 1; i >= 0; i--) {
      int b = at(offset + i);
      if (b == GONE) {
        return GONE;
      }
      value = value << 8 | b;
    }
    return value;
  }
}

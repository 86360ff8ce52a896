package tekmerion.core.carve;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import tekmerion.core.port.ByteSource;

/** A source by the byte, with the blocks that were read last kept. */
final class Bytes {
  static final int GONE = -1;
  private static final int BLOCK = 1 << 18;
  private static final int KEPT = 64;

  private final ByteSource source;
  private final Map<Long, Optional<byte[]>> blocks =
      new LinkedHashMap<>(KEPT, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Long, Optional<byte[]>> eldest) {
          return size() > KEPT;
        }
      };
  private long lastStart = -1;
  private Optional<byte[]> last = Optional.empty();

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
    return last.isEmpty() ? GONE : last.get()[(int) (offset - start)] & 0xFF;
  }

  private Optional<byte[]> block(long start) {
    Optional<byte[]> known = blocks.get(start);
    if (known == null) {
      known = source.read(start, (int) Math.min(BLOCK, size() - start));
      blocks.put(start, known);
    }
    return known;
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

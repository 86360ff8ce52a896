package tekmerion.core.files;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import tekmerion.core.port.ByteSource;
import tekmerion.core.port.ReadResult;
import tekmerion.core.port.SeenBytes;

/**
 * Keeps the blocks that were read last: structures are read a few bytes at a time. A block that
 * cannot be read whole is read as it was asked for.
 */
final class CachedBytes extends SeenBytes {
  private static final int BLOCK = 64 << 10;
  private static final int KEPT = 256;

  private final Map<Long, Optional<byte[]>> blocks =
      new LinkedHashMap<>(KEPT, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Long, Optional<byte[]>> eldest) {
          return size() > KEPT;
        }
      };

  CachedBytes(ByteSource source) {
    super(source);
  }

  @Override
  public ReadResult read(long offset, int length) {
    long first = offset / BLOCK;
    if (length > BLOCK || (offset + length - 1) / BLOCK != first) {
      return source.read(offset, length);
    }
    long start = first * BLOCK;
    Optional<byte[]> block = blocks.get(start);
    if (block == null) {
      block = source.bytes(start, (int) Math.min(BLOCK, source.sizeBytes() - start));
      blocks.put(start, block);
    }
    int at = (int) (offset - start);
    return block.isPresent()
        ? ReadResult.data(Arrays.copyOfRange(block.get(), at, at + length), 0)
        : source.read(offset, length);
  }
}

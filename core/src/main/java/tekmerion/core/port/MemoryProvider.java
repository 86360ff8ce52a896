package tekmerion.core.port;

import java.util.List;

/**
 * Memory that is not the machine's own: simulated, with faults. Found with {@link
 * java.util.ServiceLoader}.
 */
public interface MemoryProvider {
  /**
   * @param words of 64 bits
   * @param faults one a line, as docs/formats.md has them
   * @param seed of what the cells hold at first and of faults that show now and then
   * @throws IllegalArgumentException naming the line that is not understood
   */
  MemoryRegion open(int words, List<String> faults, long seed);
}

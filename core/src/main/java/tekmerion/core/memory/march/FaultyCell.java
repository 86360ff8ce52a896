package tekmerion.core.memory.march;

/**
 * A bit that failed, and how.
 *
 * @param bit 0 is the lowest of the word
 * @param errors of this bit that were kept
 */
public record FaultyCell(long word, int bit, FaultClass fault, int errors) {
  /** Of a memory bus of 64 lines in eight bytes; on a module of eight-bit chips also the chip. */
  public int byteLane() {
    return bit / 8;
  }
}

package tekmerion.core.memory.march;

import java.util.OptionalDouble;

/**
 * One read that was not as expected.
 *
 * @param word its index in the region
 * @param element index in the algorithm
 * @param operation index in the element
 * @param background data background that was in use
 * @param pass from 0
 * @param celsius of the memory then; empty if not measured
 */
public record MarchError(
    long word,
    long expected,
    long read,
    int element,
    int operation,
    Background background,
    int pass,
    OptionalDouble celsius) {
  /** The bits that were wrong. */
  public long wrongBits() {
    return expected ^ read;
  }
}

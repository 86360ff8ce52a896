package tekmerion.core.load;

import java.util.Arrays;

/** How late a thread woke that wanted to wake at a moment: what sound and pointer feel. */
public final class Lateness {
  private Lateness() {}

  /**
   * @param nanos one for each waking, any order, one at least; an early one counts as none
   * @return median, 99th percentile and longest [µs]
   */
  public static long[] micros(long[] nanos) {
    if (nanos.length == 0) {
      throw new IllegalArgumentException("nobody woke");
    }
    long[] sorted = Arrays.stream(nanos).map(n -> Math.max(0, n)).sorted().toArray();
    return new long[] {
      sorted[(sorted.length - 1) / 2] / 1_000,
      sorted[(int) Math.ceil(0.99 * sorted.length) - 1] / 1_000,
      sorted[sorted.length - 1] / 1_000
    };
  }
}

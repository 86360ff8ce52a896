package tekmerion.core.surface;

import java.util.Arrays;

/**
 * Latencies counted in buckets of equal ratio: eight to each doubling, so that a quantile is known
 * within 4.5 %. From 1 µs to 134 s; what is outside falls into the end buckets.
 */
final class Latencies {
  static final int BUCKETS = 8 * 27;
  private static final double PER_OCTAVE = 8;
  private static final double FIRST_NANOS = 1_000;

  private int[] counts = new int[0];
  private long maxNanos;
  private long total;

  void add(long nanos) {
    if (counts.length == 0) {
      counts = new int[BUCKETS];
    }
    counts[bucket(nanos)]++;
    maxNanos = Math.max(maxNanos, nanos);
    total++;
  }

  long count() {
    return total;
  }

  long maxNanos() {
    return maxNanos;
  }

  /**
   * @param share 0 to 1
   * @return middle of the bucket in which it lies [ns]; -1 if nothing was counted
   */
  long quantileNanos(double share) {
    if (total == 0) {
      return -1;
    }
    long rank = Math.max(1, (long) Math.ceil(share * total));
    long passed = 0;
    for (int i = 0; i < counts.length; i++) {
      passed += counts[i];
      if (passed >= rank) {
        return Math.min(maxNanos, Math.round(FIRST_NANOS * Math.pow(2, (i + 0.5) / PER_OCTAVE)));
      }
    }
    return maxNanos;
  }

  /** As bucket and count in turn, empty ones left out: what a checkpoint keeps. */
  int[] sparse() {
    int[] pairs = new int[2 * counts.length];
    int at = 0;
    for (int i = 0; i < counts.length; i++) {
      if (counts[i] > 0) {
        pairs[at++] = i;
        pairs[at++] = counts[i];
      }
    }
    return Arrays.copyOf(pairs, at);
  }

  /** The opposite of {@link #sparse()}. */
  static Latencies of(int[] sparse, long maxNanos) {
    Latencies latencies = new Latencies();
    latencies.maxNanos = maxNanos;
    if (sparse.length > 0) {
      latencies.counts = new int[BUCKETS];
    }
    for (int i = 0; i + 1 < sparse.length; i += 2) {
      latencies.counts[sparse[i]] += sparse[i + 1];
      latencies.total += sparse[i + 1];
    }
    return latencies;
  }

  private static int bucket(long nanos) {
    double octaves = Math.log(Math.max(FIRST_NANOS, nanos) / FIRST_NANOS) / Math.log(2);
    return (int) Math.min(BUCKETS - 1, octaves * PER_OCTAVE);
  }
}

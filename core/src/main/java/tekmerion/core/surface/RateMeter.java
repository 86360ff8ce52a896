package tekmerion.core.surface;

import java.util.ArrayDeque;
import java.util.Deque;

/** Rate of the last while and an honest end: the spread comes from how unevenly it has gone. */
final class RateMeter {
  private static final int WINDOWS = 20;
  private static final double Z_95 = 1.96;

  private final long windowNanos;
  private final Deque<Double> rates = new ArrayDeque<>();
  private long windowFrom;
  private long windowBytes;

  RateMeter(long windowNanos, long now) {
    this.windowNanos = windowNanos;
    this.windowFrom = now;
  }

  void add(long bytes, long now) {
    windowBytes += bytes;
    if (now - windowFrom >= windowNanos) {
      rates.addLast(windowBytes / ((now - windowFrom) / 1e9));
      if (rates.size() > WINDOWS) {
        rates.removeFirst();
      }
      windowBytes = 0;
      windowFrom = now;
    }
  }

  boolean isKnown() {
    return rates.size() >= 2 && rate() > 0;
  }

  double rate() {
    return rates.stream().mapToDouble(r -> r).average().orElse(0);
  }

  double secondsFor(long bytes) {
    return isKnown() ? bytes / rate() : -1;
  }

  /** Half width: the windows' relative scatter, as if what is left came in as few such windows. */
  double spreadFor(long bytes) {
    if (!isKnown()) {
      return 0;
    }
    double mean = rate();
    double squares = rates.stream().mapToDouble(r -> (r - mean) * (r - mean)).sum();
    double relative = Math.sqrt(squares / (rates.size() - 1)) / mean;
    return Z_95 * relative / Math.sqrt(rates.size()) * secondsFor(bytes) + 0.02 * secondsFor(bytes);
  }
}

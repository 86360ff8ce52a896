package tekmerion.core.trend;

import java.util.Arrays;
import java.util.Optional;

/**
 * Where a drive stands among others of its kind at similar age.
 *
 * @param others how many there are
 * @param lower 25th percentile of theirs
 * @param median of theirs
 * @param upper 75th percentile of theirs
 * @param highest of theirs
 * @param share of the others that have less, ties counted half, 0 to 1
 */
public record Cohort(
    int others, double lower, double median, double upper, double highest, double share) {
  /** Below this a percentile would say more than is known. */
  public static final int MIN = 8;

  /**
   * @param value of this drive
   * @param others values of the others, each drive once
   * @return empty if there are fewer than {@link #MIN}
   */
  public static Optional<Cohort> of(double value, double[] others) {
    if (others.length < MIN) {
      return Optional.empty();
    }
    double[] sorted = others.clone();
    Arrays.sort(sorted);
    double below = 0;
    for (double other : sorted) {
      below += other < value ? 1 : other == value ? 0.5 : 0;
    }
    return Optional.of(
        new Cohort(
            sorted.length,
            quantile(sorted, 0.25),
            quantile(sorted, 0.5),
            quantile(sorted, 0.75),
            sorted[sorted.length - 1],
            below / sorted.length));
  }

  /** Linear between the order statistics (Hyndman and Fan, type 7). */
  private static double quantile(double[] sorted, double p) {
    double rank = p * (sorted.length - 1);
    int below = (int) rank;
    int above = Math.min(sorted.length - 1, below + 1);
    return sorted[below] + (rank - below) * (sorted[above] - sorted[below]);
  }
}

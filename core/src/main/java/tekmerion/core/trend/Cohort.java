package tekmerion.core.trend;

import java.util.Optional;
import org.apache.commons.statistics.descriptive.Quantile;

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
    double below = 0;
    for (double other : others) {
      below += other < value ? 1 : other == value ? 0.5 : 0;
    }
    double[] held =
        Quantile.withDefaults()
            .withCopy(true)
            .with(Quantile.EstimationMethod.HF7)
            .evaluate(others, 0.25, 0.5, 0.75, 1);
    return Optional.of(
        new Cohort(others.length, held[0], held[1], held[2], held[3], below / others.length));
  }
}

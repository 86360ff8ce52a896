package tekmerion.core.forecast;

import java.util.Optional;
import org.apache.commons.statistics.descriptive.Quantile;

/**
 * How long something takes [min]: one in ten is quicker than {@code quick}, one in ten slower than
 * {@code slow}.
 *
 * @param quick 10th percentile, at least 0
 * @param usual median
 * @param slow 90th percentile
 */
public record Spread(double quick, double usual, double slow) {
  /** Below this many observations the know-how's judgement is better. */
  public static final int ENOUGH = 20;

  public static final Spread NONE = new Spread(0, 0, 0);

  /** From 10th to 90th percentile of a normal distribution, in standard deviations. */
  private static final double DEVIATIONS = 1.2816;

  public Spread {
    if (!(quick >= 0 && usual >= quick && slow >= usual)) {
      throw new IllegalArgumentException(
          "spread must be 0 ≤ quick ≤ usual ≤ slow, is %s, %s, %s".formatted(quick, usual, slow));
    }
  }

  /**
   * From what was measured, by linear interpolation between the ordered values (Hyndman and Fan,
   * type 7).
   *
   * @param minutes finite, at least 0
   * @return empty if there are fewer than {@link #ENOUGH}
   */
  public static Optional<Spread> of(double[] minutes) {
    if (minutes.length < ENOUGH) {
      return Optional.empty();
    }
    double[] held =
        Quantile.withDefaults()
            .withCopy(true)
            .with(Quantile.EstimationMethod.HF7)
            .evaluate(minutes, 0.1, 0.5, 0.9);
    return Optional.of(new Spread(held[0], held[1], held[2]));
  }

  /** Swanson's rule: 0.3·P10 + 0.4·P50 + 0.3·P90 (Hurst, Brown and Swanson 2000). */
  double mean() {
    return 0.3 * quick + 0.4 * usual + 0.3 * slow;
  }

  double variance() {
    double mean = mean();
    return 0.3 * square(quick - mean) + 0.4 * square(usual - mean) + 0.3 * square(slow - mean);
  }

  /** One after the other, each independent of the other: means and variances add up. */
  public Spread plus(Spread next) {
    double mean = mean() + next.mean();
    double sd = Math.sqrt(variance() + next.variance());
    return new Spread(Math.max(0, mean - DEVIATIONS * sd), mean, mean + DEVIATIONS * sd);
  }

  /** What is left after some of it has passed; never less than nothing. */
  public Spread after(double minutes) {
    return new Spread(
        Math.max(0, quick - minutes), Math.max(0, usual - minutes), Math.max(0, slow - minutes));
  }

  private static double square(double x) {
    return x * x;
  }
}

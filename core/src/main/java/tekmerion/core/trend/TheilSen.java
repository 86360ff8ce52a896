package tekmerion.core.trend;

import java.util.Arrays;
import org.apache.commons.statistics.descriptive.Median;
import org.apache.commons.statistics.distribution.NormalDistribution;

/**
 * Theil–Sen slope: the median slope over all pairs at different times, with Sen's distribution-free
 * interval. For values that scatter independently around a line; a fifth of them may be wild.
 *
 * @see <a href="https://doi.org/10.1080/01621459.1968.10480934">Sen (1968)</a>, eq. 3.1 and 6.1
 */
public final class TheilSen {
  /** All pairs are held in memory: n(n−1)/2 numbers. */
  public static final int MAX = 4_000;

  private static final double Z_95 = NormalDistribution.of(0, 1).inverseSurvivalProbability(0.025);

  private TheilSen() {}

  /**
   * @param times [any unit], finite, not all equal, at least 3, at most {@link #MAX}
   * @param values finite, as many as {@code times}
   * @return slope [unit of values per unit of times] with its 95 % interval
   * @throws IllegalArgumentException if an argument breaks one of these conditions
   */
  public static Interval slope(double[] times, double[] values) {
    double[] slopes = pairSlopes(times, values);
    double spread = Z_95 * Math.sqrt(MannKendall.variance(values));
    // Sen counts from 1: the interval reaches from slope (N − C)/2 to slope (N + C)/2 + 1.
    double low = orderStatistic(slopes, (slopes.length - spread) / 2);
    double high = orderStatistic(slopes, (slopes.length + spread) / 2 + 1);
    double median = Median.withDefaults().evaluate(slopes);
    return new Interval(median, Math.min(low, median), Math.max(high, median));
  }

  /** Only the slope; conditions as for {@link #slope}, from two values on. */
  static double value(double[] times, double[] values) {
    return Median.withDefaults().evaluate(pairSlopes(times, values));
  }

  /** The height at time 0 of the line of that slope which has as many points above as below. */
  static double intercept(double[] times, double[] values, double slope) {
    double[] rest = new double[times.length];
    for (int i = 0; i < rest.length; i++) {
      rest[i] = values[i] - slope * times[i];
    }
    return Median.withDefaults().evaluate(rest);
  }

  private static double[] pairSlopes(double[] times, double[] values) {
    int n = times.length;
    if (values.length != n || n < 2 || n > MAX) {
      throw new IllegalArgumentException(
          "%d times and %d values; 2 to %d of each are wanted".formatted(n, values.length, MAX));
    }
    double[] slopes = new double[n * (n - 1) / 2];
    int count = 0;
    for (int i = 0; i < n; i++) {
      if (!Double.isFinite(times[i]) || !Double.isFinite(values[i])) {
        throw new IllegalArgumentException("not finite at " + i);
      }
      for (int j = 0; j < i; j++) {
        if (times[i] != times[j]) {
          slopes[count++] = (values[i] - values[j]) / (times[i] - times[j]);
        }
      }
    }
    if (count == 0) {
      throw new IllegalArgumentException("all times are equal");
    }
    slopes = Arrays.copyOf(slopes, count);
    Arrays.sort(slopes);
    return slopes;
  }

  /** Rank from 1, between two ranks linearly; held at the ends. */
  private static double orderStatistic(double[] sorted, double rank) {
    double held = Math.max(1, Math.min(sorted.length, rank));
    int below = (int) Math.floor(held);
    int above = Math.min(sorted.length, below + 1);
    double share = held - below;
    return sorted[below - 1] * (1 - share) + sorted[above - 1] * share;
  }
}

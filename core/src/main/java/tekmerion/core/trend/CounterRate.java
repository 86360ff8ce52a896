package tekmerion.core.trend;

import org.apache.commons.statistics.distribution.TDistribution;

/**
 * How fast a counter counts. What a counter adds between two readings is independent of what it
 * added before, but its values are not: each carries all chance of the past, so the interval of
 * {@link TheilSen} would be far too narrow for it. The rate is what was counted over the time it
 * took; its interval comes from how unevenly the increments came, whatever their law.
 *
 * @see <a href="https://doi.org/10.1016/0304-4076(85)90158-7">MacKinnon and White (1985)</a>, the
 *     estimator that is now called HC3
 */
public final class CounterRate {
  /** Upper 97.5 % limit of a Poisson mean when nothing was counted: −ln 0.025. */
  private static final double NOTHING_COUNTED = -Math.log(0.025);

  private CounterRate() {}

  /**
   * @param times rising, finite, at least 3
   * @param values not falling, finite, as many
   * @return rate [counts per unit of times] with its 95 % interval, from 0 upwards
   * @throws IllegalArgumentException if an argument breaks one of these conditions
   */
  public static Interval of(double[] times, double[] values) {
    int n = times.length;
    if (n < 3 || values.length != n) {
      throw new IllegalArgumentException("3 readings are wanted, there are " + n);
    }
    double span = times[n - 1] - times[0];
    double counted = values[n - 1] - values[0];
    if (!(span > 0) || !(counted >= 0)) {
      throw new IllegalArgumentException(
          "span %s, counted %s: times must rise and values not fall".formatted(span, counted));
    }
    if (counted == 0) {
      return new Interval(0, 0, NOTHING_COUNTED / span);
    }
    double rate = counted / span;
    double squares = 0;
    int increments = 0;
    for (int i = 1; i < n; i++) {
      double dt = times[i] - times[i - 1];
      if (dt > 0) {
        // A long gap draws the rate to itself and so looks too close to it (leverage: HC3).
        double off = (values[i] - values[i - 1] - rate * dt) / (1 - Math.min(0.5, dt / span));
        squares += off * off;
        increments++;
      }
    }
    int freedom = Math.max(1, increments - 1);
    double variance = squares;
    double quantile = TDistribution.of(freedom).inverseSurvivalProbability(0.025);
    // On the logarithmic scale a rate stays above 0, and few counts give the skewed range they
    // have.
    double relative = quantile * Math.sqrt(variance) / counted;
    return new Interval(rate, rate * Math.exp(-relative), rate * Math.exp(relative));
  }
}

package tekmerion.evaluation;

import java.util.Random;
import tekmerion.core.trend.ChangePoint;
import tekmerion.core.trend.CounterRate;
import tekmerion.core.trend.Interval;
import tekmerion.core.trend.TheilSen;

/**
 * A made-up series whose truth is known: a drive brought in at uneven times.
 *
 * @param counter whether it counts, or scatters around a line
 * @param slope true slope [per hour]; after the change if there is one
 * @param change index of the first reading after the change; -1 if there is none
 */
record KnownSeries(
    String sort, boolean counter, double[] hours, double[] values, double slope, int change) {

  /** What is put around the line, or how a counter counts. */
  enum Sort {
    GAUSS,
    HEAVY_TAILED,
    OUTLIERS,
    POISSON,
    BURSTS;

    boolean counts() {
      return this == POISSON || this == BURSTS;
    }
  }

  static KnownSeries straight(Random random, Sort sort, int n) {
    double[] hours = hours(random, n);
    double slope = sort.counts() ? 0.005 + 0.1 * random.nextDouble() : random.nextGaussian() * 0.01;
    return new KnownSeries(
        sort.name(),
        sort.counts(),
        hours,
        values(random, sort, hours, slope, slope, -1),
        slope,
        -1);
  }

  /** With a change that a person would call clear: see docs/evaluation.md. */
  static KnownSeries changing(Random random, Sort sort, int n) {
    double[] hours = hours(random, n);
    int change = 4 + random.nextInt(n - 8);
    double before = sort.counts() ? 0.02 * random.nextDouble() : random.nextGaussian() * 0.002;
    double typicalGap = (hours[n - 1] - hours[0]) / (n - 1);
    double after =
        sort.counts()
            ? 10 * before + 20 / typicalGap
            : before + 5 * 2 / typicalGap * (random.nextBoolean() ? 1 : -1);
    return new KnownSeries(
        sort.name(),
        sort.counts(),
        hours,
        values(random, sort, hours, before, after, change),
        after,
        change);
  }

  Interval slopeFound() {
    return counter ? CounterRate.of(hours, values) : TheilSen.slope(hours, values);
  }

  int changeFound() {
    return (counter ? ChangePoint.ofCounter(hours, values) : ChangePoint.ofLevel(hours, values))
        .map(ChangePoint::index)
        .orElse(-1);
  }

  private static double[] hours(Random random, int n) {
    double[] hours = new double[n];
    double now = 100 + 20_000 * random.nextDouble();
    for (int i = 0; i < n; i++) {
      now += 5 + 200 * -Math.log1p(-random.nextDouble());
      hours[i] = now;
    }
    return hours;
  }

  /** The slope changes at the time halfway between the readings before and at {@code change}. */
  private static double[] values(
      Random random, Sort sort, double[] hours, double before, double after, int change) {
    double[] values = new double[hours.length];
    double turn = change < 0 ? hours[0] : (hours[change - 1] + hours[change]) / 2;
    double total = sort.counts() ? random.nextInt(50) : 40;
    values[0] = sort.counts() ? total : total + noise(random, sort);
    for (int i = 1; i < hours.length; i++) {
      double early = Math.max(0, Math.min(hours[i], turn) - hours[i - 1]);
      double late = hours[i] - hours[i - 1] - early;
      double mean = early * before + late * after;
      total += sort.counts() ? count(random, sort, mean) : mean;
      values[i] = sort.counts() ? total : total + noise(random, sort);
    }
    return values;
  }

  private static double noise(Random random, Sort sort) {
    double g = random.nextGaussian();
    return switch (sort) {
      case HEAVY_TAILED -> g / Math.sqrt((sq(random) + sq(random) + sq(random)) / 3); // Student, 3
      case OUTLIERS -> random.nextInt(12) == 0 ? 15 * g : g;
      default -> g;
    };
  }

  private static double sq(Random random) {
    double g = random.nextGaussian();
    return g * g;
  }

  /** Bursts: a mean that itself varies (gamma, shape 2), so that increments spread more. */
  private static long count(Random random, Sort sort, double mean) {
    double m =
        sort == Sort.BURSTS
            ? mean * -(Math.log1p(-random.nextDouble()) + Math.log1p(-random.nextDouble())) / 2
            : mean;
    if (m > 200) {
      return Math.max(0, Math.round(m + Math.sqrt(m) * random.nextGaussian()));
    }
    long count = 0;
    double limit = Math.exp(-m);
    for (double p = random.nextDouble(); p > limit; p *= random.nextDouble()) {
      count++;
    }
    return count;
  }
}

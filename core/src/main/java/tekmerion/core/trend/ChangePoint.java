package tekmerion.core.trend;

import java.util.Arrays;
import java.util.Optional;

/**
 * One change in the course of a series: the split that makes the sum of absolute deviations
 * smallest, if it beats no split by more than a penalty. Robust because a deviation counts once,
 * not squared.
 *
 * @param index of the first reading after the change
 * @param gain by how much the cost falls, in units of the typical deviation
 * @param penalty that it had to beat
 * @see <a href="https://doi.org/10.1080/01621459.2017.1385466">Fearnhead and Rigaill (2019)</a> for
 *     bounded-influence costs with a penalty of the order of log n
 */
public record ChangePoint(int index, double gain, double penalty) {
  /** On each side of the change: fewer say nothing about a course. */
  static final int SIDE = 3;

  /** A chance of one in ten thousand. */
  private static final double ONSET = -Math.log(1e-4);

  /** Above this a series is thinned before lines are fitted, because every split fits two. */
  static final int MAX_POINTS = 120;

  /**
   * Change of rate of a counter.
   *
   * @param times rising, as many as {@code values}
   * @param values not falling
   */
  public static Optional<ChangePoint> ofCounter(double[] times, double[] values) {
    Optional<ChangePoint> jump = jump(times, values);
    if (jump.isPresent()) {
      return jump;
    }
    int n = times.length - 1;
    if (n < 2 * SIDE - 1) {
      return onset(times, values);
    }
    double[] dt = new double[n];
    double[] dv = new double[n];
    for (int i = 0; i < n; i++) {
      dt[i] = times[i + 1] - times[i];
      dv[i] = values[i + 1] - values[i];
    }
    double whole = rateCost(dt, dv, 0, n);
    double best = Double.POSITIVE_INFINITY;
    int at = -1;
    for (int k = 2; k <= n - 2; k++) {
      double cost = rateCost(dt, dv, 0, k) + rateCost(dt, dv, k, n);
      if (cost < best) {
        best = cost;
        at = k;
      }
    }
    // The root of a Poisson count has a standard deviation of a half at any mean (Anscombe 1948).
    double typical = Math.max(0.4, best / n);
    double gain = (whole - best) / typical;
    double penalty = counterPenalty(n);
    return gain > penalty ? Optional.of(new ChangePoint(at, gain, penalty)) : Optional.empty();
  }

  /**
   * One jump, and nothing before or after it: what happened once is no rate. If its counts had come
   * evenly, all of them would have fallen into that one interval, whichever it is, by chance with
   * probability n · (interval / whole time)^counts.
   *
   * @return the first reading after it
   */
  private static Optional<ChangePoint> jump(double[] times, double[] values) {
    int last = times.length - 1;
    int at = 1;
    while (at <= last && values[at] == values[0]) {
      at++;
    }
    // What is still rising at the last reading may be a beginning.
    if (at >= last || values[at] != values[last]) {
      return Optional.empty();
    }
    double share = (times[at] - times[at - 1]) / (times[last] - times[0]);
    double gain = -(values[at] - values[0]) * Math.log(share) - Math.log(last);
    return gain > ONSET ? Optional.of(new ChangePoint(at, gain, ONSET)) : Optional.empty();
  }

  /**
   * With few readings only one change can be told: that a counter stood and then began to count. If
   * it had counted evenly all the time, all its counts would have fallen into the later part by
   * chance with probability (later part / whole time)^counts.
   */
  private static Optional<ChangePoint> onset(double[] times, double[] values) {
    int last = times.length - 1;
    int stood = 0;
    while (stood < last && values[stood + 1] == values[0]) {
      stood++;
    }
    if (stood == 0 || stood == last) {
      return Optional.empty();
    }
    double later = (times[last] - times[stood]) / (times[last] - times[0]);
    double gain = -(values[last] - values[0]) * Math.log(later);
    return gain > ONSET ? Optional.of(new ChangePoint(stood, gain, ONSET)) : Optional.empty();
  }

  /** Change of level or slope of values that scatter independently. */
  public static Optional<ChangePoint> ofLevel(double[] times, double[] values) {
    int n = times.length;
    if (n < 2 * SIDE) {
      return Optional.empty();
    }
    double whole = lineCost(times, values, 0, n);
    double best = Double.POSITIVE_INFINITY;
    int at = -1;
    for (int k = SIDE; k <= n - SIDE; k++) {
      double cost = lineCost(times, values, 0, k) + lineCost(times, values, k, n);
      if (cost < best) {
        best = cost;
        at = k;
      }
    }
    double typical = Math.max(1e-9 * Math.max(1, whole), best / n);
    double gain = (whole - best) / typical;
    double penalty = levelPenalty(n);
    return gain > penalty ? Optional.of(new ChangePoint(at, gain, penalty)) : Optional.empty();
  }

  /** Found by simulation without a change: {@code ./tekmerion evaluate trends}. */
  static double counterPenalty(int n) {
    return 3.5 + 1.6 * Math.log(n);
  }

  /** Found by simulation without a change: {@code ./tekmerion evaluate trends}. */
  static double levelPenalty(int n) {
    return 5.5 + 2.9 * Math.log(n);
  }

  /** Of the roots of the increments, around the rate that has as much time below as above it. */
  private static double rateCost(double[] dt, double[] dv, int from, int to) {
    Integer[] order = new Integer[to - from];
    double time = 0;
    for (int i = from; i < to; i++) {
      order[i - from] = i;
      time += dt[i];
    }
    Arrays.sort(order, (a, b) -> Double.compare(dv[a] / dt[a], dv[b] / dt[b]));
    double passed = 0;
    double rate = 0;
    for (int i : order) {
      rate = dv[i] / dt[i];
      passed += dt[i];
      if (passed >= time / 2) {
        break;
      }
    }
    double cost = 0;
    for (int i = from; i < to; i++) {
      cost += Math.abs(Math.sqrt(dv[i]) - Math.sqrt(rate * dt[i]));
    }
    return cost;
  }

  private static double lineCost(double[] times, double[] values, int from, int to) {
    double[] t = Arrays.copyOfRange(times, from, to);
    double[] v = Arrays.copyOfRange(values, from, to);
    double slope = t[0] == t[t.length - 1] ? 0 : TheilSen.value(t, v);
    double intercept = TheilSen.intercept(t, v, slope);
    double cost = 0;
    for (int i = 0; i < t.length; i++) {
      cost += Math.abs(v[i] - intercept - slope * t[i]);
    }
    return cost;
  }
}

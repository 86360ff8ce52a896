package tekmerion.core.weigh;

import java.util.Arrays;

/**
 * One observed finding, made ready for counting. Levels are ordered and causes combine as a
 * noisy-MAX: the level shown is the highest that any present cause, or the leak, brings about. With
 * two levels this is the noisy-OR. With F_i(k) the probability that cause i alone gives at most
 * level k,
 *
 * <pre>  P(level = k | S) = L(k)·Π F_i(k) − L(k−1)·Π F_i(k−1),  i in S</pre>
 *
 * where L is the leak's cumulative distribution and F(−1) = 0. Causes that do not bear on the
 * finding have F = 1 throughout.
 *
 * @see "Díez, F. J.: Parameter adjustment in Bayes networks: the generalized noisy OR-gate. UAI
 *     1993, pages 99–105"
 */
final class Observation {
  private final double leakAtMost;
  private final double leakBelow;
  private final double leak;
  private final double[] atMost;
  private final double[] below;
  private final int[] bearing;

  /**
   * @param level the level that was seen, 0-based
   * @param leak probability of each level without any cause, all above 0
   * @param links for each cause its distribution over the levels, or null if it does not bear
   */
  Observation(int level, double[] leak, double[][] links) {
    leakAtMost = sum(leak, level + 1);
    leakBelow = sum(leak, level);
    this.leak = positive(leakAtMost - leakBelow);
    atMost = new double[links.length];
    below = new double[links.length];
    int[] bears = new int[links.length];
    int count = 0;
    for (int i = 0; i < links.length; i++) {
      atMost[i] = links[i] == null ? 1 : sum(links[i], level + 1);
      below[i] = links[i] == null ? 1 : sum(links[i], level);
      if (bearsOn(i)) {
        bears[count++] = i;
      }
    }
    bearing = Arrays.copyOf(bears, count);
  }

  /** P(this level | exactly the causes in {@code set} are at work); above 0. */
  double likelihood(int set) {
    double high = leakAtMost;
    double low = leakBelow;
    for (int rest = set; rest != FaultSets.NONE; rest = FaultSets.withoutLast(rest)) {
      int cause = FaultSets.last(rest);
      high *= atMost[cause];
      low *= below[cause];
    }
    return positive(high - low);
  }

  /** Likelihood ratio of the set against no cause at all. */
  double ratio(int set) {
    return likelihood(set) / leak;
  }

  /**
   * Largest change in log-likelihood that any single cause makes: how much the finding can tell.
   */
  double strength() {
    double most = 0;
    for (int cause : bearing) {
      most = Math.max(most, Math.abs(Math.log(ratio(FaultSets.of(cause)))));
    }
    return most;
  }

  /** Whether the cause has a link to the finding. */
  boolean bearsOn(int cause) {
    return atMost[cause] != 1 || below[cause] != 1;
  }

  /** Every cause that has a link to the finding. */
  int[] bearing() {
    return bearing;
  }

  private static double positive(double p) {
    return Math.max(p, Double.MIN_NORMAL);
  }

  private static double sum(double[] p, int n) {
    return n >= p.length ? 1 : Arrays.stream(p, 0, n).sum();
  }

  /** What its causes change of it, each taken alone, together. */
  double alone(int set) {
    double sum = 0;
    for (int rest = set; rest != FaultSets.NONE; rest = FaultSets.withoutLast(rest)) {
      int cause = FaultSets.last(rest);
      if (bearsOn(cause)) {
        sum += 1 / ratio(FaultSets.of(cause)) - 1;
      }
    }
    return sum;
  }

  boolean bearsOnAny(int set) {
    for (int rest = set; rest != FaultSets.NONE; rest = FaultSets.withoutLast(rest)) {
      if (bearsOn(FaultSets.last(rest))) {
        return true;
      }
    }
    return false;
  }

  /** So that each observation is put right once a set: at the first member that it bears on. */
  boolean isFirstToBear(int set, int cause) {
    for (int rest = set; FaultSets.last(rest) != cause; rest = FaultSets.withoutLast(rest)) {
      if (bearsOn(FaultSets.last(rest))) {
        return false;
      }
    }
    return true;
  }
}

package tekmerion.core.weigh;

import java.util.Arrays;
import java.util.stream.IntStream;

/**
 * What was told of one finding, made ready for counting. Levels are ordered and causes combine as a
 * noisy-MAX: the level is the highest that any present cause, or the leak, brings about. With two
 * levels this is the noisy-OR. With F_i(k) the probability that cause i alone gives at most level
 * k,
 *
 * <pre>  P(level = k | S) = L(k)·Π F_i(k) − L(k−1)·Π F_i(k−1),  i in S</pre>
 *
 * where L is the leak's cumulative distribution and F(−1) = 0. Causes that do not bear on the
 * finding have F = 1 throughout. What is told is not always what holds: with w(k) the probability
 * of what was told if level k holds, P(told | S) = Σ w(k)·P(level = k | S).
 *
 * @see "Díez, F. J.: Parameter adjustment in Bayes networks: the generalized noisy OR-gate. UAI
 *     1993, pages 99–105"
 * @see "Pearl, J.: Probabilistic reasoning in intelligent systems, 1988, section 2.2.2, on virtual
 *     evidence"
 */
final class Observation {
  /** Told whatever of the causes holds. */
  private final double always;

  /** w(k) − w(k+1), of every k below the highest level for which it is not 0. */
  private final double[] weight;

  private final double[] leakAtMost;

  /** By weight and place of the cause; see {@link FaultSets#placeOfOne}. */
  private final double[][] atMost;

  private final double leak;

  /** By place of the cause. */
  private final boolean[] bears;

  private final int[] bearing;

  /** By cause, the likelihood ratio of it alone against no cause at all. */
  private final double[] ratioOf;

  /** What was told before of the same; null if nothing was. */
  private final Observation before;

  /**
   * @param level the level that holds, 0-based
   * @param leak probability of each level without any cause, all above 0
   * @param links for each cause its distribution over the levels, or null if it does not bear
   */
  Observation(int level, double[] leak, double[][] links) {
    this(Told.surely(level, leak.length), leak, links);
  }

  /**
   * @param told of each level, the probability of what was told if it holds
   */
  Observation(double[] told, double[] leak, double[][] links) {
    this(told, leak, links, null);
  }

  private Observation(double[] told, double[] leak, double[][] links, Observation before) {
    int last = leak.length - 1;
    int[] levels =
        IntStream.range(0, last).filter(level -> told[level] != told[level + 1]).toArray();
    this.before = before;
    always = told[last];
    weight = new double[levels.length];
    leakAtMost = new double[levels.length];
    atMost = new double[levels.length][links.length + 1];
    for (int k = 0; k < levels.length; k++) {
      int level = levels[k];
      weight[k] = told[level] - told[level + 1];
      leakAtMost[k] = sum(leak, level + 1);
      atMost[k][0] = 1;
      for (int i = 0; i < links.length; i++) {
        atMost[k][i + 1] = links[i] == null ? 1 : sum(links[i], level + 1);
      }
    }
    bears = new boolean[links.length + 1];
    for (int place = 1; place < bears.length; place++) {
      bears[place] = before != null && before.bears[place];
      for (double[] of : atMost) {
        bears[place] |= of[place] != 1;
      }
    }
    bearing = IntStream.range(0, links.length).filter(this::bearsOn).toArray();
    this.leak = count(FaultSets.NONE);
    ratioOf = new double[links.length];
    Arrays.fill(ratioOf, 1);
    for (int cause : bearing) {
      ratioOf[cause] = count(FaultSets.of(cause)) / this.leak;
    }
  }

  /**
   * The same finding told once more: its likelihood is that of both, given the first.
   *
   * @param both the probability of all that was told, by level
   */
  static Observation again(Observation before, double[] both, double[] leak, double[][] links) {
    return new Observation(both, leak, links, before);
  }

  /** P(what was told | exactly the causes in {@code set} are at work); above 0. */
  double likelihood(int set) {
    return bearsOnAny(set) ? count(set) : leak;
  }

  private double count(int set) {
    int one = FaultSets.placeOfOne(set);
    int two = FaultSets.placeOfTwo(set);
    int three = FaultSets.placeOfThree(set);
    double told = always;
    for (int k = 0; k < weight.length; k++) {
      double[] of = atMost[k];
      told += weight[k] * (leakAtMost[k] * of[one] * of[two] * of[three]);
    }
    return before == null ? positive(told) : positive(told) / before.likelihood(set);
  }

  /** P(what was told | no cause at all). */
  double leak() {
    return leak;
  }

  /** Likelihood ratio of the set against no cause at all. */
  double ratio(int set) {
    return bearsOnAny(set) ? count(set) / leak : 1;
  }

  /** The same of one cause alone. */
  double ratioOf(int cause) {
    return ratioOf[cause];
  }

  /**
   * Largest change in log-likelihood that any single cause makes: how much the finding can tell.
   */
  double strength() {
    double most = 0;
    for (int cause : bearing) {
      most = Math.max(most, Math.abs(Math.log(ratioOf[cause])));
    }
    return most;
  }

  /** Whether the cause has a link to the finding. */
  boolean bearsOn(int cause) {
    return bears[cause + 1];
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
        sum += 1 / ratioOf[cause] - 1;
      }
    }
    return sum;
  }

  boolean bearsOnAny(int set) {
    return bears[FaultSets.placeOfOne(set)]
        || bears[FaultSets.placeOfTwo(set)]
        || bears[FaultSets.placeOfThree(set)];
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

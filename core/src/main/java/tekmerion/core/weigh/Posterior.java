package tekmerion.core.weigh;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Exact posterior over all fault sets of up to three causes, with the sets that {@link LeftOut}
 * needs.
 *
 * <p>Weights are taken against the empty set. Adding a cause to a set multiplies its weight by at
 * most what it multiplies the empty set's by: with x = Π of {@code below/atMost} of a finding, the
 * cause's likelihood ratio is (f − g·x)/(1 − x) with f ≥ g, which grows with x, and x is largest
 * for the empty set. So the weights of smaller sets bound those of larger ones, and a set is left
 * out only if that bound, also with any one observation taken away, is below {@value #NEGLIGIBLE}
 * of what the whole is then at least, all left out together. Nothing is left out by guess. That
 * somebody complained only takes weight from sets that hardly explain it, by a factor that stands
 * in the bound.
 */
final class Posterior {
  private static final double NEGLIGIBLE = 1e-10;

  private final int causes;
  private final Complaint complaint;
  private final List<Observation> observations;

  private final Gains gains;

  private int[] sets = new int[256];
  private double[] weights = new double[256];
  private int count;

  /** Made when it is asked for. */
  private int[][] setsOf;

  private double[] probability;
  private double none;
  private double evidence;

  /**
   * @param leaveOneOut whether sets that matter only without some observation are kept as well
   */
  private Posterior(
      double[] prior, List<Observation> observations, Complaint complaint, boolean leaveOneOut) {
    if (prior.length > FaultSets.MAX_CAUSES) {
      throw new IllegalArgumentException(
          "%d causes; at most %d".formatted(prior.length, FaultSets.MAX_CAUSES));
    }
    this.causes = prior.length;
    this.complaint = complaint;
    this.observations = observations;
    gains = new Gains(prior, observations, leaveOneOut);
  }

  /**
   * @param prior of each cause, in (0, 1), independent of each other
   */
  static Posterior of(double[] prior, List<Observation> observations) {
    return of(prior, observations, Complaint.NONE);
  }

  /** The same, given that somebody complained. */
  static Posterior of(double[] prior, List<Observation> observations, Complaint complaint) {
    Posterior posterior = new Posterior(prior, observations, complaint, true);
    posterior.enumerate(NEGLIGIBLE / FaultSets.count(prior.length));
    posterior.finish();
    return posterior;
  }

  /**
   * Only the sets that have at least a share, counted without those that have less. For
   * probabilities only: {@link LeftOut} needs sets that are left out here.
   *
   * @param least as share of the whole, in (0, 1)
   */
  static Posterior heavy(
      double[] prior, List<Observation> observations, Complaint complaint, double least) {
    Posterior posterior = new Posterior(prior, observations, complaint, false);
    posterior.enumerate(least);
    posterior.finish();
    return posterior.heavy(least);
  }

  /** Of each cause, over all sets that hold it. */
  double[] probability() {
    return probability;
  }

  /** That no cause is at work. */
  double none() {
    return none;
  }

  /** The sets that matter; the empty one first. */
  int sets() {
    return count;
  }

  int set(int index) {
    return sets[index];
  }

  /** Probability of a set. */
  double share(int index) {
    return weights[index];
  }

  /**
   * With one more observation, over the sets that matter now, in the same order. For probabilities
   * only: {@link LeftOut} knows nothing of it.
   *
   * @return its {@link #evidence} is the probability of that observation
   */
  Posterior after(Observation seen) {
    return after(likelihoods(seen));
  }

  /**
   * The same, for whoever asks it of one observation many times.
   *
   * @param likelihoods of the {@link #likelihoods} of this posterior or of one from it
   */
  Posterior after(double[] likelihoods) {
    return new Posterior(this, likelihoods);
  }

  /** Of each set, the probability of what was seen. */
  double[] likelihoods(Observation seen) {
    double[] likelihoods = new double[count];
    for (int s = 0; s < count; s++) {
      likelihoods[s] = seen.likelihood(sets[s]);
    }
    return likelihoods;
  }

  /** Only the sets with at least this share, for what needs no more digits. */
  Posterior heavy(double least) {
    Posterior heavy = new Posterior(this);
    for (int s = 0; s < count; s++) {
      if (weights[s] >= least || s == 0) {
        heavy.add(sets[s], weights[s]);
      }
    }
    heavy.weights = Arrays.copyOf(heavy.weights, heavy.count);
    heavy.share(Arrays.stream(heavy.weights).sum());
    return heavy;
  }

  private Posterior(Posterior before) {
    causes = before.causes;
    complaint = before.complaint;
    observations = before.observations;
    gains = before.gains;
  }

  private Posterior(Posterior before, double[] likelihoods) {
    this(before);
    sets = before.sets;
    count = before.count;
    weights = new double[count];
    for (int s = 0; s < count; s++) {
      weights[s] = before.weights[s] * likelihoods[s];
      evidence += weights[s];
    }
    share(evidence);
  }

  /** Probability of what was added by {@link #after}. */
  double evidence() {
    return evidence;
  }

  /**
   * @param share that a set must be able to have of the whole to be kept
   */
  private void enumerate(double share) {
    double least = Math.log(share) + leastOfWhole();
    Integer[] order = IntStream.range(0, causes).boxed().toArray(Integer[]::new);
    Arrays.sort(order, Comparator.comparingDouble((Integer i) -> -gains.atMost(i)));
    keep(FaultSets.NONE, 0);
    for (int x = 0; x < causes; x++) {
      int a = order[x];
      double boundA = gains.atMost(a);
      if (withMore(boundA, boundA, 2) < least) {
        break;
      }
      keep(FaultSets.of(a), gains.of(a));
      for (int y = x + 1; y < causes; y++) {
        int b = order[y];
        double boundB = gains.atMost(b);
        if (withMore(boundA + boundB, boundB, 1) < least) {
          break;
        }
        int pair = FaultSets.with(FaultSets.of(a), b);
        double logPair = gains.of(a) + gains.of(b) + gains.together(FaultSets.of(a), b);
        keep(pair, logPair);
        double hiddenAb = gains.hiddenIn(a, b);
        double boundPair = Math.min(boundA + boundB, logPair + gains.hiddenIn(pair));
        for (int z = y + 1; z < causes; z++) {
          int c = order[z];
          if (boundPair + gains.atMost(c) < least) {
            break;
          }
          // Of the sums over three that one observation hides, half of those over the pairs.
          double all = (hiddenAb + gains.hiddenIn(a, c) + gains.hiddenIn(b, c)) / 2;
          if (gains.of(a) + gains.of(b) + gains.of(c) + all < least) {
            continue;
          }
          keep(FaultSets.with(pair, c), logPair + gains.of(c) + gains.together(pair, c));
        }
      }
    }
  }

  /** The most that a set can come to with up to so many more causes, each bounded by the last. */
  private static double withMore(double bound, double last, int more) {
    return bound + more * Math.max(0, last);
  }

  /**
   * The least that the whole can come to without any one observation, as a log: what the empty set
   * or one cause alone keeps when the observation that speaks most for it is taken away.
   */
  private double leastOfWhole() {
    double least = complaint.logLikelihood(FaultSets.NONE);
    for (int i = 0; i < causes; i++) {
      double alone = gains.atLeast(i) + complaint.logLikelihood(FaultSets.of(i));
      least = Math.max(least, alone);
    }
    return least;
  }

  private void keep(int set, double logWeight) {
    add(set, logWeight + complaint.logLikelihood(set));
  }

  private void add(int set, double weight) {
    if (count == sets.length) {
      sets = Arrays.copyOf(sets, 2 * count);
      weights = Arrays.copyOf(weights, 2 * count);
    }
    sets[count] = set;
    weights[count++] = weight;
  }

  /** From log weights to shares. */
  private void finish() {
    double highest = Double.NEGATIVE_INFINITY;
    for (int s = 0; s < count; s++) {
      highest = Math.max(highest, weights[s]);
    }
    double total = 0;
    for (int s = 0; s < count; s++) {
      weights[s] = Math.exp(weights[s] - highest);
      total += weights[s];
    }
    share(total);
  }

  private void share(double total) {
    double[] byPlace = new double[causes + 1];
    for (int s = 0; s < count; s++) {
      double share = weights[s] / total;
      weights[s] = share;
      byPlace[FaultSets.placeOfOne(sets[s])] += share;
      byPlace[FaultSets.placeOfTwo(sets[s])] += share;
      byPlace[FaultSets.placeOfThree(sets[s])] += share;
    }
    probability = Arrays.copyOfRange(byPlace, 1, causes + 1);
    none = weights[0];
  }

  /** Probability of an observation that is not in it yet: Σ P(S)·P(seen | S). */
  double probabilityOf(Observation seen) {
    double more = 0;
    int[][] setsOf = setsOf();
    for (int cause : seen.bearing()) {
      for (int s : setsOf[cause]) {
        if (seen.isFirstToBear(sets[s], cause)) {
          more += weights[s] * (seen.likelihood(sets[s]) - seen.leak());
        }
      }
    }
    return seen.leak() + more;
  }

  /** By cause, which sets hold it. */
  private int[][] setsOf() {
    if (setsOf == null) {
      int[] held = new int[causes + 1];
      for (int s = 0; s < count; s++) {
        for (int rest = sets[s]; rest != FaultSets.NONE; rest = FaultSets.withoutLast(rest)) {
          held[FaultSets.last(rest)]++;
        }
      }
      setsOf = new int[causes][];
      Arrays.setAll(setsOf, cause -> new int[held[cause]]);
      for (int s = 0; s < count; s++) {
        for (int rest = sets[s]; rest != FaultSets.NONE; rest = FaultSets.withoutLast(rest)) {
          int cause = FaultSets.last(rest);
          setsOf[cause][--held[cause]] = s;
        }
      }
    }
    return setsOf;
  }

  List<Observation> observations() {
    return observations;
  }

  /** Numbers of the observations that bear on a cause. */
  int[] findingsOf(int cause) {
    return gains.findingsOf(cause);
  }
}

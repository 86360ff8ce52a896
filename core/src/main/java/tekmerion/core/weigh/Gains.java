package tekmerion.core.weigh;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/**
 * What each cause gains by the observations, as logs against the empty set, and the most that one
 * observation alone hides or shows of a set: by these {@link Posterior} bounds what it leaves out.
 */
final class Gains {
  private final List<Observation> observations;
  private final boolean leaveOneOut;
  private final int causes;

  /** By cause: its findings, its log ratio for all of them together, what one can hide or show. */
  private final int[][] findingsOf;

  private final double[] logGain;
  private final double[] hidden;
  private final double[] shown;

  /** Not a number where it was not asked for yet. */
  private final double[] hiddenOfPairs;

  /**
   * @param prior of each cause, in (0, 1)
   * @param leaveOneOut whether what one observation hides counts
   */
  Gains(double[] prior, List<Observation> observations, boolean leaveOneOut) {
    this.observations = observations;
    this.leaveOneOut = leaveOneOut;
    causes = prior.length;
    findingsOf = new int[causes][];
    logGain = new double[causes];
    hidden = new double[causes];
    shown = new double[causes];
    int[] bearing = new int[causes];
    observations.forEach(seen -> IntStream.of(seen.bearing()).forEach(cause -> bearing[cause]++));
    Arrays.setAll(findingsOf, cause -> new int[bearing[cause]]);
    for (int o = observations.size() - 1; o >= 0; o--) {
      for (int cause : observations.get(o).bearing()) {
        findingsOf[cause][--bearing[cause]] = o;
      }
    }
    for (int i = 0; i < causes; i++) {
      logGain[i] = Math.log(prior[i]) - Math.log1p(-prior[i]);
      for (int o : findingsOf[i]) {
        double log = Math.log(observations.get(o).ratioOf(i));
        logGain[i] += log;
        if (leaveOneOut) {
          hidden[i] = Math.max(hidden[i], -log);
          shown[i] = Math.max(shown[i], log);
        }
      }
    }
    hiddenOfPairs = new double[causes * causes];
    Arrays.fill(hiddenOfPairs, Double.NaN);
  }

  /** Numbers of the observations that bear on a cause. */
  int[] findingsOf(int cause) {
    return findingsOf[cause];
  }

  /** Log of what a cause alone weighs against the empty set. */
  double of(int cause) {
    return logGain[cause];
  }

  /** The same, with the observation taken away that speaks most against it. */
  double atMost(int cause) {
    return logGain[cause] + hidden[cause];
  }

  /** The same, with the observation taken away that speaks most for it. */
  double atLeast(int cause) {
    return logGain[cause] - shown[cause];
  }

  /** Log of how much less a cause adds to this set than to the empty one; at most 0. */
  double together(int set, int cause) {
    double log = 0;
    double product = 1;
    for (int o : findingsOf[cause]) {
      Observation seen = observations.get(o);
      if (seen.bearsOnAny(set)) {
        product *= seen.ratio(FaultSets.with(set, cause)) / (seen.ratio(set) * seen.ratioOf(cause));
        if (product < 1e-100) {
          log += Math.log(product);
          product = 1;
        }
      }
    }
    return product == 1 ? log : log + Math.log(product);
  }

  /** The most that one observation alone hides of two causes together, as a log; at least 0. */
  double hiddenIn(int a, int b) {
    if (!leaveOneOut) {
      return 0;
    }
    double known = hiddenOfPairs[a * causes + b];
    if (!Double.isNaN(known)) {
      return known;
    }
    double most = Math.max(hidden[a], hidden[b]);
    for (int o : findingsOf[a]) {
      Observation seen = observations.get(o);
      if (seen.bearsOn(b)) {
        most = Math.max(most, -Math.log(seen.ratioOf(a) * seen.ratioOf(b)));
      }
    }
    hiddenOfPairs[a * causes + b] = most;
    hiddenOfPairs[b * causes + a] = most;
    return most;
  }

  /** How much heavier a set can become by taking any one observation away, as a log. */
  double hiddenIn(int set) {
    if (!leaveOneOut) {
      return 0;
    }
    double least = 1;
    for (int rest = set; rest != FaultSets.NONE; rest = FaultSets.withoutLast(rest)) {
      for (int o : findingsOf[FaultSets.last(rest)]) {
        least = Math.min(least, observations.get(o).ratio(set));
      }
    }
    return -Math.log(least);
  }
}

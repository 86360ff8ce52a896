package tekmerion.core.weigh;

import java.util.Arrays;
import java.util.List;

/**
 * Exact posterior over all fault sets of up to three causes, and for every observation the
 * posterior as it would be without it.
 *
 * @param probability of each cause, over all sets that hold it
 * @param none probability that no cause is at work
 * @param without {@code [observation][cause]}: the probability of the cause if that observation had
 *     not been made
 */
record Posterior(double[] probability, double none, double[][] without) {

  /**
   * Time O(sets × observations); 10 causes have 176 sets, 60 have 36,051.
   *
   * @param prior of each cause, in (0, 1), independent of each other
   */
  static Posterior of(double[] prior, List<Observation> observations) {
    List<int[]> sets = FaultSets.of(prior.length);
    int count = observations.size();
    double[][] logLikelihood = new double[sets.size()][count];
    double[] logWeight = logWeights(prior, sets, observations, logLikelihood);
    double[][] without = new double[count][];
    for (int o = 0; o < count; o++) {
      double[] reduced = logWeight.clone();
      for (int s = 0; s < reduced.length; s++) {
        reduced[s] -= logLikelihood[s][o];
      }
      without[o] = marginals(prior.length, sets, reduced);
    }
    double[] all = marginals(prior.length, sets, logWeight);
    return new Posterior(Arrays.copyOf(all, prior.length), all[prior.length], without);
  }

  /** Probability of each fault set, in the order of {@link FaultSets#of}. */
  static double[] ofSets(double[] prior, List<Observation> observations) {
    List<int[]> sets = FaultSets.of(prior.length);
    double[] logWeight =
        logWeights(prior, sets, observations, new double[sets.size()][observations.size()]);
    double highest = Arrays.stream(logWeight).max().orElseThrow();
    double[] share = Arrays.stream(logWeight).map(w -> Math.exp(w - highest)).toArray();
    double total = Arrays.stream(share).sum();
    return Arrays.stream(share).map(w -> w / total).toArray();
  }

  private static double[] logWeights(
      double[] prior, List<int[]> sets, List<Observation> observations, double[][] logLikelihood) {
    double[] logWeight = new double[sets.size()];
    for (int s = 0; s < sets.size(); s++) {
      int[] set = sets.get(s);
      for (int cause : set) {
        // Against the empty set, so that the absent causes' factors cancel.
        logWeight[s] += Math.log(prior[cause]) - Math.log1p(-prior[cause]);
      }
      for (int o = 0; o < observations.size(); o++) {
        logLikelihood[s][o] = Math.log(observations.get(o).likelihood(set));
        logWeight[s] += logLikelihood[s][o];
      }
    }
    return logWeight;
  }

  /** Probability of each cause, and of the empty set in the last place. */
  private static double[] marginals(int causes, List<int[]> sets, double[] logWeight) {
    double highest = Arrays.stream(logWeight).max().orElseThrow();
    double[] share = new double[causes + 1];
    double total = 0;
    for (int s = 0; s < logWeight.length; s++) {
      double weight = Math.exp(logWeight[s] - highest);
      total += weight;
      for (int cause : sets.get(s)) {
        share[cause] += weight;
      }
    }
    share[causes] = Math.exp(logWeight[0] - highest);
    for (int i = 0; i < share.length; i++) {
      share[i] /= total;
    }
    return share;
  }
}

package tekmerion.core.weigh;

import java.util.Arrays;
import java.util.List;

/**
 * What would be believed if one observation had not been made, for each of them.
 *
 * @param probability by observation and cause
 * @param likelihood by observation: the probability of it, given all the others
 */
record LeftOut(double[][] probability, double[] likelihood) {
  /** Below this share of the whole, a difference of sums would lose digits: sum anew. */
  private static final double CANCELS = 1e-3;

  /**
   * Each set's weight over its likelihood ratio. Taken first as if each cause of a set changed the
   * weight by itself, from what the causes share of all sets; then put right for the sets in which
   * an observation bears on two or three of them.
   *
   * @param faults with the sets that matter only without some observation
   */
  static LeftOut of(Posterior faults) {
    List<Observation> observations = faults.observations();
    double[] probability = faults.probability();
    int causes = probability.length;
    int n = observations.size();
    double[] totals = new double[n];
    double[][] both = both(faults, causes);
    double[][] moved = new double[n][causes];
    double[] movedTotal = new double[n];
    for (int o = 0; o < n; o++) {
      Observation seen = observations.get(o);
      for (int a : seen.bearing()) {
        double alone = 1 / seen.ratioOf(a) - 1;
        movedTotal[o] += alone * probability[a];
        for (int i = 0; i < causes; i++) {
          moved[o][i] += alone * both[a][i];
        }
      }
    }
    for (int s = 1; s < faults.sets(); s++) {
      int set = faults.set(s);
      for (int rest = set; FaultSets.withoutLast(rest) != FaultSets.NONE; ) {
        int cause = FaultSets.last(rest);
        rest = FaultSets.withoutLast(rest);
        for (int o : faults.findingsOf(cause)) {
          Observation seen = observations.get(o);
          if (seen.bearsOnAny(rest) && seen.isFirstToBear(set, cause)) {
            double more = faults.share(s) * (1 / seen.ratio(set) - 1 - seen.alone(set));
            movedTotal[o] += more;
            for (int r = set; r != FaultSets.NONE; r = FaultSets.withoutLast(r)) {
              moved[o][FaultSets.last(r)] += more;
            }
          }
        }
      }
    }
    for (int o = 0; o < n; o++) {
      double total = 1 + movedTotal[o];
      if (total < CANCELS || total > 1 / CANCELS) {
        totals[o] = anew(faults, observations.get(o), moved[o]);
        continue;
      }
      totals[o] = total;
      for (int i = 0; i < causes; i++) {
        moved[o][i] = Math.max(0, probability[i] + moved[o][i]) / total;
      }
    }
    double[] likelihood = new double[n];
    Arrays.setAll(likelihood, o -> observations.get(o).leak() / totals[o]);
    return new LeftOut(moved, likelihood);
  }

  /** Probability that two causes are both at work. */
  private static double[][] both(Posterior faults, int causes) {
    double[][] both = new double[causes][causes];
    for (int s = 1; s < faults.sets(); s++) {
      for (int a = faults.set(s); a != FaultSets.NONE; a = FaultSets.withoutLast(a)) {
        for (int b = faults.set(s); b != FaultSets.NONE; b = FaultSets.withoutLast(b)) {
          both[FaultSets.last(a)][FaultSets.last(b)] += faults.share(s);
        }
      }
    }
    return both;
  }

  /** Fills the shares without it; gives what the weights over their ratios come to. */
  private static double anew(Posterior faults, Observation left, double[] share) {
    Arrays.fill(share, 0);
    double total = 0;
    for (int s = 0; s < faults.sets(); s++) {
      double weight = faults.share(s) / left.ratio(faults.set(s));
      total += weight;
      for (int rest = faults.set(s); rest != FaultSets.NONE; rest = FaultSets.withoutLast(rest)) {
        share[FaultSets.last(rest)] += weight;
      }
    }
    for (int i = 0; i < share.length; i++) {
      share[i] /= total;
    }
    return total;
  }
}

package tekmerion.core.weigh;

import java.util.List;

/** What an answer would tell about the fault, in bits. */
final class Information {
  private static final double LOG_2 = Math.log(2);

  private Information() {}

  /**
   * Mutual information I(fault; answers) = H(answers) − H(answers | fault). The findings are
   * independent given the fault, so the joint is summed exactly over all combinations of levels:
   * time O(sets × product of the numbers of levels).
   *
   * @param findings for each open finding the observation of each of its levels
   * @return bits, at least 0; 0 if nothing is open
   */
  static double bits(Posterior faults, List<List<Observation>> findings) {
    int combinations = findings.stream().mapToInt(List::size).reduce(1, Math::multiplyExact);
    double[] marginal = new double[combinations];
    double conditional = 0;
    double[] joint = new double[combinations];
    for (int s = 0; s < faults.sets(); s++) {
      double share = faults.share(s);
      if (share < 1e-12) {
        continue; // adds less than any digit shown
      }
      joint[0] = 1;
      int filled = 1;
      for (List<Observation> levels : findings) {
        for (int level = levels.size() - 1; level >= 0; level--) {
          double p = levels.get(level).likelihood(faults.set(s));
          for (int i = 0; i < filled; i++) {
            joint[level * filled + i] = joint[i] * p;
          }
        }
        filled *= levels.size();
      }
      for (int i = 0; i < combinations; i++) {
        marginal[i] += share * joint[i];
        conditional += share * surprise(joint[i]);
      }
    }
    double entropy = 0;
    for (double p : marginal) {
      entropy += surprise(p);
    }
    return Math.max(0, entropy - conditional);
  }

  /**
   * The same of what is worth telling apart: fault sets of one group count as one fault. What only
   * tells causes apart that change no plan is worth nothing.
   *
   * @param groupOf of each set of {@code faults}, from 0
   */
  static double bits(
      Posterior faults, int[] groupOf, int groups, List<List<Observation>> findings) {
    int combinations = findings.stream().mapToInt(List::size).reduce(1, Math::multiplyExact);
    double[] joint = new double[combinations];
    double[] weight = new double[groups];
    double[][] together = new double[groups][];
    for (int s = 0; s < faults.sets(); s++) {
      double share = faults.share(s);
      if (share < 1e-12) {
        continue;
      }
      joint[0] = share;
      int filled = 1;
      for (List<Observation> levels : findings) {
        for (int level = levels.size() - 1; level >= 0; level--) {
          double p = levels.get(level).likelihood(faults.set(s));
          for (int i = 0; i < filled; i++) {
            joint[level * filled + i] = joint[i] * p;
          }
        }
        filled *= levels.size();
      }
      int group = groupOf[s];
      weight[group] += share;
      if (together[group] == null) {
        together[group] = joint.clone();
      } else {
        for (int i = 0; i < combinations; i++) {
          together[group][i] += joint[i];
        }
      }
    }
    double[] marginal = new double[combinations];
    double conditional = 0;
    for (int g = 0; g < groups; g++) {
      for (int i = 0; together[g] != null && i < combinations; i++) {
        marginal[i] += together[g][i];
        conditional += weight[g] * surprise(together[g][i] / weight[g]);
      }
    }
    double entropy = 0;
    for (double p : marginal) {
      entropy += surprise(p);
    }
    return Math.max(0, entropy - conditional);
  }

  private static double surprise(double p) {
    return p <= 0 ? 0 : -p * Math.log(p) / LOG_2;
  }
}

package tekmerion.core.weigh;

import java.util.List;

/** What an answer would tell about the fault, in bits. */
final class Information {
  private static final double LOG_2 = Math.log(2);

  /** A set with less adds less than any digit shown. */
  private static final double NEGLIGIBLE = 1e-12;

  private Information() {}

  /**
   * Mutual information I(fault; answers) = H(answers) − H(answers | fault). The findings are
   * independent given the fault, so the joint is summed exactly over all combinations of levels:
   * time O(sets + sets that differ in what bears on them × product of the numbers of levels).
   *
   * @param findings for each open finding the observation of each of its levels
   * @return bits, at least 0; 0 if nothing is open
   */
  static double bits(Posterior faults, List<List<Observation>> findings) {
    Answers answers = new Answers(faults, findings);
    double[] shares = new double[faults.sets()];
    for (int s = 0; s < faults.sets(); s++) {
      if (faults.share(s) >= NEGLIGIBLE) {
        shares[answers.alike(faults.set(s))] += faults.share(s);
      }
    }
    double[] marginal = new double[answers.combinations()];
    double conditional = 0;
    for (int alike = 0; alike < answers.size(); alike++) {
      double[] joint = answers.given(alike);
      for (int i = 0; i < joint.length; i++) {
        marginal[i] += shares[alike] * joint[i];
        conditional += shares[alike] * surprise(joint[i]);
      }
    }
    return Math.max(0, entropy(marginal) - conditional);
  }

  /**
   * The same of what is worth telling apart: fault sets of one group count as one fault. What only
   * tells causes apart that change no plan is worth nothing.
   *
   * @param groupOf of each set of {@code faults}, from 0
   */
  static double bits(
      Posterior faults, int[] groupOf, int groups, List<List<Observation>> findings) {
    Answers answers = new Answers(faults, findings);
    double[] weight = new double[groups];
    double[][] together = new double[groups][answers.combinations()];
    for (int s = 0; s < faults.sets(); s++) {
      double share = faults.share(s);
      if (share >= NEGLIGIBLE) {
        double[] joint = answers.given(answers.alike(faults.set(s)));
        weight[groupOf[s]] += share;
        for (int i = 0; i < joint.length; i++) {
          together[groupOf[s]][i] += share * joint[i];
        }
      }
    }
    double[] marginal = new double[answers.combinations()];
    double conditional = 0;
    for (int g = 0; g < groups; g++) {
      for (int i = 0; weight[g] > 0 && i < marginal.length; i++) {
        marginal[i] += together[g][i];
        conditional += weight[g] * surprise(together[g][i] / weight[g]);
      }
    }
    return Math.max(0, entropy(marginal) - conditional);
  }

  private static double entropy(double[] probabilities) {
    double entropy = 0;
    for (double p : probabilities) {
      entropy += surprise(p);
    }
    return entropy;
  }

  private static double surprise(double p) {
    return p <= 0 ? 0 : -p * Math.log(p) / LOG_2;
  }
}

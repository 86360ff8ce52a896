package tekmerion.core.weigh;

import java.util.Arrays;

/**
 * That somebody came with a complaint: a noisy-OR of the causes that can make an owner say so, and
 * of what nobody knows.
 *
 * <pre>  P(complaint | S) = 1 − (1 − u)·Π (1 − e_c),  c in S</pre>
 *
 * A cause that the complaint's family lists brings it for certain, e = 1; any other seldom, but
 * owners put things in many words: a family is evidence, not a filter. Without the complaint every
 * machine would be as likely to be sound as one that nobody brought in.
 *
 * @param brings of each cause, the probability e that it alone makes somebody come with this
 * @param unexplained the probability u that somebody comes without any of them, in (0, 1]
 */
record Complaint(double[] brings, double unexplained) {
  /** Nobody complained. */
  static final Complaint NONE = new Complaint(new double[0], 1);

  /** Log of P(complaint | S). */
  double logLikelihood(int set) {
    return brings.length == 0 ? 0 : Math.log(1 - quiet(set));
  }

  /** That a machine with this set brings nobody: (1 − u)·Π (1 − e). */
  double quiet(int set) {
    double quiet = 1 - unexplained;
    for (int rest = set; rest != FaultSets.NONE; rest = FaultSets.withoutLast(rest)) {
      quiet *= 1 - brings(FaultSets.last(rest));
    }
    return quiet;
  }

  /**
   * For each cause, the probability that it is there and brings the complaint: of a set, given the
   * complaint, a cause brings it with e / P(complaint | S).
   */
  double[] blame(Posterior faults) {
    double[] blame = new double[faults.probability().length];
    for (int s = 0; s < faults.sets(); s++) {
      double comes = brings.length == 0 ? 1 : 1 - quiet(faults.set(s));
      for (int rest = faults.set(s); rest != FaultSets.NONE; rest = FaultSets.withoutLast(rest)) {
        int cause = FaultSets.last(rest);
        blame[cause] += faults.share(s) * brings(cause) / comes;
      }
    }
    return blame;
  }

  /** Where nobody complained every cause is worth mending. */
  double brings(int cause) {
    return brings.length == 0 ? 1 : brings[cause];
  }

  /** The same complaint, if only causes that are {@code kept} could bring it. */
  Complaint keeping(boolean[] kept) {
    double[] only = Arrays.copyOf(brings, brings.length);
    for (int cause = 0; cause < only.length; cause++) {
      only[cause] = kept[cause] ? only[cause] : 0;
    }
    return new Complaint(only, unexplained);
  }
}

package tekmerion.core.weigh;

/**
 * That somebody came with a complaint: something is behind it, or hardly ever nothing that is
 * known.
 *
 * <pre>  P(complaint | S) = 1 if S holds a cause that can be behind it, else {@code unexplained}
 * </pre>
 *
 * Without it every machine would be as likely to be sound as one that nobody brought in.
 *
 * @param behind whether each cause can be behind it
 * @param unexplained how much rarer a complaint is without any such cause, in (0, 1]
 */
record Complaint(boolean[] behind, double unexplained) {
  /** Nobody complained. */
  static final Complaint NONE = new Complaint(new boolean[0], 1);

  double logUnexplained() {
    return Math.log(unexplained);
  }

  boolean isExplainedBy(int set) {
    if (behind.length == 0) {
      return true;
    }
    for (int rest = set; rest != FaultSets.NONE; rest = FaultSets.withoutLast(rest)) {
      if (behind[FaultSets.last(rest)]) {
        return true;
      }
    }
    return false;
  }
}

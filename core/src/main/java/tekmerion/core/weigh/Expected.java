package tekmerion.core.weigh;

import java.util.List;

/** What the best plan is expected to cost once somebody has looked. */
final class Expected {
  private static final int MAX_DECIDED = 27;

  private final Plans plans;
  private final Stake stake;

  Expected(Plans plans, Stake stake) {
    this.plans = plans;
    this.stake = stake;
  }

  /** Expected cost of the best plan after the outcome is seen, of the findings that tell most. */
  double cost(Posterior faults, List<List<Observation>> open) {
    int combinations = 1;
    int findings = 0;
    while (findings < open.size() && combinations * open.get(findings).size() <= MAX_DECIDED) {
      combinations *= open.get(findings++).size();
    }
    return after(
        faults,
        open.subList(0, Math.max(1, findings)).stream()
            .map(levels -> levels.stream().map(faults::likelihoods).toList())
            .toList());
  }

  /**
   * @param findings of each, and of each of its levels, the likelihood by set
   */
  private double after(Posterior before, List<List<double[]>> findings) {
    if (findings.isEmpty()) {
      return plans.least(before, stake);
    }
    double cost = 0;
    for (double[] level : findings.get(0)) {
      Posterior then = before.after(level);
      if (then.evidence() > 1e-9) {
        cost += then.evidence() * after(then, findings.subList(1, findings.size()));
      }
    }
    return cost;
  }
}

package tekmerion.core.weigh;

import static tekmerion.words.Words.say;

import java.util.List;
import java.util.Optional;
import tekmerion.core.finding.Finding;
import tekmerion.core.weigh.Network.Counted;

/**
 * Whether the findings speak against one another. Findings of one fault make each other likelier;
 * where together they are less likely than if none had to do with another, no cause that is known
 * brings them all: a slip, a second fault that is not thought of, or something that the know-how
 * does not hold. For findings y_1 … y_n
 *
 * <pre>  conflict = log2( Π P(y_i) / P(y_1 … y_n) )</pre>
 *
 * @param bits above 0 they speak against one another; 0 if there are fewer than two
 * @param most the finding that the others make least likely, beside what it was before them; empty
 *     if there are fewer than two
 * @see "Jensen, Chamond, Nordby & Jensen: Analysis in HUGIN of data conflict, UAI 1990"
 */
public record Conflict(double bits, Optional<Finding> most) {
  static final Conflict NONE = new Conflict(0, Optional.empty());

  /**
   * From here on it is told. Of machines whose cause was found about one in twenty has more, of the
   * others about one in four; see docs/evaluation.md.
   */
  private static final double TOLD_BITS = 1.5;

  /** Fault sets that are less likely than this before anything was found change no sum. */
  private static final double MIN_SHARE = 1e-5;

  /** In a sentence, with what to do; empty if it is not told. */
  String words() {
    return bits < TOLD_BITS || most.isEmpty()
        ? ""
        : say("weigh.no-known-cause-brings-all-that", "most", most.get().words());
  }

  /**
   * @param leftOut of {@code faults}
   */
  static Conflict of(Network network, Posterior faults, LeftOut leftOut) {
    List<Counted> counted = network.counted();
    if (counted.size() < 2) {
      return NONE;
    }
    Posterior before = Posterior.of(network.priors(), List.of(), network.complaint());
    double together = logTogether(network, before, faults);
    Posterior heavy = before.heavy(MIN_SHARE);
    double apart = 0;
    double least = Double.POSITIVE_INFINITY;
    Finding most = null;
    for (int o = 0; o < counted.size(); o++) {
      Counted one = counted.get(o);
      double alone = heavy.probabilityOf(one.observation());
      double gain = leftOut.likelihood()[o] / alone;
      apart += Math.log(alone);
      if (gain < least) {
        least = gain;
        most = one.finding();
      }
    }
    return new Conflict((apart - together) / Math.log(2), Optional.of(most));
  }

  /** ln P(y_1 … y_n), by Bayes' rule from the likeliest set: prior · likelihood / posterior. */
  private static double logTogether(Network network, Posterior before, Posterior faults) {
    int likeliest = 0;
    for (int s = 1; s < faults.sets(); s++) {
      likeliest = faults.share(s) > faults.share(likeliest) ? s : likeliest;
    }
    int set = faults.set(likeliest);
    double[] prior = network.priors();
    Complaint complaint = network.complaint();
    double log =
        Math.log(before.none())
            + complaint.logLikelihood(set)
            - complaint.logLikelihood(FaultSets.NONE)
            - Math.log(faults.share(likeliest));
    for (int rest = set; rest != FaultSets.NONE; rest = FaultSets.withoutLast(rest)) {
      double p = prior[FaultSets.last(rest)];
      log += Math.log(p) - Math.log1p(-p);
    }
    for (Observation seen : network.observations()) {
      log += Math.log(seen.likelihood(set));
    }
    return log;
  }
}

package tekmerion.core.weigh;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Move;
import tekmerion.core.knowhow.Remedy;

/**
 * Expected cost of every sensible plan: up to three remedies in order, with the data recovered
 * where what follows endangers it, or nothing at all. A plan is not a bundle: after each remedy
 * somebody looks whether the complaint is gone, and only if it is not comes the next. With P(S) the
 * probability of a fault set, m_k(c) the chance that the first k remedies mend cause c, and r_k the
 * probability that the complaint is there after k of them,
 *
 * <pre>
 *   cost = Σ r_(k−1)·(work_k + parts_k + owner_k + look_k) + Σ p_S·r_n(S)·K(S) + L·Σ p_c·(1 − m(c)) + data
 * </pre>
 *
 * K(S) is what it costs to look again, as somebody does before the machine is handed back, and to
 * do then what ends S, with some comebacks even so. L is what it costs to hand a machine back with
 * something broken that nobody came for: the owner comes for that next. It counts for causes that
 * were found and hardly bring this complaint. What the data risks is counted by {@link DataRisk}.
 *
 * @see "Heckerman, Breese & Rommelse: Decision-theoretic troubleshooting, CACM 38(3), 1995"
 */
final class Plans {
  /** Fault sets that are less likely than this change no plan. */
  static final double MIN_SHARE = 1e-5;

  /** Whether the data is recovered in a plan. */
  enum Copy {
    /** Where that is worth its minutes, before what endangers it. */
    IF_WORTH,
    /** Before all else, whatever it costs. */
    FIRST,
    NEVER
  }

  private final PlanTables tables;

  /**
   * @param faults whose sets are those of every posterior that is asked about
   * @param mendedBy after which the complaint was gone
   */
  Plans(KnowHow knowHow, Network network, Posterior faults, Optional<Move> mendedBy) {
    tables = new PlanTables(knowHow, network, faults, mendedBy);
  }

  /** A plan that somebody put together: its remedies in their order, nothing added. */
  Plan of(Posterior faults, Stake stake, List<Remedy> own) {
    Copy copy = own.stream().anyMatch(choices()::isRecovery) ? Copy.FIRST : Copy.NEVER;
    return new Beliefs(tables, faults).plan(stake, copy, choices().numbers(own));
  }

  Choices choices() {
    return tables.choices;
  }

  /** Probability that data is lost by a plan, by when it is copied: {@link DataRisk#WAYS}. */
  double[] lost(Posterior faults, Plan plan) {
    return new Beliefs(tables, faults).lost(choices().numbers(plan.remedies()));
  }

  /** What findings tell of causes that a plan can hang on, in bits. */
  double bits(Posterior faults, List<List<Observation>> findings) {
    return Information.bits(faults, tables.distinctOf, tables.distinct.length, findings);
  }

  /** Cheapest first. */
  List<Plan> rank(Posterior faults, Stake stake) {
    Beliefs beliefs = new Beliefs(tables, faults);
    return beliefs.sensible().stream()
        .map(chosen -> beliefs.plan(stake, Copy.IF_WORTH, chosen))
        .sorted(Comparator.comparingDouble(Plan::cost))
        .toList();
  }

  /** The first of {@link #rank}. */
  Plan best(Posterior faults, Stake stake) {
    Beliefs beliefs = new Beliefs(tables, faults);
    int[] best = {};
    double least = Double.POSITIVE_INFINITY;
    for (int[] chosen : beliefs.sensible()) {
      double cost = beliefs.sums(stake, Copy.IF_WORTH, chosen).cost();
      if (cost < least) {
        least = cost;
        best = chosen;
      }
    }
    return beliefs.plan(stake, Copy.IF_WORTH, best);
  }

  /**
   * What the best plan of at most two remedies costs. A remedy that costs more than all it could
   * mend is in no best plan, so it is not tried.
   */
  double least(Posterior faults, Stake stake) {
    Beliefs beliefs = new Beliefs(tables, faults);
    double least = beliefs.sums(stake, Copy.IF_WORTH).cost();
    for (int r = 0; r < tables.remedies.size(); r++) {
      if (beliefs.gain(r) > 0) {
        least = Math.min(least, beliefs.sums(stake, Copy.IF_WORTH, r).cost());
      }
    }
    int[] promising = beliefs.promising();
    for (int a : promising) {
      for (int b : promising) {
        if (a != b) {
          least = Math.min(least, beliefs.sums(stake, Copy.IF_WORTH, a, b).cost());
        }
      }
    }
    return least;
  }
}

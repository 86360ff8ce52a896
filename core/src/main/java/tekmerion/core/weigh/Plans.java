package tekmerion.core.weigh;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
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

  /** Of the remedies that gain most, so many are paired, and so many put in threes. */
  private static final int PAIRED = 5;

  private static final int IN_THREES = 4;

  private static final double MORE_LIKELY_THAN_NOT = 0.5;

  /**
   * Where it is likelier that nothing that we know brings it than any cause, what is not likelier
   * than this to help is not signed: to say that we do not know, and to observe, is the honest
   * plan.
   */
  private static final double SHOT_IN_THE_DARK = 1 / 3.0;

  private static final double SUSPECTED = 0.2;

  /** Below this probability a cause that seldom brings such a complaint explains none. */
  private static final double SEEN = 0.02;

  /** From here on something that nobody came for counts as found, and costs if it is left. */
  private static final double FOUND = 0.5;

  /** Whether the data is recovered in a plan. */
  enum Copy {
    /** Where that is worth its minutes, before what endangers it. */
    IF_WORTH,
    /** Before all else, whatever it costs. */
    FIRST,
    NEVER
  }

  private final Choices choices;
  private final List<Remedy> remedies;
  private final double[][] cures;

  /** By remedy, the causes that it can mend. */
  private final int[][] mends;

  private final double[] work;
  private final boolean[] behind;

  /** Between two remedies the complaint is looked for. */
  private final double lookMinutes;

  private final int causes;

  /**
   * Fault sets that differ only in causes that do not bring the complaint cost the same but for
   * what is left: the sets without those, and which of them each set of the posterior comes to.
   */
  private final int[] distinct;

  private final int[] distinctOf;

  /** What it costs of each, in minutes, if the complaint is still there when the plan is done. */
  private final double[] stays;

  private final StillThere still;
  private final DataRisk dataRisk;

  /**
   * @param faults whose sets are those of every posterior that is asked about
   * @param mendedBy after which the complaint was gone
   */
  Plans(KnowHow knowHow, Network network, Posterior faults, Optional<Move> mendedBy) {
    choices = new Choices(knowHow, network, mendedBy);
    remedies = choices.mending();
    cures = choices.cures();
    mends =
        Arrays.stream(cures)
            .map(of -> IntStream.range(0, of.length).filter(c -> of[c] > 0).toArray())
            .toArray(int[][]::new);
    causes = network.instances().size();
    lookMinutes = Recurrence.lookMinutes(network);
    work = remedies.stream().mapToDouble(Stake::work).toArray();
    double[] risk = network.instances().stream().mapToDouble(x -> x.cause().dataRisk()).toArray();
    behind = new boolean[causes];
    boolean[] counted = new boolean[causes];
    for (int c = 0; c < causes; c++) {
      behind[c] = network.isBehindComplaint(c);
      counted[c] = behind[c] || risk[c] > 0 || faults.probability()[c] >= SEEN;
    }
    distinctOf = new int[faults.sets()];
    Map<Integer, Integer> numbers = new LinkedHashMap<>();
    for (int set = 0; set < distinctOf.length; set++) {
      int next = numbers.size();
      distinctOf[set] =
          numbers.computeIfAbsent(FaultSets.only(faults.set(set), counted), k -> next);
    }
    distinct = numbers.keySet().stream().mapToInt(Integer::intValue).toArray();
    still = new StillThere(network.complaint().keeping(counted), distinct, cures);
    dataRisk = new DataRisk(still, distinct, remedies, risk);
    stays = new double[distinct.length];
    Arrays.fill(stays, Stake.COMEBACK_MINUTES);
    for (int r = 0; r < remedies.size(); r++) {
      double[] there = still.after(r);
      double costs = work[r] + remedies.get(r).parts() + remedies.get(r).owner();
      for (int d = 0; d < distinct.length; d++) {
        double fails = Math.max(Stake.LOOK_AGAIN_FAILS, there[d]);
        double minutes = Stake.LOOK_AGAIN_MINUTES + costs + fails * Stake.COMEBACK_MINUTES;
        stays[d] = Math.min(stays[d], minutes);
      }
    }
  }

  /** A plan that somebody put together: its remedies in their order, nothing added. */
  Plan of(Posterior faults, Stake stake, List<Remedy> own) {
    Copy copy = own.stream().anyMatch(choices::isRecovery) ? Copy.FIRST : Copy.NEVER;
    return new Beliefs(faults).plan(stake, copy, choices.numbers(own));
  }

  Choices choices() {
    return choices;
  }

  /** Probability that data is lost by a plan, by when it is copied: {@link DataRisk#WAYS}. */
  double[] lost(Posterior faults, Plan plan) {
    return new Beliefs(faults).lost(choices.numbers(plan.remedies()));
  }

  /** What findings tell of causes that a plan can hang on, in bits. */
  double bits(Posterior faults, List<List<Observation>> findings) {
    return Information.bits(faults, distinctOf, distinct.length, findings);
  }

  /** Cheapest first. */
  List<Plan> rank(Posterior faults, Stake stake) {
    Beliefs beliefs = new Beliefs(faults);
    return beliefs.sensible().stream()
        .map(chosen -> beliefs.plan(stake, Copy.IF_WORTH, chosen))
        .sorted(Comparator.comparingDouble(Plan::cost))
        .toList();
  }

  /** The first of {@link #rank}. */
  Plan best(Posterior faults, Stake stake) {
    Beliefs beliefs = new Beliefs(faults);
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
    Beliefs beliefs = new Beliefs(faults);
    double least = beliefs.sums(stake, Copy.IF_WORTH).cost();
    for (int r = 0; r < remedies.size(); r++) {
      if (beliefs.gains[r] > 0) {
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

  /**
   * What a plan comes to, in minutes where nothing else is said.
   *
   * @param reached probability that each of its remedies is needed
   * @param copyAt before which of them the data is recovered; -1 if it is not
   * @param copyReached probability that this is needed
   * @param lost probability that data is lost
   * @param there probability that the complaint is still there when all is done
   */
  private record Sums(
      double[] reached,
      int copyAt,
      double copyReached,
      double minutes,
      double parts,
      double owner,
      double comeback,
      double data,
      double lost,
      double there) {
    double cost() {
      return minutes + parts + owner + comeback + data;
    }
  }

  /** What is believed to be at fault, and what plans come to by it. */
  private final class Beliefs {
    private final double[] probability;

    /** Of each distinct set of causes that bring the complaint. */
    private final double[] shares = new double[distinct.length];

    /** That nothing that we know brings it. */
    private final double none;

    /** Of the likeliest cause. */
    private final double most;

    /** Causes that were found, and that nobody came for. */
    private final int[] found;

    /** By remedy, what it saves of each cause, less its work and parts. */
    private final double[] gains = new double[remedies.size()];

    Beliefs(Posterior faults) {
      probability = faults.probability();
      none = faults.none();
      most = Arrays.stream(probability).max().orElse(0);
      for (int s = 0; s < faults.sets(); s++) {
        shares[distinctOf[s]] += faults.share(s);
      }
      found =
          IntStream.range(0, causes).filter(c -> !behind[c] && probability[c] >= FOUND).toArray();
      for (int r = 0; r < gains.length; r++) {
        for (int c : mends[r]) {
          double left = probability[c] >= FOUND ? Stake.LEFT_BROKEN_MINUTES : 0;
          double costs = behind[c] ? Stake.COMEBACK_MINUTES : left;
          gains[r] += costs * probability[c] * cures[r][c];
        }
        gains[r] -= work[r] + remedies.get(r).parts() + remedies.get(r).owner();
      }
    }

    /** Nothing, each remedy by itself, and those that gain most in twos and threes, by number. */
    List<int[]> sensible() {
      List<int[]> sensible = new ArrayList<>();
      sensible.add(new int[0]);
      for (int r = 0; r < remedies.size(); r++) {
        sensible.add(new int[] {r});
      }
      int[] promising = promising();
      for (int a : promising) {
        for (int b : promising) {
          if (a != b) {
            sensible.add(new int[] {a, b});
          }
        }
      }
      int[] few = Arrays.copyOf(promising, Math.min(IN_THREES, promising.length));
      for (int a : few) {
        for (int b : few) {
          for (int c : few) {
            if (a != b && b != c && a != c) {
              sensible.add(new int[] {a, b, c});
            }
          }
        }
      }
      return sensible;
    }

    /**
     * The remedies that gain most by themselves, and none that gains nothing: what is worth
     * pairing. Where two causes hold, no single remedy ends the complaint, but each of two gains.
     */
    int[] promising() {
      return IntStream.range(0, gains.length)
          .filter(r -> gains[r] > 0)
          .boxed()
          .sorted(Comparator.comparingDouble((Integer r) -> gains[r]).reversed())
          .limit(PAIRED)
          .mapToInt(Integer::intValue)
          .toArray();
    }

    /** Expected minutes of what comes after these remedies, where the complaint is still there. */
    private double costsAfter(int... chosen) {
      double[] there = still.after(chosen);
      double cost = 0;
      for (int d = 0; d < shares.length; d++) {
        cost += shares[d] * there[d] * stays[d];
      }
      return cost;
    }

    private double goneAfter(int... chosen) {
      double[] after = still.goneAfter(chosen);
      double gone = 0;
      for (int d = 0; d < shares.length; d++) {
        gone += shares[d] * after[d];
      }
      return gone;
    }

    /** That the complaint is still there after these remedies. */
    private double isThereAfter(int... chosen) {
      double[] after = still.after(chosen);
      double there = 0;
      for (int d = 0; d < shares.length; d++) {
        there += shares[d] * after[d];
      }
      return there;
    }

    Plan plan(Stake stake, Copy when, int... chosen) {
      Sums sums = sums(stake, when, chosen);
      List<Remedy> list = new ArrayList<>(named(chosen));
      List<Double> needed = new ArrayList<>(Arrays.stream(sums.reached()).boxed().toList());
      if (sums.copyAt() >= 0) {
        list.add(sums.copyAt(), choices.recovery().orElseThrow());
        needed.add(sums.copyAt(), sums.copyReached());
      }
      return new Plan(
          list,
          needed,
          sums.minutes(),
          sums.parts(),
          sums.owner(),
          sums.comeback(),
          sums.data(),
          sums.lost() * stake.wanted(),
          sums.there(),
          goneAfter(chosen));
    }

    /** Only where it is free to copy is it asked whether anybody would sign it. */
    Sums sums(Stake stake, Copy when, int... chosen) {
      double[] reached = new double[chosen.length];
      double there = chosen.length == 0 ? isThereAfter() : 1;
      double minutes = 0;
      double parts = 0;
      double owner = 0;
      int risky = -1;
      boolean blind = false;
      for (int k = 0; k < chosen.length; k++) {
        int r = chosen[k];
        Remedy remedy = remedies.get(r);
        reached[k] = there;
        // Nobody signs for setting a system up anew before it was seen that less does not end it.
        blind |= remedy.owner() > 0 && reached[k] < MORE_LIKELY_THAN_NOT;
        int spent = k == 0 ? 0 : Plan.spentBefore(named(chosen), k);
        double look = k == chosen.length - 1 ? 0 : lookMinutes;
        minutes += reached[k] * (work[r] - spent + look);
        parts += reached[k] * remedy.parts();
        owner += reached[k] * remedy.owner();
        risky = risky < 0 && DataRisk.isRisky(remedy) ? k : risky;
        there = isThereAfter(Arrays.copyOf(chosen, k + 1));
        blind |=
            none > most && (reached[k] - there < SHOT_IN_THE_DARK || likeliestOf(r) < SUSPECTED);
      }
      double[] ways = lost(chosen);
      double lost = ways[DataRisk.UNCOPIED];
      int copyAt = -1;
      if (choices.recovery().isPresent() && when != Copy.NEVER) {
        Remedy copy = choices.recovery().get();
        double costs = Stake.work(copy) + copy.parts();
        double first = costs + ways[DataRisk.COPIED_FIRST] * stake.dataLossMinutes();
        double later =
            risky < 0
                ? Double.POSITIVE_INFINITY
                : reached[risky] * costs
                    + ways[DataRisk.COPIED_BEFORE_RISK] * stake.dataLossMinutes();
        if (when == Copy.FIRST || Math.min(first, later) < lost * stake.dataLossMinutes()) {
          boolean atOnce = when == Copy.FIRST || first <= later;
          copyAt = atOnce ? 0 : risky;
          minutes += (atOnce ? 1 : reached[risky]) * Stake.work(copy);
          parts += (atOnce ? 1 : reached[risky]) * copy.parts();
          lost = ways[atOnce ? DataRisk.COPIED_FIRST : DataRisk.COPIED_BEFORE_RISK];
        }
      }
      double left = 0;
      for (int c : found) {
        double broken = probability[c];
        for (int k = 0; k < chosen.length; k++) {
          broken *= 1 - reached[k] * cures[chosen[k]][c];
        }
        left += broken;
      }
      boolean nobodySigns = blind && when == Copy.IF_WORTH;
      return new Sums(
          reached,
          copyAt,
          copyAt <= 0 ? 1 : reached[copyAt],
          minutes,
          parts,
          owner,
          nobodySigns
              ? Double.POSITIVE_INFINITY
              : costsAfter(chosen) + Stake.LEFT_BROKEN_MINUTES * left,
          lost * stake.dataLossMinutes(),
          lost,
          there);
    }

    private List<Remedy> named(int[] chosen) {
      return Arrays.stream(chosen).mapToObj(remedies::get).toList();
    }

    /** Probability that data is lost after these remedies, by when it is copied. */
    private double[] lost(int... chosen) {
      double[][] ofSets = dataRisk.lost(chosen);
      double[] lost = new double[DataRisk.WAYS];
      for (int way = 0; way < DataRisk.WAYS; way++) {
        double[] ofWay = ofSets[way];
        double sum = 0;
        for (int d = 0; d < shares.length; d++) {
          sum += shares[d] * ofWay[d];
        }
        lost[way] = sum;
      }
      return lost;
    }

    /** Of what a remedy mends. */
    private double likeliestOf(int remedy) {
      double likeliest = 0;
      for (int c : mends[remedy]) {
        likeliest = Math.max(likeliest, probability[c]);
      }
      return likeliest;
    }
  }
}

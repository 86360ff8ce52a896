package tekmerion.core.weigh;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import tekmerion.core.knowhow.Remedy;

/**
 * What is believed to be at fault, and what plans come to by it: the sum that {@link Plans} tells.
 */
final class Beliefs {
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

  /** From here on something that nobody came for counts as found, and costs if it is left. */
  private static final double FOUND = 0.5;

  private final PlanTables tables;
  private final List<Remedy> remedies;
  private final double[][] cures;
  private final double[] work;
  private final double[] probability;

  /** Of each distinct set of causes that bring the complaint. */
  private final double[] shares;

  /** That nothing that we know brings it. */
  private final double none;

  /** Of the likeliest cause. */
  private final double most;

  /** Causes that were found, and that nobody came for. */
  private final int[] found;

  /** By remedy, what it saves of each cause, less its work and parts. */
  private final double[] gains;

  Beliefs(PlanTables tables, Posterior faults) {
    this.tables = tables;
    remedies = tables.remedies;
    cures = tables.cures;
    work = tables.work;
    shares = new double[tables.distinct.length];
    gains = new double[remedies.size()];
    probability = faults.probability();
    none = faults.none();
    most = Arrays.stream(probability).max().orElse(0);
    for (int s = 0; s < faults.sets(); s++) {
      shares[tables.distinctOf[s]] += faults.share(s);
    }
    found =
        IntStream.range(0, tables.causes())
            .filter(c -> !tables.behind[c] && probability[c] >= FOUND)
            .toArray();
    for (int r = 0; r < gains.length; r++) {
      for (int c : tables.mends[r]) {
        double left = probability[c] >= FOUND ? Stake.LEFT_BROKEN_MINUTES : 0;
        double costs = tables.behind[c] ? Stake.COMEBACK_MINUTES : left;
        gains[r] += costs * probability[c] * cures[r][c];
      }
      gains[r] -= work[r] + remedies.get(r).parts() + remedies.get(r).owner();
    }
  }

  /** What a remedy by itself saves, less its work and parts, in minutes. */
  double gain(int remedy) {
    return gains[remedy];
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
   * The remedies that gain most by themselves, and none that gains nothing: what is worth pairing.
   * Where two causes hold, no single remedy ends the complaint, but each of two gains.
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
    double[] there = tables.still.after(chosen);
    double cost = 0;
    for (int d = 0; d < shares.length; d++) {
      cost += shares[d] * there[d] * tables.stays[d];
    }
    return cost;
  }

  private double goneAfter(int... chosen) {
    double[] after = tables.still.goneAfter(chosen);
    double gone = 0;
    for (int d = 0; d < shares.length; d++) {
      gone += shares[d] * after[d];
    }
    return gone;
  }

  /** That the complaint is still there after these remedies. */
  private double isThereAfter(int... chosen) {
    double[] after = tables.still.after(chosen);
    double there = 0;
    for (int d = 0; d < shares.length; d++) {
      there += shares[d] * after[d];
    }
    return there;
  }

  Plan plan(Stake stake, Plans.Copy when, int... chosen) {
    PlanSums sums = sums(stake, when, chosen);
    List<Remedy> list = new ArrayList<>(named(chosen));
    List<Double> needed = new ArrayList<>(Arrays.stream(sums.reached()).boxed().toList());
    if (sums.copyAt() >= 0) {
      list.add(sums.copyAt(), tables.choices.recovery().orElseThrow());
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
  PlanSums sums(Stake stake, Plans.Copy when, int... chosen) {
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
      double look = k == chosen.length - 1 ? 0 : tables.lookMinutes;
      minutes += reached[k] * (work[r] - spent + look);
      parts += reached[k] * remedy.parts();
      owner += reached[k] * remedy.owner();
      risky = risky < 0 && DataRisk.isRisky(remedy) ? k : risky;
      there = isThereAfter(Arrays.copyOf(chosen, k + 1));
      blind |= none > most && (reached[k] - there < SHOT_IN_THE_DARK || likeliestOf(r) < SUSPECTED);
    }
    double[] ways = lost(chosen);
    double lost = ways[DataRisk.UNCOPIED];
    int copyAt = -1;
    if (tables.choices.recovery().isPresent() && when != Plans.Copy.NEVER) {
      Remedy copy = tables.choices.recovery().get();
      double costs = Stake.work(copy) + copy.parts();
      double first = costs + ways[DataRisk.COPIED_FIRST] * stake.dataLossMinutes();
      double later =
          risky < 0
              ? Double.POSITIVE_INFINITY
              : reached[risky] * costs
                  + ways[DataRisk.COPIED_BEFORE_RISK] * stake.dataLossMinutes();
      if (when == Plans.Copy.FIRST || Math.min(first, later) < lost * stake.dataLossMinutes()) {
        boolean atOnce = when == Plans.Copy.FIRST || first <= later;
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
    boolean nobodySigns = blind && when == Plans.Copy.IF_WORTH;
    return new PlanSums(
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
  double[] lost(int... chosen) {
    double[][] ofSets = tables.dataRisk.lost(chosen);
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
    for (int c : tables.mends[remedy]) {
      likeliest = Math.max(likeliest, probability[c]);
    }
    return likeliest;
  }
}

package tekmerion.core.weigh;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import tekmerion.core.decision.Course;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Remedy;

/**
 * Expected cost of every sensible combination of remedies: one or two of them, with the data
 * recovered first where what follows endangers it, or nothing at all. With P(S) the probability of
 * a fault set and m(c) the chance that the plan mends cause c,
 *
 * <pre>  cost = minutes + parts + K·Σ P(S)·(1 − Π m(c)) + D·(1 − Π (1 − risk)),  c in S</pre>
 *
 * taken over causes that can be behind the complaint, where one of the risks is that a failing
 * drive dies with what is on it, whatever is done, K is what a comeback costs and D what the data
 * weighs.
 *
 * @see "Heckerman, Breese & Rommelse: Decision-theoretic troubleshooting, CACM 38(3), 1995"
 */
final class Plans {
  private static final int PAIRED = 6;

  /**
   * One change at a time: between two remedies the complaint is checked, and one too many hides.
   */
  private static final double CHECK_MINUTES = 15;

  /** What the data risks from a course before it is copied; judgement, range half to double. */
  private static final double WRITING_RISK = 0.04;

  private static final double FAILING_DRIVE_RISK = 0.35;

  /** Recovery itself: from a sound drive, and how much worse from a failing one. */
  private static final double RECOVERY_FAILS = 0.02;

  private static final double RECOVERY_FAILS_MORE = 0.1;

  private final List<Remedy> remedies;
  private final Optional<Remedy> recovery;
  private final double[][] cures;
  private final double[] dataRisk;
  private final boolean[] behind;
  private final int causes;

  /**
   * Fault sets that differ only in causes that nobody came for cost the same: the sets without
   * those, and which of them each set of the posterior comes to.
   */
  private final int[] distinct;

  private final int[] distinctOf;

  /**
   * @param faults whose sets are those of every posterior that is asked about
   */
  Plans(KnowHow knowHow, Network network, Posterior faults) {
    recovery =
        knowHow.remedies().stream()
            .filter(r -> r.course() == Course.RECOVER_DATA && r.cures().isEmpty())
            .findFirst();
    remedies =
        knowHow.remedies().stream().filter(r -> recovery.isEmpty() || r != recovery.get()).toList();
    causes = network.instances().size();
    cures = new double[remedies.size()][causes];
    for (int r = 0; r < remedies.size(); r++) {
      for (int c = 0; c < causes; c++) {
        String cause = network.instances().get(c).cause().id();
        cures[r][c] = remedies.get(r).cures().getOrDefault(cause, 0.0);
      }
    }
    dataRisk = network.instances().stream().mapToDouble(x -> x.cause().dataRisk()).toArray();
    behind = new boolean[causes];
    for (int c = 0; c < causes; c++) {
      behind[c] = network.isBehindComplaint(c);
    }
    distinctOf = new int[faults.sets()];
    Map<Integer, Integer> numbers = new LinkedHashMap<>();
    for (int set = 0; set < distinctOf.length; set++) {
      int next = numbers.size();
      distinctOf[set] =
          numbers.computeIfAbsent(behindComplaint(faults.set(set), behind), k -> next);
    }
    distinct = numbers.keySet().stream().mapToInt(Integer::intValue).toArray();
  }

  /** The same set without causes that cannot be behind the complaint, in the order of numbers. */
  private static int behindComplaint(int set, boolean[] behind) {
    int[] kept = new int[FaultSets.MAX];
    int count = 0;
    for (int rest = set; rest != FaultSets.NONE; rest = FaultSets.withoutLast(rest)) {
      if (behind[FaultSets.last(rest)]) {
        kept[count++] = FaultSets.last(rest);
      }
    }
    Arrays.sort(kept, 0, count);
    int others = FaultSets.NONE;
    for (int i = 0; i < count; i++) {
      others = FaultSets.with(others, kept[i]);
    }
    return others;
  }

  /** Cheapest first. */
  List<Plan> rank(Posterior faults, Stake stake) {
    Beliefs beliefs = beliefs(faults);
    List<Plan> singles = new ArrayList<>();
    for (int r = 0; r < remedies.size(); r++) {
      singles.add(plan(new int[] {r}, beliefs, stake));
    }
    int[] promising = promising(faults);
    List<Plan> plans = new ArrayList<>(singles);
    plans.add(plan(new int[0], beliefs, stake));
    for (int a = 0; a < promising.length; a++) {
      for (int b = a + 1; b < promising.length; b++) {
        plans.add(plan(gentlerFirst(promising[a], promising[b]), beliefs, stake));
      }
    }
    plans.sort(Comparator.comparingDouble(Plan::cost));
    return plans;
  }

  /**
   * What the best plan costs. A remedy that costs more than all it could mend is in no best plan,
   * so it is not tried.
   */
  double least(Posterior faults, Stake stake) {
    Beliefs beliefs = beliefs(faults);
    double least = plan(new int[0], beliefs, stake).cost();
    for (int r = 0; r < remedies.size(); r++) {
      if (gain(r, faults) > 0) {
        least = Math.min(least, plan(new int[] {r}, beliefs, stake).cost());
      }
    }
    int[] promising = promising(faults);
    for (int a = 0; a < promising.length; a++) {
      for (int b = a + 1; b < promising.length; b++) {
        int[] both = gentlerFirst(promising[a], promising[b]);
        least = Math.min(least, plan(both, beliefs, stake).cost());
      }
    }
    return least;
  }

  /**
   * The remedies that gain most by themselves, and none that gains nothing: what is worth pairing.
   * Where two causes hold, no single remedy ends the complaint, but each of two gains.
   */
  private int[] promising(Posterior faults) {
    double[] gains = new double[remedies.size()];
    for (int r = 0; r < gains.length; r++) {
      gains[r] = gain(r, faults);
    }
    return IntStream.range(0, gains.length)
        .filter(r -> gains[r] > 0)
        .boxed()
        .sorted(Comparator.comparingDouble((Integer r) -> gains[r]).reversed())
        .limit(PAIRED)
        .mapToInt(Integer::intValue)
        .toArray();
  }

  /** What it saves of each cause behind the complaint, less its work and parts. */
  private double gain(int remedy, Posterior faults) {
    double mended = 0;
    for (int c = 0; c < causes; c++) {
      mended += behind[c] ? faults.probability()[c] * cures[remedy][c] : 0;
    }
    Remedy r = remedies.get(remedy);
    double own = r.minutes().get(0) + Stake.WAITING * r.minutes().get(1) + r.parts();
    return Stake.COMEBACK_MINUTES * mended - own;
  }

  private int[] gentlerFirst(int a, int b) {
    return remedies.get(a).invasiveness().compareTo(remedies.get(b).invasiveness()) <= 0
        ? new int[] {a, b}
        : new int[] {b, a};
  }

  /**
   * @param shares probability of each distinct set of causes behind the complaint
   * @param drive probability that a drive is failing
   * @param dies that it takes its data along
   */
  private record Beliefs(double[] shares, double drive, double dies) {}

  private Beliefs beliefs(Posterior faults) {
    double[] shares = new double[distinct.length];
    for (int s = 0; s < faults.sets(); s++) {
      shares[distinctOf[s]] += faults.share(s);
    }
    double drive = 0;
    double dies = 0;
    for (int cause = 0; cause < causes; cause++) {
      if (dataRisk[cause] > 0) {
        drive += faults.probability()[cause];
        dies += faults.probability()[cause] * dataRisk[cause];
      }
    }
    return new Beliefs(shares, Math.min(1, drive), Math.min(1, dies));
  }

  private Plan plan(int[] chosen, Beliefs beliefs, Stake stake) {
    double risk = beliefs.dies();
    double minutes = CHECK_MINUTES * Math.max(0, chosen.length - 1);
    double parts = 0;
    List<Remedy> list = new ArrayList<>();
    double[] mends = new double[causes];
    for (int r : chosen) {
      Remedy remedy = remedies.get(r);
      list.add(remedy);
      minutes += remedy.minutes().get(0) + Stake.WAITING * remedy.minutes().get(1);
      parts += remedy.parts();
      risk = 1 - (1 - risk) * (1 - risk(remedy, beliefs.drive()));
      for (int c = 0; c < causes; c++) {
        mends[c] = 1 - (1 - mends[c]) * (1 - cures[r][c]);
      }
    }
    double data = risk * stake.dataLossMinutes();
    if (recovery.isPresent()) {
      Remedy copy = recovery.get();
      double work = copy.minutes().get(0) + Stake.WAITING * copy.minutes().get(1);
      double lost = data * (RECOVERY_FAILS + RECOVERY_FAILS_MORE * beliefs.drive());
      if (lost + work + copy.parts() < data) {
        list.add(0, copy);
        minutes += work;
        parts += copy.parts();
        data = lost;
      }
    }
    double fails = 0;
    for (int d = 0; d < distinct.length; d++) {
      double mended = 1;
      for (int rest = distinct[d];
          rest != FaultSets.NONE && mended > 0;
          rest = FaultSets.withoutLast(rest)) {
        mended *= mends[FaultSets.last(rest)];
      }
      fails += beliefs.shares()[d] * (1 - mended);
    }
    return new Plan(list, minutes, parts, Stake.COMEBACK_MINUTES * fails, data, fails);
  }

  /** What this remedy risks of data that is not copied. */
  private static double risk(Remedy remedy, double drive) {
    return switch (remedy.invasiveness()) {
      case ERASES -> 1;
      case WRITES_TO_DRIVE -> WRITING_RISK + FAILING_DRIVE_RISK * drive;
      default -> 0; // a drive that is replaced is kept until its data is
    };
  }
}

package tekmerion.core.weigh;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Move;
import tekmerion.core.knowhow.Remedy;

/**
 * What plans come to whatever is believed: the remedies by number, what each can mend and costs,
 * and of every fault set what it comes to where the complaint stays. Made once for a weighing, and
 * asked of many beliefs ({@link Beliefs}).
 */
final class PlanTables {
  /** Below this probability a cause that seldom brings such a complaint explains none. */
  private static final double SEEN = 0.02;

  final Choices choices;
  final List<Remedy> remedies;
  final double[][] cures;

  /** By remedy, the causes that it can mend. */
  final int[][] mends;

  final double[] work;
  final boolean[] behind;

  /** Between two remedies the complaint is looked for. */
  final double lookMinutes;

  /**
   * Fault sets that differ only in causes that do not bring the complaint cost the same but for
   * what is left: the sets without those, and which of them each set of the posterior comes to.
   */
  final int[] distinct;

  final int[] distinctOf;

  /** What it costs of each, in minutes, if the complaint is still there when the plan is done. */
  final double[] stays;

  final StillThere still;
  final DataRisk dataRisk;

  /**
   * @param faults whose sets are those of every posterior that is asked about
   * @param mendedBy after which the complaint was gone
   */
  PlanTables(KnowHow knowHow, Network network, Posterior faults, Optional<Move> mendedBy) {
    choices = new Choices(knowHow, network, mendedBy);
    remedies = choices.mending();
    cures = choices.cures();
    mends =
        Arrays.stream(cures)
            .map(of -> IntStream.range(0, of.length).filter(c -> of[c] > 0).toArray())
            .toArray(int[][]::new);
    int causes = network.instances().size();
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

  /** Causes that can be at work; numbers of causes are below. */
  int causes() {
    return behind.length;
  }
}

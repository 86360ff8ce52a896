package tekmerion.core.weigh;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import tekmerion.core.knowhow.Remedy;

/**
 * Of each fault set, the probability that data on the drive is lost by a plan. Three things lose
 * it: a failing drive dies with what is on it whatever is done, a remedy that writes may destroy
 * it, one that erases does. With d(S) the first, ρ_k(S) the risk of the k-th remedy and r_k(S) the
 * probability that the complaint is there after k of them, r_0 = 1,
 *
 * <pre>
 *   kept(S) = (1 − d(S)) · ( Σ_k (r_(k−1) − r_k) · Π_(j≤k) (1 − ρ_j) + r_n · Π_(j≤n) (1 − ρ_j) )
 * </pre>
 *
 * as each remedy is done only if the complaint is still there. It is the same whatever is believed,
 * so it is counted once.
 */
final class DataRisk {
  /** What a course that writes risks before the data is copied; judgement, range half to double. */
  static final double WRITING = 0.04;

  /** How much more if the drive is failing. */
  static final double WRITING_TO_FAILING = 0.35;

  /** A failing drive dies in an hour of work. Judgement, range a third to three times. */
  static final double DIES_PER_LOADED_HOUR = 0.05;

  /** Recovery itself: from a sound drive, and how much worse from a failing one. */
  static final double RECOVERY_FAILS = 0.02;

  static final double RECOVERY_FAILS_MORE = 0.1;

  /** Places in what is given for a set. */
  static final int UNCOPIED = 0;

  static final int COPIED_FIRST = 1;
  static final int COPIED_BEFORE_RISK = 2;
  static final int WAYS = 3;

  private final StillThere still;
  private final List<Remedy> remedies;
  private final boolean[] failing;
  private final double[] dies;
  private final Map<Integer, double[][]> known = new HashMap<>();

  /**
   * @param sets those of {@code still}
   * @param dataRisk by cause, the probability that it takes the data along; above 0 it is a failing
   *     drive
   */
  DataRisk(StillThere still, int[] sets, List<Remedy> remedies, double[] dataRisk) {
    this.still = still;
    this.remedies = remedies;
    failing = new boolean[sets.length];
    dies = new double[sets.length];
    for (int s = 0; s < sets.length; s++) {
      double lives = 1;
      for (int rest = sets[s]; rest != FaultSets.NONE; rest = FaultSets.withoutLast(rest)) {
        double risk = dataRisk[FaultSets.last(rest)];
        failing[s] |= risk > 0;
        lives *= 1 - risk;
      }
      dies[s] = 1 - lives;
    }
  }

  /** Whether a remedy can lose what is not copied. */
  static boolean isRisky(Remedy remedy) {
    return switch (remedy.invasiveness()) {
      case ERASES, WRITES_TO_DRIVE -> true;
      default -> false; // a drive that is replaced is kept until its data is
    };
  }

  private static double risk(Remedy remedy, boolean failing) {
    return switch (remedy.invasiveness()) {
      case ERASES -> 1;
      case WRITES_TO_DRIVE -> WRITING + (failing ? WRITING_TO_FAILING : 0);
      default -> 0;
    };
  }

  /**
   * @param chosen remedies by number, in order, at most three
   * @return by way and set: without a copy, with one before all else, with one just before the
   *     first remedy that can lose it; not to be changed
   */
  double[][] lost(int... chosen) {
    int key = 0;
    for (int r : chosen) {
      key = key * (remedies.size() + 1) + r + 1;
    }
    return known.computeIfAbsent(key, k -> count(chosen));
  }

  private double[][] count(int[] chosen) {
    double[][] lost = new double[WAYS][dies.length];
    double[][] there = new double[chosen.length][];
    for (int k = 0; k < chosen.length; k++) {
      there[k] = still.after(Arrays.copyOf(chosen, k + 1));
    }
    for (int s = 0; s < dies.length; s++) {
      double unharmed = 1;
      double reached = 1;
      double kept = chosen.length == 0 ? 1 : 0;
      for (int k = 0; k < chosen.length; k++) {
        unharmed *= 1 - risk(remedies.get(chosen[k]), failing[s]);
        double goesOn = k == chosen.length - 1 ? 0 : there[k][s];
        kept += (reached - goesOn) * unharmed;
        reached = goesOn;
      }
      double fails = RECOVERY_FAILS + (failing[s] ? RECOVERY_FAILS_MORE : 0);
      double uncopied = 1 - (1 - dies[s]) * kept;
      lost[UNCOPIED][s] = uncopied;
      lost[COPIED_FIRST][s] = fails * uncopied;
      lost[COPIED_BEFORE_RISK][s] = 1 - (1 - dies[s]) * (1 - fails * (1 - kept));
    }
    return lost;
  }
}

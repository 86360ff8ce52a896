package tekmerion.core.weigh;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;

/**
 * Of each fault set, the probability that the complaint is still there after some remedies. It is
 * the same whatever is believed, so it is counted once.
 */
final class StillThere {
  private final Complaint complaint;
  private final int[] sets;
  private final double[] quiet;
  private final double[][] cures;
  private final Map<Integer, double[]> known = new HashMap<>();
  private final Map<Integer, double[]> knownGone = new HashMap<>();

  /**
   * @param cures by remedy and cause, the probability that it mends it
   */
  StillThere(Complaint complaint, int[] sets, double[][] cures) {
    this(complaint, sets, Arrays.stream(sets).mapToDouble(complaint::quiet).toArray(), cures);
  }

  private StillThere(Complaint complaint, int[] sets, double[] quiet, double[][] cures) {
    this.complaint = complaint;
    this.sets = sets;
    this.quiet = quiet;
    this.cures = cures;
  }

  /** The same sets with other cures. */
  StillThere with(double[][] otherCures) {
    return new StillThere(complaint, sets, quiet, otherCures);
  }

  /**
   * @param remedies by number, at most three; their order does not matter
   * @return by set, not to be changed
   */
  double[] after(int... remedies) {
    return known.computeIfAbsent(key(remedies), k -> count(remedies));
  }

  /**
   * Of each set, the probability that the complaint is gone when all is done and it is not still
   * there: nothing that nobody knows of may have brought it either. While a plan is carried out
   * that is taken as not seen, as it has no remedy.
   *
   * @return by set, not to be changed
   */
  double[] goneAfter(int... remedies) {
    return knownGone.computeIfAbsent(key(remedies), k -> countGone(after(remedies)));
  }

  /** The same for the same remedies in any order. */
  private int key(int[] remedies) {
    int[] inOrder = remedies.clone();
    Arrays.sort(inOrder);
    int key = 0;
    for (int r : inOrder) {
      key = key * (cures.length + 1) + r + 1;
    }
    return key;
  }

  private double[] countGone(double[] stillThere) {
    double[] gone = new double[sets.length];
    for (int s = 0; s < gone.length; s++) {
      double silent = (1 - stillThere[s]) * (1 - quiet[s]) + quiet[s];
      double known = (1 - complaint.unexplained()) * silent - quiet[s];
      gone[s] = Math.max(0, known) / (1 - quiet[s]);
    }
    return gone;
  }

  private double[] count(int[] remedies) {
    double[] left = new double[cures.length == 0 ? 0 : cures[0].length];
    Arrays.fill(left, 1);
    for (int r : remedies) {
      for (int c = 0; c < left.length; c++) {
        left[c] *= 1 - cures[r][c];
      }
    }
    double[] still = new double[sets.length];
    for (int s = 0; s < sets.length; s++) {
      double silent = 1;
      for (int rest = sets[s];
          rest != FaultSets.NONE && silent > 0;
          rest = FaultSets.withoutLast(rest)) {
        int cause = FaultSets.last(rest);
        double stays = left.length == 0 ? 1 : left[cause];
        silent *= 1 - complaint.brings(cause) * stays;
      }
      // Given that somebody came: of what can have brought them nothing is left.
      double gone = Math.max(0, silent - quiet[s]) / (1 - quiet[s]);
      still[s] = 1 - gone;
    }
    return still;
  }
}

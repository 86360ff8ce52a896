package tekmerion.core.weigh;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Of some open findings, the probability of every combination of levels given a fault set. Most
 * sets have few causes, or none, that any of the findings bears on: they are counted once together.
 */
final class Answers {
  private final List<List<Observation>> findings;
  private final int combinations;
  private final boolean[] bears;
  private final Map<Integer, Integer> numbers = new HashMap<>();
  private final List<double[]> given = new ArrayList<>();

  /**
   * @param findings for each open finding the observation of each of its levels
   */
  Answers(Posterior faults, List<List<Observation>> findings) {
    this.findings = findings;
    combinations = findings.stream().mapToInt(List::size).reduce(1, Math::multiplyExact);
    bears = new boolean[faults.probability().length];
    for (List<Observation> levels : findings) {
      for (Observation level : levels) {
        for (int cause : level.bearing()) {
          bears[cause] = true;
        }
      }
    }
    count(FaultSets.NONE);
  }

  /** Levels of all findings, one number for each combination. */
  int combinations() {
    return combinations;
  }

  /** Number of all sets that have the same causes which bear on the findings as this one. */
  int alike(int set) {
    int bearing = FaultSets.NONE;
    for (int rest = set; rest != FaultSets.NONE; rest = FaultSets.withoutLast(rest)) {
      int cause = FaultSets.last(rest);
      bearing = bears[cause] ? FaultSets.with(bearing, cause) : bearing;
    }
    return bearing == FaultSets.NONE ? 0 : numbers.computeIfAbsent(bearing, this::count);
  }

  /** How many such numbers there are, from 0. */
  int size() {
    return given.size();
  }

  /** By combination; not to be changed. */
  double[] given(int alike) {
    return given.get(alike);
  }

  private int count(int set) {
    double[] joint = new double[combinations];
    joint[0] = 1;
    int filled = 1;
    for (List<Observation> levels : findings) {
      for (int level = levels.size() - 1; level >= 0; level--) {
        double p = levels.get(level).likelihood(set);
        for (int i = 0; i < filled; i++) {
          joint[level * filled + i] = joint[i] * p;
        }
      }
      filled *= levels.size();
    }
    given.add(joint);
    return given.size() - 1;
  }
}

package tekmerion.core.weigh;

/**
 * A state as the suspicion mark shows it. The limits are the shop's convention, not a statistic.
 */
public enum Suspicion {
  /** Nothing that bears on it was looked at. */
  UNKNOWN,
  CLEARED,
  LEANING_CLEAR,
  /** Something was found, and it decides nothing yet. */
  OPEN,
  LEANING,
  IMPLICATED;

  private static final double IMPLICATED_FROM = 0.85;
  private static final double LEANING_FROM = 0.35;
  private static final double LEANING_CLEAR_BELOW = 0.10;
  private static final double CLEARED_BELOW = 0.02;

  /**
   * @param probability of the cause, [0, 1]
   * @param anyFinding whether any finding that bears on it was observed at all
   */
  static Suspicion of(double probability, boolean anyFinding) {
    if (probability >= IMPLICATED_FROM) {
      return IMPLICATED;
    }
    if (probability >= LEANING_FROM) {
      return LEANING;
    }
    if (!anyFinding) {
      return UNKNOWN;
    }
    if (probability >= LEANING_CLEAR_BELOW) {
      return OPEN;
    }
    return probability < CLEARED_BELOW ? CLEARED : LEANING_CLEAR;
  }
}

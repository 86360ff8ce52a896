package tekmerion.launch;

/** What so many of a measured series lie at or below. */
final class Percentile {
  private Percentile() {}

  /**
   * Nearest rank.
   *
   * @param sorted ascending, one at least
   * @param share above 0, at most 1
   */
  static double of(double[] sorted, double share) {
    return sorted[(int) Math.ceil(share * sorted.length) - 1];
  }
}

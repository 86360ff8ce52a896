package tekmerion.core.learn;

import java.util.List;
import java.util.Map;

/**
 * A job that went back mended, and was not back since.
 *
 * @param families complaint families that it came in with
 * @param levels level seen by finding
 * @param daysAgo when it went back, not negative
 */
public record ProvenJob(
    String cause, List<String> families, Map<String, String> levels, double daysAgo) {
  /** Machines, parts and people change: a job of two years ago counts half. Judgement. */
  private static final double HALF_LIFE_DAYS = 730;

  public ProvenJob {
    families = List.copyOf(families);
    levels = Map.copyOf(levels);
    if (!(daysAgo >= 0)) {
      throw new IllegalArgumentException("a job went back before now: " + daysAgo);
    }
  }

  /** How much it counts, 0 to 1. */
  double weight() {
    return Math.pow(0.5, daysAgo / HALF_LIFE_DAYS);
  }
}

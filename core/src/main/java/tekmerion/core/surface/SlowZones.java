package tekmerion.core.surface;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.apache.commons.statistics.descriptive.Median;

/**
 * Which zones are slow for this drive. Outer tracks are faster than inner ones, so a zone is
 * compared with its own neighbourhood: the running median of the zones' median latencies. A zone
 * stands out if the logarithm of its ratio lies more than five robust standard deviations above
 * that curve and it takes at least half as long again.
 *
 * @see <a href="https://doi.org/10.1080/01621459.1974.10482962">Hampel (1974)</a> for the median
 *     absolute deviation; 1.4826 makes it a standard deviation for normal scatter
 */
final class SlowZones {
  private static final int MIN_NEIGHBOURS = 5;
  private static final int MAX_NEIGHBOURS = 25;
  private static final double DEVIATIONS = 5;
  private static final double MIN_RATIO = 1.5;
  private static final double MAD_TO_SIGMA = 1.4826;

  private SlowZones() {}

  /**
   * @param repeatedNanos median of the reads that were done again in a zone; -1 if there were none.
   *     A zone that was not slow the second time is not slow
   * @return indices of zones, in order
   */
  static List<Integer> in(List<Zone> zones, long[] repeatedNanos) {
    List<Integer> measured = new ArrayList<>();
    for (int i = 0; i < zones.size(); i++) {
      if (zones.get(i).p50Nanos() > 0) {
        measured.add(i);
      }
    }
    double[] rest = new double[measured.size()];
    int each = Math.max(MIN_NEIGHBOURS, Math.min(MAX_NEIGHBOURS, rest.length / 8));
    for (int k = 0; k < rest.length; k++) {
      double[] near = new double[Math.min(rest.length, 2 * each + 1)];
      int from = Math.max(0, Math.min(k - each, rest.length - near.length));
      for (int j = 0; j < near.length; j++) {
        near[j] = Math.log(zones.get(measured.get(from + j)).p50Nanos());
      }
      rest[k] =
          Math.log(zones.get(measured.get(k)).p50Nanos()) - Median.withDefaults().evaluate(near);
    }
    if (rest.length == 0) {
      return List.of();
    }
    double[] off = Arrays.stream(rest).map(Math::abs).toArray();
    double limit =
        Math.max(
            Math.log(MIN_RATIO), DEVIATIONS * MAD_TO_SIGMA * Median.withDefaults().evaluate(off));
    List<Integer> slow = new ArrayList<>();
    for (int k = 0; k < rest.length; k++) {
      int zone = measured.get(k);
      double curve = Math.log(zones.get(zone).p50Nanos()) - rest[k];
      boolean passing =
          repeatedNanos[zone] > 0 && Math.log(repeatedNanos[zone]) - curve < Math.log(MIN_RATIO);
      if (rest[k] > limit && !passing) {
        slow.add(zone);
      }
    }
    return slow;
  }
}

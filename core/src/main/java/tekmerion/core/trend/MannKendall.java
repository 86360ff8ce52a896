package tekmerion.core.trend;

import java.util.Arrays;
import org.apache.commons.statistics.distribution.NormalDistribution;

/**
 * Is it growing? Mann–Kendall test: counts pairs that rise less pairs that fall.
 *
 * @param s rising pairs less falling pairs
 * @param z standard normal deviate of S with the continuity correction; 0 if S is 0
 * @param p two-sided probability of so much or more if nothing changes
 * @see <a href="https://doi.org/10.2307/1907187">Mann (1945)</a>; Kendall, Rank Correlation Methods
 *     (1975), for ties
 */
public record MannKendall(long s, double z, double p) {
  private static final double SIGNIFICANT = 0.05;
  private static final int EXACT_UP_TO = 10;
  private static final NormalDistribution NORMAL = NormalDistribution.of(0, 1);

  /**
   * @param values in order of time, finite, at least 3
   * @throws IllegalArgumentException if there are fewer
   */
  public static MannKendall of(double[] values) {
    if (values.length < 3) {
      throw new IllegalArgumentException("3 values are wanted, there are " + values.length);
    }
    long s = 0;
    for (int i = 0; i < values.length; i++) {
      for (int j = 0; j < i; j++) {
        s += Math.round(Math.signum(values[i] - values[j]));
      }
    }
    double variance = variance(values);
    double z = s == 0 || variance == 0 ? 0 : (s - Math.signum(s)) / Math.sqrt(variance);
    boolean exact = values.length <= EXACT_UP_TO && !hasTies(values);
    double p =
        exact ? exactP(values.length, Math.abs(s)) : 2 * NORMAL.survivalProbability(Math.abs(z));
    return new MannKendall(s, z, s == 0 ? 1 : Math.min(1, p));
  }

  public boolean isGrowing() {
    return s > 0 && p < SIGNIFICANT;
  }

  public boolean isFalling() {
    return s < 0 && p < SIGNIFICANT;
  }

  /** Of S under "nothing changes", ties taken off: (n(n−1)(2n+5) − Σ t(t−1)(2t+5)) / 18. */
  static double variance(double[] values) {
    double[] sorted = values.clone();
    Arrays.sort(sorted);
    double sum = part(sorted.length);
    int run = 1;
    for (int i = 1; i <= sorted.length; i++) {
      if (i < sorted.length && sorted[i] == sorted[i - 1]) {
        run++;
      } else {
        sum -= part(run);
        run = 1;
      }
    }
    return sum / 18;
  }

  private static double part(double n) {
    return n * (n - 1) * (2 * n + 5);
  }

  private static boolean hasTies(double[] values) {
    return Arrays.stream(values).distinct().count() < values.length;
  }

  /** Kendall's recursion over the number of inversions: exact for values without ties. */
  private static double exactP(int n, long s) {
    int pairs = n * (n - 1) / 2;
    double[] ways = new double[pairs + 1];
    ways[0] = 1;
    for (int size = 2; size <= n; size++) {
      double[] next = new double[pairs + 1];
      for (int inversions = 0; inversions <= pairs; inversions++) {
        for (int more = 0; more < size && more <= inversions; more++) {
          next[inversions] += ways[inversions - more];
        }
      }
      ways = next;
    }
    double all = Arrays.stream(ways).sum();
    double tail = 0;
    for (int inversions = 0; inversions <= pairs; inversions++) {
      if (pairs - 2L * inversions >= s) {
        tail += ways[inversions];
      }
    }
    return Math.min(1, 2 * tail / all);
  }
}

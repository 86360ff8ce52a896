package tekmerion.core.learn;

import java.util.ArrayList;
import java.util.List;
import org.apache.commons.statistics.distribution.BetaDistribution;

/**
 * Whether what was said to be so likely happened as often: a reliability diagram, in ten bins of
 * equal width. Of n jobs in a bin of which k held, the range is the Jeffreys interval Beta(k + ½, n
 * − k + ½), 95 %.
 *
 * @see "Murphy & Winkler: Reliability of subjective probability forecasts of precipitation and
 *     temperature, Applied Statistics 26 (1977)"
 * @see "Brown, Cai & DasGupta: Interval estimation for a binomial proportion, Statistical Science
 *     16 (2001), section 4.1.2"
 * @param bins from the least likely on; none that is empty
 * @param brier mean squared error of what was said, 0 to 1; 0 without jobs
 */
public record Reliability(List<Bin> bins, double brier) {
  private static final int BINS = 10;
  private static final double OUTSIDE = 0.025;

  public Reliability {
    bins = List.copyOf(bins);
  }

  /**
   * @param chance that was stated, 0 to 1
   * @param held whether it was so
   */
  public record Stated(double chance, boolean held) {}

  /**
   * Those that were said to be about as likely.
   *
   * @param said mean of what was stated
   * @param held share that was so, with its range
   */
  public record Bin(double said, double held, double low, double high, int jobs) {}

  public static Reliability of(List<Stated> all) {
    List<Bin> bins = new ArrayList<>();
    double squares = 0;
    for (int b = 0; b < BINS; b++) {
      int bin = b;
      List<Stated> in =
          all.stream().filter(s -> Math.min(BINS - 1, (int) (s.chance() * BINS)) == bin).toList();
      if (!in.isEmpty()) {
        bins.add(bin(in));
      }
      squares += in.stream().mapToDouble(s -> Math.pow(s.chance() - (s.held() ? 1 : 0), 2)).sum();
    }
    return new Reliability(bins, all.isEmpty() ? 0 : squares / all.size());
  }

  private static Bin bin(List<Stated> in) {
    int n = in.size();
    int k = (int) in.stream().filter(Stated::held).count();
    BetaDistribution rate = BetaDistribution.of(k + 0.5, n - k + 0.5);
    return new Bin(
        in.stream().mapToDouble(Stated::chance).average().orElseThrow(),
        k / (double) n,
        k == 0 ? 0 : rate.inverseCumulativeProbability(OUTSIDE),
        k == n ? 1 : rate.inverseCumulativeProbability(1 - OUTSIDE),
        n);
  }
}

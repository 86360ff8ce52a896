package tekmerion.core.load;

import static tekmerion.words.Words.say;

import java.util.Arrays;
import org.apache.commons.statistics.distribution.TDistribution;
import tekmerion.core.trend.Interval;

/**
 * A quantity before and after a change. Moments that follow each other are alike, so that many of
 * them count as fewer independent ones.
 *
 * @param before mean
 * @param after mean
 * @param change after less before, with its 95 % interval (Welch)
 * @see "von Storch & Zwiers: Statistical analysis in climate research, 1999, section 6.6
 *     (equivalent sample size n (1 − ρ) / (1 + ρ))"
 */
public record Shift(double before, double after, Interval change) {
  private static final int MIN = 5;

  /**
   * @param before at least five moments, equally far apart
   * @param after the same
   */
  public static Shift of(double[] before, double[] after) {
    Side a = Side.of(before);
    Side b = Side.of(after);
    double variance = a.ofMean() + b.ofMean();
    double change = b.mean() - a.mean();
    if (variance == 0) {
      return new Shift(a.mean(), b.mean(), new Interval(change, change, change));
    }
    double freedom =
        variance
            * variance
            / (a.ofMean() * a.ofMean() / (a.effective() - 1)
                + b.ofMean() * b.ofMean() / (b.effective() - 1));
    double half =
        TDistribution.of(Math.max(1, freedom)).inverseSurvivalProbability(0.025)
            * Math.sqrt(variance);
    return new Shift(a.mean(), b.mean(), new Interval(change, change - half, change + half));
  }

  /** Whether the interval has nothing on the other side of no change. */
  public boolean isCertain() {
    return change.low() > 0 || change.high() < 0;
  }

  /**
   * In a sentence: "drive sda fell from 97 to 11 %, certain".
   *
   * @param what both are shares of
   */
  public String words(String what) {
    if (!isCertain()) {
      return say(
          "load.before-after-no-certain-change",
          "what",
          what,
          "before",
          100 * before,
          "after",
          100 * after);
    }
    return say(
        "load.from-to-certain",
        "what",
        what,
        "after",
        after < before ? "fell" : "rose",
        "before",
        100 * before,
        "after2",
        100 * after);
  }

  private record Side(double mean, double ofMean, double effective) {
    static Side of(double[] values) {
      if (values.length < MIN) {
        throw new IllegalArgumentException(
            "%d moments; at least %d are wanted".formatted(values.length, MIN));
      }
      int n = values.length;
      double mean = Arrays.stream(values).average().orElseThrow();
      double squares = 0;
      double neighbours = 0;
      for (int i = 0; i < n; i++) {
        squares += Math.pow(values[i] - mean, 2);
        if (i > 0) {
          neighbours += (values[i] - mean) * (values[i - 1] - mean);
        }
      }
      double rho = squares == 0 ? 0 : Math.max(0, Math.min(0.99, neighbours / squares));
      double effective = Math.max(2, n * (1 - rho) / (1 + rho));
      return new Side(mean, squares / (n - 1) / effective, effective);
    }
  }
}

package tekmerion.core.surface;

import static tekmerion.words.Words.say;

import java.util.Locale;
import org.apache.commons.statistics.distribution.BetaDistribution;

/**
 * What a stratified random sample says about the whole: the share of blocks that are bad is, with
 * 95 % confidence, at most this.
 *
 * @param sampled blocks
 * @param bad of them
 * @param atMostShare upper limit, 0 to 1
 * @see <a href="https://doi.org/10.1093/biomet/26.4.404">Clopper and Pearson (1934)</a>; strata of
 *     equal size only make it more cautious
 */
public record Confidence(long sampled, long bad, double atMostShare) {
  private static final double ALPHA = 0.05;

  static Confidence of(long sampled, long bad) {
    double share =
        sampled == 0 || bad >= sampled
            ? 1
            : BetaDistribution.of(bad + 1.0, (double) sampled - bad)
                .inverseSurvivalProbability(ALPHA);
    return new Confidence(sampled, bad, share);
  }

  public String words() {
    return say(
        "surface.with-95-confidence-at-most-of",
        "percent",
        percent(atMostShare * 100),
        "sampled",
        sampled,
        "bad",
        bad);
  }

  private static String percent(double percent) {
    return percent >= 10 ? String.format(Locale.ROOT, "%.0f", percent) : "%.2g".formatted(percent);
  }
}

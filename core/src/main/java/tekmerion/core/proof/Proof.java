package tekmerion.core.proof;

import static tekmerion.words.Words.say;

import java.util.List;
import java.util.Optional;
import org.apache.commons.statistics.distribution.BetaDistribution;
import tekmerion.core.permit.Proven;

/**
 * How often what failed must be repeated without failing, until its absence means something.
 *
 * <p>With a fault that shows in a trial with probability f, n clean trials leave it undetected with
 * probability (1 − f)^n. f is not known: after {@code seen} failures in {@code trials} its
 * posterior from a uniform prior is Beta(seen + 1, trials − seen + 1), and the chance that a fault
 * that is still there stays hidden is the mean of (1 − f)^n over it,
 *
 * <pre>  E (1 − f)^n = Π_{i=0}^{n−1} (b + i) / (a + b + i),  a = seen + 1, b = trials − seen + 1
 * </pre>
 *
 * @see "Gelman et al.: Bayesian Data Analysis, 3rd ed., section 2.4"
 */
public final class Proof {
  /** Confidence with which a fault must have shown if it were still there. */
  public static final double CONFIDENCE = 0.95;

  /** More than this is not asked of anybody; it is said how sure the last one makes. */
  public static final int MAX_TRIALS = 60;

  private Proof() {}

  /** How the proof of one decision stands. */
  public record Standing(Needed needed, int clean, Proven proven) {
    /** "3 of 7". */
    public String counted() {
      return needed.counted(clean);
    }
  }

  /**
   * How many trials a complaint asks for that came as often as its owner says. A trial is one start
   * and some minutes of what the owner does. What "most days" means in trials is judgement: seven
   * days a week, five of them bad; "now and then": one time in four; range half to double. If
   * nobody knows, it counts as most days.
   *
   * @param often level of the finding {@code often}
   * @throws IllegalArgumentException if it has no such level
   */
  public static Needed ofComplaint(Optional<String> often) {
    return switch (often.orElse("most-days")) {
      case "always" -> needed(3, 3);
      case "most-days" -> needed(5, 7);
      case "now-and-then" -> needed(1, 4);
      default -> throw new IllegalArgumentException("no frequency " + often.get());
    };
  }

  /**
   * @param failed whether each trial after the repair failed, in order; what was clean before a
   *     failure counts no more
   */
  public static Standing standing(Needed needed, List<Boolean> failed) {
    int lastFailure = failed.lastIndexOf(true);
    int clean = failed.size() - 1 - lastFailure;
    Proven proven =
        clean >= needed.trials()
            ? Proven.DONE
            : clean == 0 && lastFailure >= 0 ? Proven.FAILED : Proven.UNFINISHED;
    return new Standing(needed, clean, proven);
  }

  /**
   * What is to be done.
   *
   * @param trials clean ones that are needed
   * @param confidence that they give; below {@link #CONFIDENCE} only if more would be too many
   * @param rate of failing in one trial that this rests on: its posterior mean
   * @param rateLow its 95 % interval
   */
  public record Needed(
      int trials, double confidence, double rate, double rateLow, double rateHigh) {
    /** "3 of 7". */
    public String counted(int clean) {
      return say("proof.of", "trials", Math.min(clean, trials), "trials2", trials);
    }
  }

  /**
   * @param seen trials in which it failed, before the repair; at least 1
   * @param trials all trials before the repair
   * @throws IllegalArgumentException if it never failed: there is nothing to prove
   */
  public static Needed needed(int seen, int trials) {
    if (seen < 1 || seen > trials) {
      throw new IllegalArgumentException("%d failures in %d trials".formatted(seen, trials));
    }
    double a = seen + 1.0;
    double b = trials - seen + 1.0;
    double hidden = 1;
    int n = 0;
    while (hidden > 1 - CONFIDENCE && n < MAX_TRIALS) {
      hidden *= (b + n) / (a + b + n);
      n++;
    }
    BetaDistribution rate = BetaDistribution.of(a, b);
    return new Needed(
        n,
        1 - hidden,
        a / (a + b),
        rate.inverseCumulativeProbability(0.025),
        rate.inverseCumulativeProbability(0.975));
  }
}

package tekmerion.core.isolate;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * Posterior over what is to blame, after any starts. A fault shows in each start in which it can
 * with a rate that nobody knows; the rate is integrated over a grid. A start may fail although
 * nothing to blame was in play, rarely.
 *
 * <pre>  P(fail | h, rate, arrangement) = rate if h is active in it, else {@value #FALSE_FAIL}
 * </pre>
 */
public final class Isolation {
  /** A slip of the hand, another upset: judgement. */
  static final double FALSE_FAIL = 0.005;

  private static final double[] RATES = {0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1 - 1e-6};

  private final List<Hypothesis> hypotheses;
  private final double[][] weights;
  private final double[] probability;
  private final double[] failing;

  /**
   * A hypothesis with its probability.
   *
   * @param failing how often a start in which it is active would fail
   */
  public record PartEvidence(Hypothesis hypothesis, double probability, double failing) {}

  /**
   * @param hypotheses at least two, among them "none of these"
   */
  public Isolation(List<Hypothesis> hypotheses) {
    this(hypotheses, HowOften.NOT_SAID);
  }

  /**
   * @param hypotheses at least two, among them "none of these"
   * @param often how often it fails when it can
   */
  public Isolation(List<Hypothesis> hypotheses, HowOften often) {
    if (hypotheses.size() < 2 || hypotheses.stream().noneMatch(Hypothesis::isNoneOfThese)) {
      throw new IllegalArgumentException("two hypotheses at least, one of them none of these");
    }
    this.hypotheses = List.copyOf(hypotheses);
    weights = new double[hypotheses.size()][RATES.length];
    for (int h = 0; h < weights.length; h++) {
      for (int r = 0; r < RATES.length; r++) {
        weights[h][r] = hypotheses.get(h).prior() * often.weight(r);
      }
    }
    probability = new double[weights.length];
    failing = new double[weights.length];
    settle();
  }

  /**
   * @param arrangement a bit for each thing that was in play
   */
  public void observe(long arrangement, StartOutcome outcome) {
    if (outcome == StartOutcome.INCONCLUSIVE) {
      return;
    }
    boolean fail = outcome == StartOutcome.FAIL;
    for (int h = 0; h < weights.length; h++) {
      boolean active = hypotheses.get(h).isActiveIn(arrangement);
      for (int r = 0; r < RATES.length; r++) {
        double p = active ? RATES[r] : FALSE_FAIL;
        weights[h][r] *= fail ? p : 1 - p;
      }
    }
    settle();
  }

  private void settle() {
    double total = 0;
    for (int h = 0; h < weights.length; h++) {
      double sum = 0;
      double rate = 0;
      for (int r = 0; r < RATES.length; r++) {
        sum += weights[h][r];
        rate += weights[h][r] * RATES[r];
      }
      probability[h] = sum;
      failing[h] = sum > 0 ? rate / sum : 0;
      total += sum;
    }
    for (int h = 0; h < weights.length; h++) {
      probability[h] /= total;
      for (int r = 0; r < RATES.length; r++) {
        weights[h][r] /= total; // so that many starts do not run out of digits
      }
    }
  }

  List<Hypothesis> hypotheses() {
    return hypotheses;
  }

  double probability(int hypothesis) {
    return probability[hypothesis];
  }

  double failing(int hypothesis) {
    return failing[hypothesis];
  }

  /** Likeliest first. */
  public List<PartEvidence> suspicions() {
    List<PartEvidence> all = new ArrayList<>();
    IntStream.range(0, probability.length)
        .forEach(h -> all.add(new PartEvidence(hypotheses.get(h), probability[h], failing[h])));
    all.sort(Comparator.comparingDouble(PartEvidence::probability).reversed());
    return all;
  }

  /**
   * What is to blame, if that is sure enough.
   *
   * @param error how often an innocent one may be named, (0, 1)
   */
  public Optional<Hypothesis> named(double error) {
    for (int h = 0; h < probability.length; h++) {
      if (probability[h] >= 1 - error) {
        return Optional.of(hypotheses.get(h));
      }
    }
    return Optional.empty();
  }

  /** Probability that a start with this arrangement fails. */
  public double failing(long arrangement) {
    double p = 0;
    for (int h = 0; h < probability.length; h++) {
      p += probability[h] * (hypotheses.get(h).isActiveIn(arrangement) ? failing[h] : FALSE_FAIL);
    }
    return p;
  }

  /** Probability that nothing to blame is in play there: it may go home like that. */
  public double sound(long arrangement) {
    double p = 0;
    for (int h = 0; h < probability.length; h++) {
      p += hypotheses.get(h).isActiveIn(arrangement) ? 0 : probability[h];
    }
    return p;
  }

  /**
   * What a start with this arrangement would tell: the mutual information of its outcome and what
   * is to blame [bits].
   */
  public double bits(long arrangement) {
    double fail = 0;
    double unsure = 0;
    for (int h = 0; h < probability.length; h++) {
      double p = hypotheses.get(h).isActiveIn(arrangement) ? failing[h] : FALSE_FAIL;
      fail += probability[h] * p;
      unsure += probability[h] * entropy(p);
    }
    return Math.max(0, entropy(fail) - unsure);
  }

  /** Of a coin [bits]. */
  static double entropy(double p) {
    if (p <= 0 || p >= 1) {
      return 0;
    }
    return -(p * Math.log(p) + (1 - p) * Math.log1p(-p)) / Math.log(2);
  }
}

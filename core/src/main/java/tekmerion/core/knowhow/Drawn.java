package tekmerion.core.knowhow;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.TreeMap;

/**
 * Numbers that are others within what is stated of them. Nearly all priors and likelihoods state
 * half to double; that is taken as the middle nineteen of twenty draws of a factor on the odds. Of
 * cures it is what is missing to 1 that is a third less or more.
 */
public final class Drawn {
  /** ln 2 / 1.96. */
  private static final double SPREAD = Math.log(2) / 1.96;

  private static final double SPREAD_OF_CURES = Math.log(4 / 3.0) / 1.96;

  private final SplittableRandom random;

  /**
   * The same numbers for the same seed. Seeds that lie side by side draw as differently as any
   * others: a plain congruence would give them nearly the same first number.
   */
  public Drawn(long seed) {
    random = new SplittableRandom(seed);
  }

  /**
   * Of one of many draws, the numbers of one thing: the same whatever else is drawn before.
   *
   * @param name of the thing
   * @param number of the draw
   */
  public static Drawn ofOne(String name, int number) {
    return new Drawn((long) number << Integer.SIZE | name.hashCode() & 0xFFFF_FFFFL);
  }

  /** All of the know-how. */
  public static KnowHow of(KnowHow knowHow, long seed) {
    Drawn draw = new Drawn(seed);
    return knowHow.withNumbers(draw::cause, draw::finding);
  }

  /**
   * @param p in (0, 1)
   */
  public double prior(double p) {
    double odds = p / (1 - p) * factor();
    return odds / (1 + odds);
  }

  /**
   * @param cure probability that a remedy mends a cause, 0 to 1
   */
  public double cure(double cure) {
    return cure == 0
        ? 0
        : Math.max(0, 1 - (1 - cure) * Math.exp(SPREAD_OF_CURES * random.nextGaussian()));
  }

  private double factor() {
    return Math.exp(SPREAD * random.nextGaussian());
  }

  /** An unmodifiable map goes in another order each time that a program starts. */
  private static <T> Map<String, T> inOrder(Map<String, T> map) {
    return new TreeMap<>(map);
  }

  private Cause cause(Cause cause) {
    Map<String, Double> prior = new HashMap<>();
    inOrder(cause.prior()).forEach((family, p) -> prior.put(family, prior(p)));
    return new Cause(
        cause.id(),
        cause.name(),
        cause.claim(),
        cause.guess(),
        cause.partKind(),
        cause.place(),
        cause.kinds(),
        prior,
        cause.dataRisk());
  }

  public FindingKind finding(FindingKind kind) {
    Map<String, List<Double>> links = new HashMap<>();
    inOrder(kind.links()).forEach((cause, link) -> links.put(cause, distribution(link)));
    return new FindingKind(
        kind.id(),
        kind.name(),
        kind.group(),
        kind.levels(),
        distribution(kind.leak()),
        links,
        kind.words(),
        kind.decisive(),
        kind.source());
  }

  private List<Double> distribution(List<Double> shares) {
    List<Double> drawn = shares.stream().map(p -> p * factor()).toList();
    double sum = drawn.stream().mapToDouble(Double::doubleValue).sum();
    return drawn.stream().map(p -> p / sum).toList();
  }
}

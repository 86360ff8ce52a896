package tekmerion.evaluation.shop;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import tekmerion.core.knowhow.Cause;
import tekmerion.core.knowhow.FindingKind;
import tekmerion.core.knowhow.KnowHow;

/**
 * Tables whose every number is another within what is stated of it. Nearly all state half to
 * double; that is taken as the middle nineteen of twenty draws of a factor on the odds.
 */
final class Perturbed {
  /** ln 2 / 1.96. */
  private static final double SPREAD = Math.log(2) / 1.96;

  private final Random random;

  private Perturbed(long seed) {
    random = new Random(seed);
  }

  static KnowHow of(KnowHow knowHow, long seed) {
    Perturbed draw = new Perturbed(seed);
    return knowHow.withNumbers(draw::cause, draw::finding);
  }

  private double factor() {
    return Math.exp(SPREAD * random.nextGaussian());
  }

  private Cause cause(Cause cause) {
    Map<String, Double> prior = new HashMap<>();
    cause
        .prior()
        .forEach(
            (family, p) -> {
              double odds = p / (1 - p) * factor();
              prior.put(family, odds / (1 + odds));
            });
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

  private FindingKind finding(FindingKind kind) {
    Map<String, List<Double>> links = new HashMap<>();
    kind.links().forEach((cause, link) -> links.put(cause, distribution(link)));
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

package tekmerion.core.weigh;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import tekmerion.core.finding.Finding;
import tekmerion.core.knowhow.FindingKind;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.weigh.Network.Counted;
import tekmerion.core.weigh.Weighing.Part;

/**
 * Which likelihoods, varied within their range, would put another cause in the first place. The
 * range of a judged likelihood is half to double of every level but the first, which takes up the
 * rest; one likelihood is varied at a time.
 *
 * @see "Castillo, Gutiérrez & Hadi: Sensitivity analysis in discrete Bayesian networks, IEEE Trans.
 *     SMC 27(4), 1997"
 */
public final class Sensitivity {
  private static final double[] FACTORS = {0.5, 2};

  private Sensitivity() {}

  /**
   * A likelihood on which the first place hangs.
   *
   * @param cause whose likelihood it is; empty for the leak
   * @param factor by which its levels but the first were multiplied
   * @param first cause that stands first then
   */
  public record Hangs(Finding finding, String cause, double factor, String first) {}

  /** Empty if the first place holds whatever the likelihoods within their ranges. */
  public static List<Hangs> of(
      KnowHow knowHow, Collection<String> families, List<Part> parts, List<Finding> findings) {
    Network network = Network.of(knowHow, families, parts, findings);
    double[] prior = network.priors();
    List<Observation> observations = new ArrayList<>(network.observations());
    int first = first(Posterior.of(prior, observations, network.complaint()));
    List<Hangs> hangs = new ArrayList<>();
    for (int o = 0; o < observations.size(); o++) {
      Counted counted = network.counted().get(o);
      Observation before = observations.get(o);
      List<String> varied = new ArrayList<>(counted.kind().links().keySet());
      varied.add("");
      for (String cause : varied) {
        for (double factor : FACTORS) {
          FindingKind other = varied(counted.kind(), cause, factor);
          observations.set(o, network.observation(counted.finding(), other));
          int now = first(Posterior.of(prior, observations, network.complaint()));
          if (now != first) {
            hangs.add(
                new Hangs(
                    counted.finding(), cause, factor, network.instances().get(now).cause().id()));
          }
        }
      }
      observations.set(o, before);
    }
    return hangs;
  }

  private static int first(Posterior posterior) {
    int first = 0;
    for (int i = 1; i < posterior.probability().length; i++) {
      if (posterior.probability()[i] > posterior.probability()[first]) {
        first = i;
      }
    }
    return first;
  }

  private static FindingKind varied(FindingKind kind, String cause, double factor) {
    Map<String, List<Double>> links = new HashMap<>(kind.links());
    List<Double> leak = kind.leak();
    if (cause.isEmpty()) {
      leak = times(leak, factor);
    } else {
      links.put(cause, times(links.get(cause), factor));
    }
    return new FindingKind(
        kind.id(),
        kind.name(),
        kind.group(),
        kind.levels(),
        leak,
        links,
        kind.words(),
        kind.decisive(),
        kind.source());
  }

  /** All but the first by the factor, the first what is left; never less than a thousandth. */
  static List<Double> times(List<Double> p, double factor) {
    List<Double> above = p.subList(1, p.size());
    double rest = above.stream().mapToDouble(Double::doubleValue).sum();
    double allowed = rest == 0 ? 1 : Math.min(factor, 0.999 / rest);
    List<Double> varied = new ArrayList<>();
    varied.add(1 - rest * allowed);
    above.forEach(x -> varied.add(x * allowed));
    return varied;
  }
}

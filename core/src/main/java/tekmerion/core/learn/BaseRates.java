package tekmerion.core.learn;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.apache.commons.statistics.distribution.GammaDistribution;
import tekmerion.core.knowhow.Cause;
import tekmerion.core.knowhow.KnowHow;

/**
 * Proposes how common causes are from jobs whose cause is known by what mended them.
 *
 * <p>By the table a job lets expect each cause by its prior odds among the job's complaint
 * families, one cause a job. With K jobs of a cause where E were expected its rate is Gamma(w + K,
 * w + E) times the table's, w being the expected jobs that the table is worth. Within one family,
 * with k and e there, it is Gamma(w·r + k, w + e) where r is the mean over all families: a family
 * with few jobs follows the others. It is proposed where 1 lies outside of the 99.9 % interval;
 * hundreds of numbers are looked at.
 *
 * @see "Gelman and others: Bayesian Data Analysis, 3rd edition (2013), section 2.6 and chapter 5"
 */
public final class BaseRates {
  private static final double TABLE_WORTH = 5;
  private static final double OUTSIDE = 0.001;

  private BaseRates() {}

  /**
   * How often a cause was behind complaints of one family.
   *
   * @param expected jobs by the table, older ones counting less
   * @param seen jobs, counted alike
   * @param now prior that is weighed by
   * @param proposed what it would be
   */
  public record OfFamily(
      String family, double expected, double seen, double now, double proposed) {}

  /**
   * @param times the table's rate over all families
   * @param families those in which the cause was seen or expected in half a job at least
   */
  public record Proposal(String cause, double times, List<OfFamily> families) {
    public Proposal {
      families = List.copyOf(families);
    }

    /** All priors of the cause as they would be. */
    public Map<String, Double> prior(Cause known) {
      Map<String, Double> prior = new TreeMap<>(known.prior());
      families.forEach(f -> prior.put(f.family(), f.proposed()));
      return prior;
    }
  }

  /** Expected and seen jobs of one cause. */
  private static final class Tally {
    private double expected;
    private double seen;
  }

  /** Where the table and the jobs disagree, the rate that is farthest from the table's first. */
  public static List<Proposal> of(KnowHow knowHow, List<ProvenJob> jobs) {
    Map<String, Map<String, Tally>> tallies = new LinkedHashMap<>();
    for (ProvenJob job : jobs) {
      count(knowHow, job, tallies);
    }
    List<Proposal> proposals = new ArrayList<>();
    for (Cause cause : knowHow.causes()) {
      Map<String, Tally> families = tallies.getOrDefault(cause.id(), Map.of());
      double expected = families.values().stream().mapToDouble(t -> t.expected).sum();
      double seen = families.values().stream().mapToDouble(t -> t.seen).sum();
      double times = (TABLE_WORTH + seen) / (TABLE_WORTH + expected);
      boolean differs =
          differs(TABLE_WORTH + seen, TABLE_WORTH + expected)
              || families.values().stream()
                  .anyMatch(t -> differs(TABLE_WORTH * times + t.seen, TABLE_WORTH + t.expected));
      if (differs) {
        proposals.add(new Proposal(cause.id(), times, ofFamilies(cause, times, families)));
      }
    }
    proposals.sort(Comparator.comparingDouble(p -> -Math.abs(Math.log(p.times()))));
    return proposals;
  }

  private static void count(
      KnowHow knowHow, ProvenJob job, Map<String, Map<String, Tally>> tallies) {
    Collection<String> families =
        job.families().isEmpty() ? List.of(Cause.ANY_FAMILY) : job.families();
    double share = job.weight() / families.size();
    double all = knowHow.causes().stream().mapToDouble(c -> odds(c.priorIn(families))).sum();
    for (Cause cause : knowHow.causes()) {
      double expected = odds(cause.priorIn(families)) / all;
      for (String family : families) {
        Tally tally =
            tallies
                .computeIfAbsent(cause.id(), c -> new TreeMap<>())
                .computeIfAbsent(family, f -> new Tally());
        tally.expected += share * expected;
        tally.seen += cause.id().equals(job.cause()) ? share : 0;
      }
    }
  }

  private static List<OfFamily> ofFamilies(Cause cause, double times, Map<String, Tally> families) {
    List<OfFamily> lines = new ArrayList<>();
    families.forEach(
        (family, tally) -> {
          if (tally.expected < 0.5 && tally.seen < 0.5) {
            return;
          }
          double now = cause.priorIn(List.of(family));
          double here = (TABLE_WORTH * times + tally.seen) / (TABLE_WORTH + tally.expected);
          double then = odds(now) * here;
          lines.add(new OfFamily(family, tally.expected, tally.seen, now, then / (1 + then)));
        });
    return lines;
  }

  /** Whether 1 lies outside what the gamma distribution of that shape and rate leaves likely. */
  private static boolean differs(double shape, double rate) {
    double below = GammaDistribution.of(shape, 1 / rate).cumulativeProbability(1);
    return below < OUTSIDE / 2 || below > 1 - OUTSIDE / 2;
  }

  private static double odds(double p) {
    return p / (1 - p);
  }
}

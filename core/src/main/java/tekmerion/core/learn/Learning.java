package tekmerion.core.learn;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import org.apache.commons.statistics.distribution.BetaDistribution;
import tekmerion.core.knowhow.FindingKind;
import tekmerion.core.knowhow.KnowHow;

/**
 * Proposes likelihoods from jobs whose cause is known by what mended them.
 *
 * <p>With n jobs of one cause in which a finding was seen, a level that was seen k times has the
 * Jeffreys interval Beta(k + ½, n − k + ½). If the table's probability of that level lies outside
 * it, the table is wrong for this shop, and the posterior mean of a Dirichlet distribution around
 * the table, worth {@value #TABLE_WORTH} jobs, is proposed. Older jobs count less ({@link
 * ProvenJob#weight}). Hundreds of numbers are looked at, so the interval is that of 99.9 %.
 *
 * @see "Brown, Cai & DasGupta: Interval estimation for a binomial proportion, Statistical Science
 *     16 (2001), section 4.1.2"
 */
public final class Learning {
  /** Fewer jobs of one cause tell nothing that a table of judgement does not. */
  public static final int MIN_JOBS = 20;

  private static final double TABLE_WORTH = 40;
  private static final double OUTSIDE = 0.001;

  /** So that no level is ever held to be impossible. */
  private static final double MIN_PROBABILITY = 0.005;

  private Learning() {}

  /**
   * @param now the table's link of the cause to the finding, by level
   * @param proposed what it would be, by level
   * @param expected by the table: probability of each level among jobs of that cause, leak included
   * @param seen how often each level was seen
   */
  public record Proposal(
      String finding,
      String cause,
      List<Double> now,
      List<Double> proposed,
      List<Double> expected,
      List<Integer> seen) {
    public int jobs() {
      return seen.stream().mapToInt(Integer::intValue).sum();
    }

    /** How far the table is off, at its worst level. */
    double gap() {
      double worst = 0;
      for (int level = 0; level < seen.size(); level++) {
        worst = Math.max(worst, Math.abs(expected.get(level) - seen.get(level) / (double) jobs()));
      }
      return worst;
    }
  }

  /** Where the table and the jobs disagree, the widest gap first. */
  public static List<Proposal> of(KnowHow knowHow, List<ProvenJob> jobs) {
    List<Proposal> proposals = new ArrayList<>();
    for (FindingKind finding : knowHow.findings()) {
      finding
          .links()
          .forEach(
              (cause, link) -> {
                int[] seen = new int[finding.levels().size()];
                double[] counted = new double[seen.length];
                count(finding, cause, jobs, seen, counted);
                List<Double> expected = alone(finding.leak(), link);
                if (Arrays.stream(seen).sum() >= MIN_JOBS && disagree(expected, counted)) {
                  proposals.add(
                      new Proposal(
                          finding.id(),
                          cause,
                          link,
                          link(finding.leak(), mixed(expected, counted)),
                          expected,
                          Arrays.stream(seen).boxed().toList()));
                }
              });
    }
    proposals.sort(Comparator.comparingDouble(Proposal::gap).reversed());
    return proposals;
  }

  private static void count(
      FindingKind finding, String cause, List<ProvenJob> jobs, int[] seen, double[] counted) {
    for (ProvenJob job : jobs) {
      String level = job.levels().get(finding.id());
      if (job.cause().equals(cause) && level != null) {
        finding
            .levelIndex(level)
            .ifPresent(
                index -> {
                  seen[index]++;
                  counted[index] += job.weight();
                });
      }
    }
  }

  private static boolean disagree(List<Double> expected, double[] counted) {
    double n = Arrays.stream(counted).sum();
    for (int level = 0; level < counted.length; level++) {
      BetaDistribution rate = BetaDistribution.of(counted[level] + 0.5, n - counted[level] + 0.5);
      double below = rate.cumulativeProbability(expected.get(level));
      if (below < OUTSIDE / 2 || below > 1 - OUTSIDE / 2) {
        return true;
      }
    }
    return false;
  }

  /** P(level | only this cause), with the leak: the higher of the two shows. */
  private static List<Double> alone(List<Double> leak, List<Double> link) {
    List<Double> p = new ArrayList<>();
    double before = 0;
    double leakAtMost = 0;
    double linkAtMost = 0;
    for (int level = 0; level < leak.size(); level++) {
      leakAtMost += leak.get(level);
      linkAtMost += link.get(level);
      double atMost = leakAtMost * linkAtMost;
      p.add(atMost - before);
      before = atMost;
    }
    return p;
  }

  private static double[] mixed(List<Double> expected, double[] counted) {
    double n = Arrays.stream(counted).sum();
    double[] mixed = new double[counted.length];
    for (int level = 0; level < counted.length; level++) {
      mixed[level] = (TABLE_WORTH * expected.get(level) + counted[level]) / (TABLE_WORTH + n);
    }
    return mixed;
  }

  /** What the cause alone must give so that, with the leak, these levels show. */
  private static List<Double> link(List<Double> leak, double[] shown) {
    double[] own = new double[shown.length];
    double shownAtMost = 0;
    double leakAtMost = 0;
    double before = 0;
    double sum = 0;
    for (int level = 0; level < shown.length; level++) {
      shownAtMost += shown[level];
      leakAtMost += leak.get(level);
      double atMost = Math.min(1, Math.max(before, shownAtMost / leakAtMost));
      own[level] = Math.max(MIN_PROBABILITY, atMost - before);
      before = atMost;
      sum += own[level];
    }
    List<Double> link = new ArrayList<>();
    for (double p : own) {
      link.add(p / sum);
    }
    return List.copyOf(link);
  }
}

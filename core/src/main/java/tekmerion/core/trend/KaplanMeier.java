package tekmerion.core.trend;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.apache.commons.statistics.distribution.NormalDistribution;

/**
 * Share of drives still working after so many hours, from drives of which many were last seen
 * working: product-limit estimate with Greenwood's variance, its interval on the log(−log) scale,
 * so that it stays within 0 and 1.
 *
 * @see <a href="https://doi.org/10.2307/2281868">Kaplan and Meier (1958)</a>; Kalbfleisch and
 *     Prentice, The Statistical Analysis of Failure Time Data (2002), 1.4
 */
public final class KaplanMeier {
  private static final double Z_95 = NormalDistribution.of(0, 1).inverseSurvivalProbability(0.025);

  private KaplanMeier() {}

  /**
   * One drive.
   *
   * @param hours when it failed, or when it was last seen working [power-on h]
   */
  public record Life(double hours, boolean failed) {}

  /**
   * After {@code hours}, of drives like these.
   *
   * @param atRisk drives that were followed until there
   */
  public record Step(double hours, int atRisk, double survival, double low, double high) {}

  /**
   * @return a step for each time of a failure, in rising order; empty if none failed
   */
  public static List<Step> of(List<Life> lives) {
    List<Life> sorted =
        lives.stream()
            .sorted(Comparator.comparingDouble(Life::hours).thenComparing(l -> !l.failed()))
            .toList();
    List<Step> steps = new ArrayList<>();
    double survival = 1;
    double greenwood = 0;
    int i = 0;
    while (i < sorted.size()) {
      double hours = sorted.get(i).hours();
      int atRisk = sorted.size() - i;
      int failures = 0;
      for (; i < sorted.size() && sorted.get(i).hours() == hours; i++) {
        failures += sorted.get(i).failed() ? 1 : 0;
      }
      if (failures > 0) {
        survival *= 1 - (double) failures / atRisk;
        greenwood += (double) failures / ((double) atRisk * (atRisk - failures));
        steps.add(step(hours, atRisk, survival, greenwood));
      }
    }
    return steps;
  }

  private static Step step(double hours, int atRisk, double survival, double greenwood) {
    if (survival <= 0) {
      return new Step(hours, atRisk, 0, 0, 0);
    }
    double error = Math.sqrt(greenwood) / Math.abs(Math.log(survival));
    double low = Math.pow(survival, Math.exp(Z_95 * error));
    double high = Math.pow(survival, Math.exp(-Z_95 * error));
    return new Step(hours, atRisk, survival, low, high);
  }
}

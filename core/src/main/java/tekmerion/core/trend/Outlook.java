package tekmerion.core.trend;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * How likely a drive fails within 30, 90 and 365 days: a base hazard by age, multiplied by
 * published relative risks of what is found on it (proportional hazards), with a range because
 * neither is known well. Findings of one group measure the same thing: only the gravest of a group
 * counts.
 *
 * @param days 30, 90, 365
 * @param drivers what raised it, gravest first; empty if nothing did
 * @see <a
 *     href="https://www.usenix.org/conference/fast-07/failure-trends-large-disk-drive-population">
 *     Pinheiro, Weber and Barroso, FAST 2007</a>
 */
public record Outlook(List<Within> days, List<Driver> drivers) {
  private static final double HOURS_A_YEAR = 8766;

  /** Relative risks together are held to this: beyond it nothing is published. Judgement. */
  private static final double MAX_RISK = 150;

  /** Published risks hold for two months after the first count; later they are taken to fade. */
  private static final double FULL_DAYS = 60;

  private static final double LATER_SHARE = 0.25;

  /**
   * Failure within so many days, 0 to 1.
   *
   * @param low with the lower relative risks and base rate
   * @param high with the higher ones
   */
  public record Within(int days, double probability, double low, double high) {}

  /**
   * What raises the risk.
   *
   * @param relativeRisk how many times likelier to fail than without it
   * @param source of the number
   */
  public record Driver(
      String group, String words, double relativeRisk, double low, double high, String source) {}

  public Outlook {
    days = List.copyOf(days);
    drivers = List.copyOf(drivers);
  }

  /**
   * @param powerOnHours of the drive; negative if not reported
   * @param found everything that was found, also several of one group
   */
  public static Outlook of(double powerOnHours, List<Driver> found) {
    List<Driver> gravest = new ArrayList<>();
    for (Driver driver : found) {
      boolean beaten =
          found.stream()
              .anyMatch(
                  other ->
                      other.group().equals(driver.group())
                          && (other.relativeRisk() > driver.relativeRisk()
                              || other.relativeRisk() == driver.relativeRisk()
                                  && found.indexOf(other) < found.indexOf(driver)));
      if (!beaten) {
        gravest.add(driver);
      }
    }
    gravest.sort(Comparator.comparingDouble(Driver::relativeRisk).reversed());
    Interval yearly = annualFailure(powerOnHours);
    double risk = product(gravest.stream().mapToDouble(Driver::relativeRisk).toArray());
    double low = product(gravest.stream().mapToDouble(Driver::low).toArray());
    double high = product(gravest.stream().mapToDouble(Driver::high).toArray());
    List<Within> within = new ArrayList<>();
    for (int days : new int[] {30, 90, 365}) {
      within.add(
          new Within(
              days,
              failure(yearly.value(), risk, days),
              failure(yearly.low(), low, days),
              failure(yearly.high(), high, days)));
    }
    return new Outlook(within, gravest);
  }

  /**
   * FAST 2007, figure 2: 1.7 % in year one, about 8 % in years two and three; range half to double.
   */
  private static Interval annualFailure(double powerOnHours) {
    double years = powerOnHours < 0 ? 2 : powerOnHours / HOURS_A_YEAR;
    double rate = years <= 1 ? 0.017 : 0.017 + (0.08 - 0.017) * Math.min(1, (years - 1) / 1.5);
    return new Interval(rate, rate / 2, rate * 2);
  }

  /** Risks of different groups are not independent: the second counts by its root, the rest not. */
  private static double product(double[] risks) {
    double[] sorted = risks.clone();
    Arrays.sort(sorted);
    double product = 1;
    if (sorted.length > 0) {
      product *= sorted[sorted.length - 1];
    }
    if (sorted.length > 1) {
      product *= Math.sqrt(Math.max(1, sorted[sorted.length - 2]));
    }
    return Math.min(MAX_RISK, product);
  }

  private static double failure(double yearly, double risk, int days) {
    double hazardPerDay = -Math.log1p(-Math.min(0.99, yearly)) / 365;
    double full = Math.min(days, FULL_DAYS);
    double later = days - full;
    double effective = risk > 1 ? risk * full + (1 + (risk - 1) * LATER_SHARE) * later : days;
    return -Math.expm1(-hazardPerDay * effective);
  }
}

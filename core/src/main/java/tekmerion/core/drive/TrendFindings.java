package tekmerion.core.drive;

import static tekmerion.words.Words.say;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import tekmerion.core.drive.DriveNumbers.Number;
import tekmerion.core.finding.Finding;
import tekmerion.core.finding.Finding.Basis;
import tekmerion.core.trend.Interval;
import tekmerion.core.trend.Trend;

/** The finding that a drive's numbers give over several visits: the gravest of what does harm. */
public final class TrendFindings {
  /** One and more a day is what a shop calls steep: judgement. */
  private static final double STEEP_A_DAY = 1;

  private TrendFindings() {}

  private record Growth(Number number, double perDay) {}

  /**
   * @param visits oldest first
   * @return empty if no number that does harm can be followed over at least 3 readings
   */
  public static Optional<Finding> of(String part, List<DriveVisit> visits) {
    if (visits.isEmpty()) {
      return Optional.empty();
    }
    boolean followed = false;
    Growth worst = null;
    for (Number number : visits.get(visits.size() - 1).numbers().values()) {
      Optional<Trend> trend =
          number.harm()
              ? DriveVisit.trend(visits, number.key(), OptionalDouble.empty())
              : Optional.empty();
      if (trend.isEmpty() || trend.get().slopePerDay().isEmpty()) {
        continue;
      }
      followed = true;
      double perDay = trend.get().slopePerDay().map(Interval::value).orElse(0.0);
      if (grows(trend.get(), perDay) && (worst == null || perDay > worst.perDay())) {
        worst = new Growth(number, perDay);
      }
    }
    if (worst != null) {
      boolean steep = worst.perDay() >= STEEP_A_DAY;
      return Optional.of(
          finding(
              part,
              steep ? "steep" : "growing",
              say(
                  "drive.growing-by",
                  "worst",
                  worst.number().name(),
                  "steep",
                  steep
                      ? say("drive.a-day", "perDay", worst.perDay())
                      : say("drive.a-month", "perDay", 30 * worst.perDay())),
              worst.number()));
    }
    return followed
        ? Optional.of(
            new Finding(
                "drive.trend",
                part,
                "still",
                say("drive.nothing-that-does-harm-has-grown", "count", visits.size()),
                Basis.run()))
        : Optional.empty();
  }

  /** By the test over all, or because it stood and then began. */
  private static boolean grows(Trend trend, double perDay) {
    boolean tested = trend.growth().map(g -> g.isGrowing()).orElse(false);
    return perDay > 0 && (tested || trend.change().isPresent());
  }

  private static Finding finding(String part, String level, String words, Number number) {
    return new Finding(
        "drive.trend",
        part,
        level,
        words,
        Basis.reading(number.page(), number.offset(), number.length()));
  }
}

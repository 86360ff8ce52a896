package tekmerion.server.drive;

import static tekmerion.words.Words.say;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import tekmerion.core.drive.DriveNumbers.Number;
import tekmerion.core.drive.DriveVisit;
import tekmerion.core.trend.Interval;
import tekmerion.core.trend.Trend;
import tekmerion.server.drive.DriveView.Ahead;
import tekmerion.server.drive.DriveView.Point;
import tekmerion.server.drive.DriveView.TrendView;
import tekmerion.words.Words;

/** Which of a drive's numbers are worth following, and what each does, in words. */
final class Followed {
  /** In the order in which they are shown when none is worse than another. */
  private static final List<String> KEYS =
      List.of(
          "197",
          "5",
          "187",
          "198",
          "199",
          "mediaAndDataIntegrityErrors",
          "availableSpare",
          "percentageUsed",
          "194",
          "190",
          "temperature");

  private static final Set<String> TEMPERATURES = Set.of("190", "194", "temperature");
  private static final int SHOWN = 3;
  private static final double ATA_LIMIT_C = 60;
  private static final double NVME_LIMIT_C = 75;
  private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM");

  private Followed() {}

  /**
   * @param grave keys of numbers on whose bytes a finding rests that speaks for a fault
   */
  static List<TrendView> of(List<DriveVisit> visits, Set<String> grave, ZoneId zone) {
    if (visits.isEmpty()) {
      return List.of();
    }
    DriveVisit last = visits.get(visits.size() - 1);
    List<TrendView> views = new ArrayList<>();
    for (String key : KEYS) {
      if (last.numbers().containsKey(key)) {
        views.add(view(visits, key, grave.contains(key), zone));
      }
    }
    // Grave ones first; among the rest the temperature always has its place.
    views.sort(Comparator.comparing(v -> !v.grave()));
    List<TrendView> shown = new ArrayList<>(views.subList(0, Math.min(SHOWN, views.size())));
    views.stream()
        .filter(v -> TEMPERATURES.contains(v.key()) && !shown.contains(v))
        .findFirst()
        .ifPresent(v -> shown.set(shown.size() - 1, v));
    return shown;
  }

  private static TrendView view(List<DriveVisit> visits, String key, boolean signed, ZoneId zone) {
    Number now = visits.get(visits.size() - 1).numbers().get(key);
    OptionalDouble limit = limit(key);
    Trend trend = DriveVisit.trend(visits, key, limit).orElseThrow();
    List<Point> points = new ArrayList<>();
    for (DriveVisit visit : visits) {
      if (visit.numbers().containsKey(key)) {
        points.add(
            new Point(visit.takenAt(), boxed(visit.hours()), visit.numbers().get(key).value()));
      }
    }
    boolean grave =
        signed
            || now.harm() && now.value() > 0
            || limit.isPresent() && now.value() >= limit.getAsDouble();
    Optional<Interval> slope = trend.slope().map(s -> s.times(1000));
    return new TrendView(
        key,
        now.name(),
        now.unit(),
        now.value(),
        words(visits, key, trend, zone),
        grave,
        points,
        forecast(trend),
        slope.map(Interval::value).orElse(null),
        slope.map(Interval::low).orElse(null),
        slope.map(Interval::high).orElse(null),
        limit.isPresent() ? limit.getAsDouble() : null,
        trend.splits().stream().map(s -> s.words()).toList());
  }

  /** Drawn by the calendar: the band at each step, with the slope per day. */
  private static List<Ahead> forecast(Trend trend) {
    if (trend.forecast().isEmpty() || trend.slopePerDay().isEmpty()) {
      return List.of();
    }
    var points = trend.forecast().get().points();
    double value = points.get(0).value();
    double low = points.get(0).low();
    double high = points.get(0).high();
    Interval perDay = trend.slopePerDay().get();
    List<Ahead> ahead = new ArrayList<>();
    for (int days = 0; days <= 90; days += 15) {
      ahead.add(
          new Ahead(
              days,
              value + perDay.value() * days,
              low + perDay.low() * days,
              high + perDay.high() * days));
    }
    return ahead;
  }

  private static String words(List<DriveVisit> visits, String key, Trend trend, ZoneId zone) {
    if (trend.slope().isEmpty()) {
      return trend.why();
    }
    String since =
        trend
            .change()
            .map(c -> readingsTimes(visits, key).get(c.index()))
            .map(
                at ->
                    say(
                        "drive.since",
                        "day",
                        DAY.withLocale(Words.speaking().language().locale())
                            .format(at.atZone(zone))))
            .orElse("");
    if (TEMPERATURES.contains(key)) {
      return trend.growth().filter(g -> g.isGrowing()).isPresent()
          ? say("drive.rising")
          : say("drive.no-warmer-than-before");
    }
    double perDay = trend.slopePerDay().orElseThrow().value();
    if (perDay == 0) {
      return say("drive.flat");
    }
    String rate =
        perDay >= 1
            ? say("drive.a-day", "perDay", perDay)
            : say("drive.a-month", "perDay", perDay * 30);
    boolean growing = trend.growth().filter(g -> g.isGrowing()).isPresent();
    String how =
        perDay < 0
            ? say("drive.falling")
            : growing || trend.change().isPresent() ? say("drive.growing") : say("drive.may-grow");
    return say("drive.about", "how", how, "since", since, "rate", rate.replace("-", ""));
  }

  private static List<Instant> readingsTimes(List<DriveVisit> visits, String key) {
    return visits.stream()
        .filter(v -> v.numbers().containsKey(key))
        .map(DriveVisit::takenAt)
        .toList();
  }

  private static OptionalDouble limit(String key) {
    if (!TEMPERATURES.contains(key)) {
      return OptionalDouble.empty();
    }
    return OptionalDouble.of(key.equals("temperature") ? NVME_LIMIT_C : ATA_LIMIT_C);
  }

  private static Double boxed(OptionalDouble value) {
    return value.isPresent() ? value.getAsDouble() : null;
  }

  /** "× 9.3 in 3 d", "+12", "same". */
  static String change(double first, double last, Instant from, Instant to) {
    if (first == last) {
      return say("drive.same");
    }
    double days = Duration.between(from, to).toHours() / 24.0;
    if (first > 0 && last / first >= 3) {
      return say("drive.in", "last", last / first, "days", days(days));
    }
    return "%s%s".formatted(last > first ? "+" : "−", number(Math.abs(last - first)));
  }

  private static String days(double days) {
    return days < 90
        ? say("drive.days", "days", Math.max(1, days))
        : say("drive.months", "days", days / 30.4);
  }

  private static String number(double value) {
    return value == Math.rint(value)
        ? say("drive.whole", "n", value)
        : say("drive.tenths", "n", value);
  }
}

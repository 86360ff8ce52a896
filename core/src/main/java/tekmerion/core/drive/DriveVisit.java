package tekmerion.core.drive;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import tekmerion.core.drive.DriveNumbers.Number;
import tekmerion.core.trend.Trend;
import tekmerion.core.trend.TrendReading;

/**
 * What a drive said of itself at one time, as far as it can be followed.
 *
 * @param serial empty text if not known
 * @param firmware empty text if not known
 */
public record DriveVisit(
    Instant takenAt, String serial, String firmware, Map<String, Number> numbers) {

  public static DriveVisit of(Instant takenAt, PartReading reading) {
    Optional<DriveIdentity> identity = DriveIdentity.of(reading);
    return new DriveVisit(
        takenAt,
        identity.map(DriveIdentity::serial).orElse(""),
        identity.map(DriveIdentity::firmware).orElse(""),
        DriveNumbers.of(reading));
  }

  /** Power-on hours; empty if not reported. */
  public OptionalDouble hours() {
    return DriveNumbers.hours(numbers);
  }

  /** One number over visits; visits that did not report it are left out. */
  public static List<TrendReading> series(List<DriveVisit> visits, String key) {
    return visits.stream()
        .filter(v -> v.numbers().containsKey(key))
        .map(
            v ->
                new TrendReading(
                    v.takenAt(), v.hours(), v.numbers().get(key).value(), v.serial(), v.firmware()))
        .toList();
  }

  /** Empty if no visit reported it. */
  public static Optional<Trend> trend(List<DriveVisit> visits, String key, OptionalDouble limit) {
    List<TrendReading> series = series(visits, key);
    if (series.isEmpty()) {
      return Optional.empty();
    }
    Trend.Kind kind =
        visits.stream()
            .flatMap(v -> Optional.ofNullable(v.numbers().get(key)).stream())
            .reduce((earlier, later) -> later)
            .flatMap(Number::kind)
            .orElseGet(() -> Trend.Kind.guess(series));
    return Optional.of(Trend.of(series, kind, limit));
  }
}

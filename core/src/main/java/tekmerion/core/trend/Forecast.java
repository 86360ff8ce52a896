package tekmerion.core.trend;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Where a series leads if it goes on like this. The band opens from the spread around the last
 * readings by what the slope's interval allows.
 *
 * @param points from the last reading onwards
 * @param limit reached when; empty without a limit, or if the series does not head for it
 */
public record Forecast(List<Point> points, Optional<Limit> limit) {
  private static final int POINTS = 13;

  /**
   * @param time on the axis of the trend [h]
   */
  public record Point(double time, double value, double low, double high) {}

  /**
   * When a limit is reached.
   *
   * @param inHours from the last reading on
   * @param earliestHours with the steepest slope of the interval
   * @param latestHours with the flattest; infinite if that never reaches it
   */
  public record Limit(double limit, double inHours, double earliestHours, double latestHours) {}

  public Forecast {
    points = List.copyOf(points);
  }

  /**
   * @param time of the last reading
   * @param value the line's value there
   * @param spread half width of the band there, not negative
   * @param slope with its interval [per hour]
   * @param horizon how far [h], positive
   * @param floor no value lies below: 0 or the last count for counters, else negative infinity
   */
  static Forecast of(
      double time, double value, double spread, Interval slope, double horizon, double floor) {
    List<Point> points = new ArrayList<>();
    for (int i = 0; i < POINTS; i++) {
      double ahead = horizon * i / (POINTS - 1);
      points.add(
          new Point(
              time + ahead,
              Math.max(floor, value + slope.value() * ahead),
              Math.max(floor, value - spread + slope.low() * ahead),
              Math.max(floor, value + spread + slope.high() * ahead)));
    }
    return new Forecast(points, Optional.empty());
  }

  Forecast towards(double limit, double value, Interval slope) {
    double way = limit - value;
    Interval speed = way < 0 ? slope.times(-1) : slope;
    double distance = Math.abs(way);
    if (speed.high() <= 0) {
      return this;
    }
    return new Forecast(
        points,
        Optional.of(
            new Limit(
                limit,
                hours(distance, speed.value()),
                hours(distance, speed.high()),
                hours(distance, speed.low()))));
  }

  private static double hours(double distance, double speed) {
    return speed <= 0 ? Double.POSITIVE_INFINITY : distance / speed;
  }
}

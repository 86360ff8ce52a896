package tekmerion.core.trend;

import static tekmerion.words.Words.say;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * All that can be told of one series: where it is cut, how it went since, whether it grows, whether
 * its course changed, and where it leads. Against power-on hours if the drive reports them, else
 * against calendar hours; the slope per day is calendar in either case.
 *
 * @param kind whether values count up or scatter around a level
 * @param readings how many were given
 * @param used indices of those after the last split and the last change
 * @param axis what time is measured in
 * @param splits places where the series begins anew
 * @param slope per hour of the axis, since the last split and change; empty with fewer than 3
 *     readings
 * @param slopePerDay the same per calendar day
 * @param growth since the last split; empty with fewer than 3 readings
 * @param change since the last split; index counted among all readings
 * @param forecast empty with fewer than 3 readings
 * @param why what could not be told, and why; empty if all was
 */
public record Trend(
    Kind kind,
    int readings,
    List<Integer> used,
    Axis axis,
    List<Split> splits,
    Optional<Interval> slope,
    Optional<Interval> slopePerDay,
    Optional<MannKendall> growth,
    Optional<ChangePoint> change,
    Optional<Forecast> forecast,
    String why) {
  static final int MIN = 3;
  private static final double HOURS_A_DAY = 24;

  /** Whether values count up or scatter around a level. */
  public enum Kind {
    COUNTER,
    LEVEL;

    /** A series that never falls, and rises, is taken for a counter. */
    public static Kind guess(List<TrendReading> readings) {
      boolean falls = false;
      for (int i = 1; i < readings.size(); i++) {
        falls |= readings.get(i).value() < readings.get(i - 1).value();
      }
      return falls ? LEVEL : COUNTER;
    }
  }

  /** What time is measured in. */
  public enum Axis {
    POWER_ON_HOURS,
    CALENDAR_HOURS
  }

  public Trend {
    used = List.copyOf(used);
    splits = List.copyOf(splits);
  }

  /**
   * @param readings in the order in which they were taken, at least 1
   * @param limit to forecast the time to; empty for none
   * @throws IllegalArgumentException if there is no reading
   */
  public static Trend of(List<TrendReading> readings, Kind kind, OptionalDouble limit) {
    if (readings.isEmpty()) {
      throw new IllegalArgumentException("a series of no readings");
    }
    List<Split> splits = Split.in(readings, kind == Kind.COUNTER);
    int from = splits.isEmpty() ? 0 : splits.get(splits.size() - 1).index();
    List<Integer> distinct = distinctTimes(readings, from);
    Axis axis = axis(readings, distinct);
    List<Integer> since =
        axis == Axis.POWER_ON_HOURS ? lastOfEachHour(readings, distinct) : distinct;
    if (since.size() < MIN) {
      return new Trend(
          kind,
          readings.size(),
          since,
          axis,
          splits,
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          say(
              "trend.slope-growth-and-forecast-need-3",
              "count",
              since.size(),
              "since",
              splits.isEmpty() ? "all" : "anew"));
    }
    return new Course(readings, kind, axis, splits, since, limit).trend();
  }

  /** Of readings at one and the same time only the last counts. */
  private static List<Integer> distinctTimes(List<TrendReading> readings, int from) {
    List<Integer> kept = new ArrayList<>();
    for (int i = from; i < readings.size(); i++) {
      boolean followed =
          i + 1 < readings.size()
              && readings.get(i + 1).takenAt().equals(readings.get(i).takenAt());
      if (!followed) {
        kept.add(i);
      }
    }
    return kept;
  }

  /** A drive counts whole hours: of several readings in one, the last stands for it. */
  private static List<Integer> lastOfEachHour(List<TrendReading> readings, List<Integer> indices) {
    List<Integer> kept = new ArrayList<>();
    for (int i = 0; i < indices.size(); i++) {
      OptionalDouble now = readings.get(indices.get(i)).powerOnHours();
      boolean followed =
          i + 1 < indices.size() && readings.get(indices.get(i + 1)).powerOnHours().equals(now);
      if (!followed) {
        kept.add(indices.get(i));
      }
    }
    return kept;
  }

  /**
   * Power-on hours only if every reading has them, none goes back, and they rise at all: a clock
   * that stands tells nothing.
   */
  private static Axis axis(List<TrendReading> readings, List<Integer> indices) {
    double last = Double.NEGATIVE_INFINITY;
    int risen = 0;
    for (int i : indices) {
      OptionalDouble hours = readings.get(i).powerOnHours();
      if (hours.isEmpty() || hours.getAsDouble() < last) {
        return Axis.CALENDAR_HOURS;
      }
      risen += hours.getAsDouble() > last ? 1 : 0;
      last = hours.getAsDouble();
    }
    return risen == 1 && indices.size() > 1 ? Axis.CALENDAR_HOURS : Axis.POWER_ON_HOURS;
  }

  /** The part of a series that is looked at. */
  private record Course(
      List<TrendReading> readings,
      Kind kind,
      Axis axis,
      List<Split> splits,
      List<Integer> since,
      OptionalDouble limit) {

    Trend trend() {
      double[] values = values(since);
      Optional<ChangePoint> change = change();
      int first = change.map(ChangePoint::index).orElse(0);
      List<Integer> used = since.subList(first, since.size());
      String why = "";
      if (used.size() < MIN) {
        // Too few since the change: a change in the last two readings keeps what led to it.
        used = since.subList(since.size() - MIN, since.size());
        why = say("trend.fewer-than-3-readings-since-the");
      }
      Interval slope = slope(times(used), values(used));
      Interval perDay = slope(days(used), values(used));
      return new Trend(
          kind,
          readings.size(),
          used,
          axis,
          splits,
          Optional.of(slope),
          Optional.of(perDay),
          Optional.of(MannKendall.of(values)),
          change.map(c -> new ChangePoint(since.get(c.index()), c.gain(), c.penalty())),
          Optional.of(forecast(used, slope)),
          why);
    }

    private Optional<ChangePoint> change() {
      List<Integer> looked = since;
      if (kind == Kind.LEVEL && looked.size() > ChangePoint.MAX_POINTS) {
        looked = looked.subList(looked.size() - ChangePoint.MAX_POINTS, looked.size());
      }
      int skipped = since.size() - looked.size();
      Optional<ChangePoint> found =
          kind == Kind.COUNTER
              ? ChangePoint.ofCounter(times(looked), values(looked))
              : ChangePoint.ofLevel(times(looked), values(looked));
      return found.map(c -> new ChangePoint(c.index() + skipped, c.gain(), c.penalty()));
    }

    private Interval slope(double[] times, double[] values) {
      if (kind == Kind.COUNTER) {
        return CounterRate.of(times, values);
      }
      int from = Math.max(0, times.length - TheilSen.MAX);
      return TheilSen.slope(
          Arrays.copyOfRange(times, from, times.length),
          Arrays.copyOfRange(values, from, values.length));
    }

    private Forecast forecast(List<Integer> used, Interval slope) {
      double[] times = times(used);
      double[] values = values(used);
      double last = times[times.length - 1];
      double span = last - times[0];
      double value = values[values.length - 1];
      double spread = 0;
      double floor = value;
      if (kind == Kind.LEVEL) {
        double intercept = TheilSen.intercept(times, values, slope.value());
        value = intercept + slope.value() * last;
        spread = spread(times, values, intercept, slope.value());
        floor = Double.NEGATIVE_INFINITY;
      }
      Forecast forecast = Forecast.of(last, value, spread, slope, span / 2, floor);
      return limit.isPresent() ? forecast.towards(limit.getAsDouble(), value, slope) : forecast;
    }

    /** 95 % of readings lie within: the deviations' own 95th percentile. */
    private static double spread(double[] t, double[] v, double intercept, double slope) {
      double[] off = new double[t.length];
      for (int i = 0; i < t.length; i++) {
        off[i] = Math.abs(v[i] - intercept - slope * t[i]);
      }
      Arrays.sort(off);
      return off[(int) Math.ceil(0.95 * off.length) - 1];
    }

    private double[] times(List<Integer> indices) {
      Instant first = readings.get(indices.get(0)).takenAt();
      return indices.stream()
          .map(readings::get)
          .mapToDouble(
              r ->
                  axis == Axis.POWER_ON_HOURS
                      ? r.powerOnHours().getAsDouble()
                      : hours(first, r.takenAt()))
          .toArray();
    }

    private double[] days(List<Integer> indices) {
      Instant first = readings.get(indices.get(0)).takenAt();
      return indices.stream()
          .mapToDouble(i -> hours(first, readings.get(i).takenAt()) / HOURS_A_DAY)
          .toArray();
    }

    private double[] values(List<Integer> indices) {
      return indices.stream().mapToDouble(i -> readings.get(i).value()).toArray();
    }

    private static double hours(Instant from, Instant to) {
      return Duration.between(from, to).toMillis() / 3_600_000.0;
    }
  }
}

package tekmerion.core.battery;

import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import tekmerion.core.trend.Interval;
import tekmerion.core.trend.TheilSen;

/**
 * How a pack fades over its visits, by cycles where it counts them and by age beside: the robust
 * slope with its range, and when it comes to 80 and to 60 % of its design if it goes on so. From
 * fewer than three visits nothing is foretold; what is said then is only the mean since it was new.
 *
 * @param perHundredCycles change of health [share per 100 cycles], negative while it fades
 * @param perYear change of health [share per year of 365.25 days]
 * @param limits for 80 and 60 %, those that lie ahead
 * @param sinceNew mean change per 100 cycles, taking it to have begun at its design; empty if it
 *     counts no cycles
 */
public record Fade(
    int visits,
    Optional<Interval> perHundredCycles,
    Optional<Interval> perYear,
    List<Limit> limits,
    OptionalDouble sinceNew) {
  private static final int MIN_VISITS = 3;
  private static final double[] LIMITS = {0.8, 0.6};
  private static final double YEAR_SECONDS = 365.25 * 86_400;

  /**
   * One look at it.
   *
   * @param health full against design, as a share
   */
  public record Look(Instant at, OptionalLong cycles, double health) {}

  /**
   * When a share is reached, from the last look on.
   *
   * @param cycles further cycles, with the range; empty without counts
   * @param years further years; the later end may be infinite
   */
  public record Limit(double share, Optional<Interval> cycles, Optional<Interval> years) {}

  public Fade {
    limits = List.copyOf(limits);
  }

  /**
   * @param looks in order of time, one at least
   */
  public static Fade of(List<Look> looks) {
    Look last = looks.get(looks.size() - 1);
    OptionalDouble sinceNew =
        last.cycles().isPresent() && last.cycles().getAsLong() > 0
            ? OptionalDouble.of((last.health() - 1) / last.cycles().getAsLong() * 100)
            : OptionalDouble.empty();
    boolean counted = looks.stream().allMatch(l -> l.cycles().isPresent());
    Optional<Interval> cycles =
        counted
            ? slope(looks, looks.stream().mapToDouble(l -> l.cycles().getAsLong()).toArray())
            : Optional.empty();
    Optional<Interval> years =
        slope(
            looks,
            looks.stream().mapToDouble(l -> l.at().getEpochSecond() / YEAR_SECONDS).toArray());
    List<Limit> limits =
        Arrays.stream(LIMITS)
            .filter(limit -> limit < last.health())
            .mapToObj(
                limit ->
                    new Limit(
                        limit,
                        cycles.flatMap(s -> until(last.health() - limit, s)),
                        years.flatMap(s -> until(last.health() - limit, s))))
            .filter(l -> l.cycles().isPresent() || l.years().isPresent())
            .toList();
    return new Fade(looks.size(), cycles.map(s -> s.times(100)), years, limits, sinceNew);
  }

  private static Optional<Interval> slope(List<Look> looks, double[] at) {
    long different = Arrays.stream(at).distinct().count();
    return different < MIN_VISITS
        ? Optional.empty()
        : Optional.of(TheilSen.slope(at, looks.stream().mapToDouble(Look::health).toArray()));
  }

  /** How far along the axis the way down lies; empty if it does not fade. */
  private static Optional<Interval> until(double way, Interval slope) {
    if (!(slope.value() < 0)) {
      return Optional.empty();
    }
    double late = slope.high() < 0 ? way / -slope.high() : Double.POSITIVE_INFINITY;
    return Optional.of(new Interval(way / -slope.value(), way / -slope.low(), late));
  }
}

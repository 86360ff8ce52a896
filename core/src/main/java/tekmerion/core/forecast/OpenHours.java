package tekmerion.core.forecast;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Set;

/**
 * When people are in the shop. Work by hand goes on only then; runs do not mind.
 *
 * @param days open days, at least one
 * @param from opening, before {@code to}
 */
public record OpenHours(ZoneId zone, Set<DayOfWeek> days, LocalTime from, LocalTime to) {
  public OpenHours {
    days = Set.copyOf(days);
    if (days.isEmpty() || !from.isBefore(to)) {
      throw new IllegalArgumentException("a shop must be open on some day, from before to");
    }
  }

  /**
   * The moment at which so much opening time has passed. Counts days in the shop's own zone, so
   * that a change of clocks shifts nothing.
   *
   * @param minutes at least 0
   */
  public Instant after(Instant start, double minutes) {
    if (!(minutes >= 0)) {
      throw new IllegalArgumentException("minutes must be at least 0, are " + minutes);
    }
    long left = Math.round(minutes * 60);
    LocalDate day = start.atZone(zone).toLocalDate();
    Instant at = start;
    while (true) {
      Instant opens = day.atTime(from).atZone(zone).toInstant();
      Instant closes = day.atTime(to).atZone(zone).toInstant();
      if (days.contains(day.getDayOfWeek()) && at.isBefore(closes)) {
        Instant begin = at.isBefore(opens) ? opens : at;
        long open = Duration.between(begin, closes).getSeconds();
        if (left <= open) {
          return left == 0 ? at : begin.plusSeconds(left);
        }
        left -= open;
      } else if (left == 0) {
        return at;
      }
      day = day.plusDays(1);
      at = day.atStartOfDay(zone).toInstant();
    }
  }

  /** That moment if somebody is there, else the next opening. */
  public Instant whenOpen(Instant at) {
    return after(at, 1 / 60.0).minusSeconds(1);
  }

  /** Opening minutes between two moments; 0 if the second is not after the first. */
  public double between(Instant start, Instant end) {
    double seconds = 0;
    LocalDate last = end.atZone(zone).toLocalDate();
    for (LocalDate day = start.atZone(zone).toLocalDate();
        !day.isAfter(last);
        day = day.plusDays(1)) {
      if (!days.contains(day.getDayOfWeek())) {
        continue;
      }
      Instant opens = max(start, day.atTime(from).atZone(zone).toInstant());
      Instant closes = min(end, day.atTime(to).atZone(zone).toInstant());
      seconds += Math.max(0, Duration.between(opens, closes).getSeconds());
    }
    return seconds / 60;
  }

  private static Instant max(Instant a, Instant b) {
    return a.isAfter(b) ? a : b;
  }

  private static Instant min(Instant a, Instant b) {
    return a.isBefore(b) ? a : b;
  }
}

package tekmerion.launch.backup;

import java.time.Instant;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.ZoneId;
import java.time.temporal.IsoFields;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;

/**
 * Which backups are kept: the newest of each of the last {@value #DAYS} days, {@value #WEEKS} weeks
 * and {@value #MONTHS} months that have one. The newest of all is always among them.
 */
public final class Retention {
  static final int DAYS = 7;
  static final int WEEKS = 4;
  static final int MONTHS = 12;

  private Retention() {}

  /**
   * @param zone in which a day is counted
   */
  public static Set<Instant> kept(Collection<Instant> all, ZoneId zone) {
    List<Instant> newestFirst = all.stream().sorted(Comparator.reverseOrder()).toList();
    Set<Instant> kept = new LinkedHashSet<>();
    keep(kept, newestFirst, DAYS, at -> day(at, zone));
    keep(
        kept,
        newestFirst,
        WEEKS,
        at ->
            day(at, zone).get(IsoFields.WEEK_BASED_YEAR) * 100
                + day(at, zone).get(IsoFields.WEEK_OF_WEEK_BASED_YEAR));
    keep(kept, newestFirst, MONTHS, at -> YearMonth.from(day(at, zone)));
    return kept;
  }

  private static LocalDate day(Instant at, ZoneId zone) {
    return at.atZone(zone).toLocalDate();
  }

  private static void keep(
      Set<Instant> kept, List<Instant> newestFirst, int most, Function<Instant, Object> spanOf) {
    Set<Object> spans = new HashSet<>();
    for (Instant at : newestFirst) {
      if (spans.size() < most && spans.add(spanOf.apply(at))) {
        kept.add(at);
      }
    }
  }
}

package tekmerion.launch.backup;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class RetentionTest {
  private static final Instant NEWEST = Instant.parse("2026-12-01T03:00:00Z"); // a Tuesday

  private static List<Instant> nights(int count) {
    return IntStream.range(0, count).mapToObj(n -> NEWEST.minus(Duration.ofDays(n))).toList();
  }

  /**
   * Seven nights: 25 November to 1 December. Four weeks by their newest: 1 December, and Sundays
   * 29, 22 and 15 November. Twelve months by theirs: 1 December, 30 November, and the last day of
   * each month from October back to January.
   */
  @Test
  void daysWeeksAndMonthsAreKept() {
    assertThat(Retention.kept(nights(700), ZoneOffset.UTC))
        .extracting(at -> at.toString().substring(0, 10))
        .containsExactlyInAnyOrder(
            "2026-12-01",
            "2026-11-30",
            "2026-11-29",
            "2026-11-28",
            "2026-11-27",
            "2026-11-26",
            "2026-11-25",
            "2026-11-22",
            "2026-11-15",
            "2026-10-31",
            "2026-09-30",
            "2026-08-31",
            "2026-07-31",
            "2026-06-30",
            "2026-05-31",
            "2026-04-30",
            "2026-03-31",
            "2026-02-28",
            "2026-01-31");
  }

  @Test
  void theNewestOfADayIsKept() {
    Instant later = NEWEST.plus(Duration.ofHours(9));

    assertThat(Retention.kept(List.of(NEWEST, later), ZoneOffset.UTC)).containsExactly(later);
  }

  /** After a pause of a year what there is stays: it is the last seven days that have one. */
  @Test
  void aPauseDeletesNothing() {
    assertThat(Retention.kept(nights(7), ZoneOffset.UTC)).hasSize(7);
  }
}

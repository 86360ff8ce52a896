package tekmerion.core.forecast;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import tekmerion.core.forecast.PlanEnd.Step;

/**
 * Open Monday to Friday, nine to five. Eight of ten: within a factor of 2^(1.2816/1.96) = 1.573.
 */
class PlanEndTest {
  private static final OpenHours HOURS =
      new OpenHours(
          ZoneOffset.UTC,
          Set.of(
              DayOfWeek.MONDAY,
              DayOfWeek.TUESDAY,
              DayOfWeek.WEDNESDAY,
              DayOfWeek.THURSDAY,
              DayOfWeek.FRIDAY),
          LocalTime.of(9, 0),
          LocalTime.of(17, 0));

  /** A Monday. */
  private static final Instant TEN = Instant.parse("2026-11-30T10:00:00Z");

  private static PlanEnd end(Step... steps) {
    return PlanEnd.of(TEN, List.of(steps), HOURS);
  }

  /** 60 minutes take 38 to 94. */
  @Test
  void workTakesItsTimeWithItsSpread() {
    PlanEnd end = end(new Step(1, 60, 0));

    assertThat(end.early()).isBetween("2026-11-30T10:38:00Z", "2026-11-30T10:39:00Z");
    assertThat(end.late()).isBetween("2026-11-30T11:34:00Z", "2026-11-30T11:35:00Z");
  }

  /** Nine hours of waiting: 5:43 to 14:10; at 15:43 today, or past midnight and so at nine. */
  @Test
  void waitingGoesOnAtNightAndNobodyIsThereToHandItBack() {
    PlanEnd end = end(new Step(1, 0, 540));

    assertThat(end.early()).isBetween("2026-11-30T15:43:00Z", "2026-11-30T15:44:00Z");
    assertThat(end.late()).isEqualTo("2026-12-01T09:00:00Z");
  }

  @Test
  void whatIsSeldomNeededIsLateOnly() {
    assertThat(end(new Step(1, 60, 0), new Step(0.2, 60, 0)).early())
        .isEqualTo(end(new Step(1, 60, 0)).early());
    assertThat(end(new Step(1, 60, 0), new Step(0.2, 60, 0)).late())
        .isEqualTo(end(new Step(1, 120, 0)).late());
    assertThat(end(new Step(1, 60, 0), new Step(0.05, 60, 0)).late())
        .isEqualTo(end(new Step(1, 60, 0)).late());
  }
}

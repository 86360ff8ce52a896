package tekmerion.core.forecast;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.EnumSet;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tekmerion.core.forecast.LikelyEnd.Promise;

class LikelyEndTest {
  /** Monday to Saturday, 9 to 18 in a zone with summer time. */
  private static final OpenHours HOURS =
      new OpenHours(
          ZoneId.of("Europe/Lisbon"),
          EnumSet.complementOf(EnumSet.of(DayOfWeek.SUNDAY)),
          LocalTime.of(9, 0),
          LocalTime.of(18, 0));

  @ParameterizedTest(name = "{0} + {1} min = {2}")
  @CsvSource({
    "2026-11-23T10:00:00Z, 30, 2026-11-23T10:30:00Z", // a Monday
    "2026-11-23T17:50:00Z, 30, 2026-11-24T09:20:00Z", // over night
    "2026-11-23T06:00:00Z, 30, 2026-11-23T09:30:00Z", // before opening
    "2026-11-28T17:30:00Z, 60, 2026-11-30T09:30:00Z", // over a Sunday
    "2026-10-24T16:30:00Z, 60, 2026-10-26T09:30:00Z", // 17:30 summer time, over the change of
    // clocks
    "2026-11-23T10:00:00Z, 0, 2026-11-23T10:00:00Z",
    "2026-11-23T20:00:00Z, 0, 2026-11-23T20:00:00Z",
    "2026-11-23T17:00:00Z, 60, 2026-11-23T18:00:00Z",
  })
  void countsOpeningTimeOnly(Instant start, double minutes, Instant end) {
    assertThat(HOURS.after(start, minutes)).isEqualTo(end);
    assertThat(HOURS.between(start, end)).isCloseTo(minutes, within(1e-9));
  }

  @Test
  void addsUpStagesAsIndependentSpreads() {
    Spread a = new Spread(10, 20, 60);
    // mean 0.3·10 + 0.4·20 + 0.3·60 = 29; variance 0.3·19² + 0.4·9² + 0.3·31² = 429
    Spread twice = a.plus(a);

    assertThat(twice.usual()).isCloseTo(58, within(1e-9));
    assertThat(twice.slow()).isCloseTo(58 + 1.2816 * Math.sqrt(858), within(1e-9));
    assertThat(twice.quick()).isCloseTo(58 - 1.2816 * Math.sqrt(858), within(1e-9));
    assertThatThrownBy(() -> new Spread(3, Double.NaN, 4)).hasMessageContaining("NaN");
  }

  @Test
  void theShopsHistoryTakesOverWhenThereIsEnough() {
    double[] few = IntStream.range(0, 19).mapToDouble(i -> i).toArray();
    double[] enough = IntStream.rangeClosed(0, 20).mapToDouble(i -> 10 * i).toArray();

    Typical judged = new Typical(Map.of(Stage.WORK, few));
    Typical measured = new Typical(Map.of(Stage.WORK, enough));

    assertThat(judged.jobs(Stage.WORK)).isZero();
    assertThat(measured.jobs(Stage.WORK)).isEqualTo(21);
    assertThat(measured.of(Stage.WORK)).isEqualTo(new Spread(20, 100, 180));
  }

  @Test
  void tellsALateJobBeforeItIsLate() {
    Instant now = Instant.parse("2026-11-23T10:00:00Z");
    LikelyEnd end =
        new LikelyEnd(now.plusSeconds(3600), now.plusSeconds(7200), now.plusSeconds(14_400));

    assertThat(end.against(null, now)).isEqualTo(Promise.NONE);
    assertThat(end.against(now.plusSeconds(20_000), now)).isEqualTo(Promise.KEPT);
    assertThat(end.against(now.plusSeconds(10_000), now)).isEqualTo(Promise.AT_RISK);
    assertThat(end.against(now.plusSeconds(5_000), now)).isEqualTo(Promise.LIKELY_LATE);
    assertThat(end.against(now, now)).isEqualTo(Promise.OVERDUE);
  }

  @Test
  void whatHasPassedOfAStageIsNotCountedAgain() {
    Instant now = Instant.parse("2026-11-23T10:00:00Z");
    Typical typical = new Typical(Map.of());

    LikelyEnd fresh = LikelyEnd.of(now, 0, now, Stage.HAND_BACK, typical, HOURS);
    LikelyEnd begun = LikelyEnd.of(now, 20, now, Stage.HAND_BACK, typical, HOURS);
    LikelyEnd held = LikelyEnd.of(now, 0, now.plusSeconds(3600), Stage.HAND_BACK, typical, HOURS);

    // typical-minutes.yaml: hand back 10, 30, 180 min
    assertThat(fresh.likely()).isEqualTo("2026-11-23T10:30:00Z");
    assertThat(begun.likely()).isEqualTo("2026-11-23T10:10:00Z");
    assertThat(held.late()).isEqualTo("2026-11-23T14:00:00Z");
  }
}

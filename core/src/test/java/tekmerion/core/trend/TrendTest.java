package tekmerion.core.trend;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class TrendTest {
  private static final Instant START = Instant.parse("2026-01-05T09:00:00Z");

  /** One reading a day; the drive runs 10 h a day. */
  private static List<TrendReading> daily(double... values) {
    List<TrendReading> readings = new ArrayList<>();
    for (int i = 0; i < values.length; i++) {
      readings.add(reading(i, 1000 + 10 * i, values[i], "S1", "F1"));
    }
    return readings;
  }

  private static TrendReading reading(
      int day, double hours, double value, String serial, String firmware) {
    return new TrendReading(
        START.plus(Duration.ofDays(day)), OptionalDouble.of(hours), value, serial, firmware);
  }

  private static Trend counter(List<TrendReading> readings) {
    return Trend.of(readings, Trend.Kind.COUNTER, OptionalDouble.empty());
  }

  @Test
  void theMedianOfAllPairSlopesIgnoresAWildValue() {
    // Pairs of 0, 1, 2, 3, 100 at 0…4: of ten slopes six are exactly 1.
    Interval slope = TheilSen.slope(new double[] {0, 1, 2, 3, 4}, new double[] {0, 1, 2, 3, 100});

    assertThat(slope.value()).isEqualTo(1);
  }

  @ParameterizedTest(name = "seed {0}")
  @ValueSource(longs = {1, 2, 3})
  void shiftingAndScalingASeriesShiftsNothingAndScalesTheSlope(long seed) {
    Random random = new Random(seed);
    double[] hours = random.doubles(30, 0, 50_000).sorted().toArray();
    double[] values = random.ints(30, 0, 256).asDoubleStream().toArray();
    double[] moved = Arrays.stream(values).map(v -> 4 * v + 1024).toArray();

    Interval slope = TheilSen.slope(hours, values);

    assertThat(TheilSen.slope(hours, moved)).isEqualTo(slope.times(4));
  }

  @Test
  void growthOfFourRisingValuesHasTheProbabilityOfTwoOrdersInTwentyFour() {
    MannKendall test = MannKendall.of(new double[] {1, 2, 3, 4});

    assertThat(test.s()).isEqualTo(6);
    assertThat(test.p()).isCloseTo(2.0 / 24, within(1e-12)); // all rising or all falling, of 4!
    assertThat(test.isGrowing()).isFalse();
  }

  @Test
  void tiesTakeTheirPartOffTheVariance() {
    // n = 5, one tie of 3: (5·4·15 − 3·2·11) / 18 = (300 − 66) / 18 = 13.
    assertThat(MannKendall.variance(new double[] {1, 2, 2, 2, 3})).isEqualTo(13);
  }

  @Test
  void aCounterThatCountedNothingMayStillCountALittle() {
    Trend trend = counter(daily(7, 7, 7, 7, 7));

    Interval slope = trend.slope().orElseThrow();
    assertThat(slope.value()).isZero();
    assertThat(slope.high()).isCloseTo(3.6889 / 40, within(1e-5)); // −ln 0.025 over 40 h
    assertThat(trend.growth().orElseThrow().isGrowing()).isFalse();
  }

  @Test
  void fewerThanThreeReadingsGiveNoForecastAndSaySo() {
    Trend trend = counter(daily(1, 5));

    assertThat(trend.slope()).isEmpty();
    assertThat(trend.forecast()).isEmpty();
    assertThat(trend.why()).isEqualTo("2 readings: slope, growth and forecast need 3");
  }

  @Test
  void aFlatCounterThatTurnsSteepIsToldByItsLastCourse() {
    Trend trend = counter(daily(0, 0, 0, 0, 0, 0, 0, 0, 30, 62, 90, 121));

    assertThat(trend.change().orElseThrow().index()).isBetween(7, 8);
    assertThat(trend.slope().orElseThrow().value()).isBetween(2.9, 3.2); // 30 a day of 10 h
    assertThat(trend.slopePerDay().orElseThrow().value()).isBetween(29.0, 32.0);
  }

  @Test
  void fourReadingsTellThatACounterStoodAndThenBegan() {
    // All 46 counts in the last 3 of 30 days: by chance (0.1)^46.
    List<TrendReading> readings =
        List.of(
            reading(0, 100, 0, "S1", "F1"),
            reading(27, 370, 0, "S1", "F1"),
            reading(28, 380, 12, "S1", "F1"),
            reading(30, 400, 46, "S1", "F1"));

    Trend trend = counter(readings);

    assertThat(trend.change().orElseThrow().index()).isEqualTo(1);
    assertThat(trend.used()).containsExactly(1, 2, 3);
    assertThat(trend.slopePerDay().orElseThrow().value()).isCloseTo(46 / 3.0, within(1e-9));
  }

  @Test
  void twoCountsAreNoOnset() {
    assertThat(counter(daily(0, 0, 1, 2)).change()).isEmpty();
  }

  /** 8 counts in one of 8 equal intervals: by chance 8 · (1/8)^8, less than 10^-4. */
  @Test
  void aSingleJumpIsNoRate() {
    Trend trend = counter(daily(0, 0, 0, 0, 8, 8, 8, 8, 8));

    assertThat(trend.change().orElseThrow().index()).isEqualTo(4);
    assertThat(trend.slope().orElseThrow().value()).isLessThan(0.01);
    assertThat(counter(daily(0, 0, 0, 0, 1, 1, 1, 1, 1)).change()).isEmpty(); // one count is one
  }

  @Test
  void severalReadingsInOneHourDoNotTakeTheHoursAway() {
    List<TrendReading> readings = new ArrayList<>(daily(0, 2, 4, 6));
    readings.add(
        new TrendReading(
            START.plus(Duration.ofDays(3).plusMinutes(20)),
            OptionalDouble.of(1_030),
            6,
            "S1",
            "F1"));

    Trend trend = counter(readings);

    assertThat(trend.axis()).isEqualTo(Trend.Axis.POWER_ON_HOURS);
    assertThat(trend.used()).containsExactly(0, 1, 2, 4);
    assertThat(trend.slope().orElseThrow().value()).isCloseTo(0.2, within(1e-9)); // 2 in 10 h
  }

  @Test
  void splitsWhatCannotBeComparedAndSaysWhy() {
    List<TrendReading> readings =
        List.of(
            reading(0, 100, 4, "S1", "F1"),
            reading(1, 110, 5, "S1", "F2"),
            reading(2, 120, 0, "S1", "F2"),
            reading(3, 90, 1, "S1", "F2"),
            reading(2, 95, 1, "S1", "F2"),
            reading(4, 99, 2, "S2", "F2"),
            reading(5, 100, 2, "S2", "F2"));

    Trend trend = counter(readings);

    assertThat(trend.splits())
        .extracting(Split::index, Split::reason)
        .containsExactly(
            tuple(1, Split.Reason.NEW_FIRMWARE),
            tuple(2, Split.Reason.COUNTER_WENT_BACK),
            tuple(3, Split.Reason.HOURS_WENT_BACK),
            tuple(4, Split.Reason.CLOCK_WENT_BACK),
            tuple(5, Split.Reason.OTHER_SERIAL));
    assertThat(trend.used()).containsExactly(5, 6);
    assertThat(trend.why()).contains("since the series begins anew");
  }

  @Test
  void aDriveWithoutHoursIsFollowedByTheCalendar() {
    List<TrendReading> readings = new ArrayList<>();
    for (int day = 0; day < 4; day++) {
      readings.add(
          new TrendReading(
              START.plus(Duration.ofDays(day)), OptionalDouble.empty(), 2 * day, "", ""));
    }

    Trend trend = counter(readings);

    assertThat(trend.axis()).isEqualTo(Trend.Axis.CALENDAR_HOURS);
    assertThat(trend.slopePerDay().orElseThrow().value()).isCloseTo(2, within(1e-9));
  }

  @Test
  void aForecastReachesItsLimitBetweenTheSteepestAndTheFlattestSlope() {
    Trend trend = Trend.of(daily(40, 41, 42, 43, 44, 45), Trend.Kind.LEVEL, OptionalDouble.of(60));

    Forecast.Limit limit = trend.forecast().orElseThrow().limit().orElseThrow();

    assertThat(limit.inHours()).isCloseTo(150, within(1e-6)); // 15 at 0.1 an hour
    assertThat(limit.earliestHours()).isLessThanOrEqualTo(limit.inHours());
    assertThat(limit.latestHours()).isGreaterThanOrEqualTo(limit.inHours());
  }

  @Test
  void aSeriesThatLeadsAwayFromItsLimitNeverReachesIt() {
    Trend trend = Trend.of(daily(45, 44, 43, 42, 41), Trend.Kind.LEVEL, OptionalDouble.of(60));

    assertThat(trend.forecast().orElseThrow().limit()).isEmpty();
  }

  @Test
  void refusesWhatIsNoNumber() {
    assertThatThrownBy(() -> reading(0, 1, Double.NaN, "", ""))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("NaN");
  }
}

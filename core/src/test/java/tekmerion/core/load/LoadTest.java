package tekmerion.core.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import tekmerion.core.finding.Finding;

/** Two moments ten seconds apart, and what went on between them, worked out by hand. */
class LoadTest {
  private static final String THEN =
      """
      # uptime
      100.00 380.00
      # stat
      cpu  1000 0 500 8000 200 0 0 0 0 0
      cpu0 1000 0 500 8000 200 0 0 0 0 0
      # diskstats
         8       0 sda 100 0 2000 400 50 0 1000 100 0 600 500 0 0 0 0
         8       1 sda1 100 0 2000 400 50 0 1000 100 0 600 500 0 0 0 0
         7       0 loop0 9 9 9 9 9 9 9 9 9 9 9 0 0 0 0
      # pressure/io
      some avg10=0.00 avg60=0.00 avg300=0.00 total=1000000
      full avg10=0.00 avg60=0.00 avg300=0.00 total=500000
      # meminfo
      MemTotal:        8000000 kB
      MemAvailable:    2000000 kB
      # vmstat
      pswpin 10
      pswpout 10
      # programs
      41 100 4096 indexer of files
      42 100 - quiet
      """;

  private static final String NOW =
      """
      # uptime
      110.00 390.00
      # stat
      cpu  1500 0 700 8100 400 0 0 0 0 0
      # diskstats
         8       0 sda 200 0 4000 1400 150 0 3000 1600 0 10300 5500 0 0 0 0
      # pressure/io
      some avg10=0.00 avg60=0.00 avg300=0.00 total=6000000
      # meminfo
      MemTotal:        8000000 kB
      MemAvailable:     400000 kB
      # vmstat
      pswpin 510
      pswpout 510
      # programs
      41 600 1028096 indexer of files
      43 900 - new
      """;

  @Test
  void readsWhatWentOnBetweenTwoMoments() {
    LoadInterval of = interval();

    assertThat(of.seconds()).isEqualTo(10);
    assertThat(of.cpu()).isCloseTo(0.7, within(1e-9)); // 500 + 200 of 1,000 ticks
    LoadInterval.Device sda = of.devices().get("sda");
    assertThat(of.devices()).containsOnlyKeys("sda");
    assertThat(sda.busy()).isCloseTo(0.97, within(1e-9)); // 9,700 of 10,000 ms
    assertThat(sda.queue()).isCloseTo(0.5, within(1e-9)); // 5,000 of 10,000 ms
    assertThat(sda.latencyMs()).hasValue(12.5); // 1,000 + 1,500 ms for 200 of them
    assertThat(sda.bytesPerSecond()).isEqualTo(4_000 * 512 / 10.0);
    assertThat(of.stalled().get("io")).isCloseTo(0.5, within(1e-9));
    assertThat(of.memoryLeft().orElseThrow()).isCloseTo(0.05, within(1e-9));
    assertThat(of.swappedPerSecond()).hasValue(100);
    assertThat(of.programs()).extracting(LoadInterval.Program::name).contains("indexer of files");
    assertThat(of.programs().get(0).cpu()).isCloseTo(0.5, within(1e-9)); // 500 of 1,000 ticks
  }

  @Test
  void saysWhatKeepsItBusy() {
    List<Finding> findings =
        new LoadSample(List.of(interval()), Optional.of(new long[] {60, 400, 900})).findings();

    assertThat(findings)
        .extracting(Finding::id, Finding::level)
        .containsExactly(
            tuple("busy", "always"),
            tuple("memory.pressure", "full"),
            tuple("load.first", "one-program"),
            tuple("latency.longest", "short"));
  }

  @Test
  void saysNothingAcrossARestart() {
    assertThat(LoadInterval.between(LoadSnapshot.parse(NOW), LoadSnapshot.parse(THEN))).isEmpty();
  }

  @Test
  void namesWhatItDoesNotUnderstand() {
    assertThatThrownBy(() -> LoadSnapshot.parse("# uptime\nlong\n"))
        .hasMessageContaining("uptime")
        .hasMessageContaining("long");
    assertThatThrownBy(() -> LoadSnapshot.parse("# stat\ncpu 1 2 3 4 5 6 7 8\n"))
        .hasMessageContaining("uptime is missing");
  }

  /** Welch by hand: means 10 and 20, variances 2.5 of 5 each, so the half width is t(8)·1. */
  @Test
  void comparesIndependentMomentsAsWelchDoes() {
    Shift shift = Shift.of(new double[] {11, 8, 12, 9, 10}, new double[] {21, 18, 22, 19, 20});

    assertThat(shift.change().value()).isEqualTo(10);
    assertThat(shift.change().high() - 10).isCloseTo(2.306, within(1e-3)); // t table, 8 degrees
    assertThat(shift.isCertain()).isTrue();
  }

  /** A walk that holds on to what it was is not told from another one by its many moments. */
  @Test
  void isRightlyUnsureOfMomentsThatAreAlike() {
    Random random = new Random(5);
    Map<Boolean, Integer> certain = new HashMap<>();
    for (int i = 0; i < 400; i++) {
      Shift shift = Shift.of(walk(random), walk(random));
      certain.merge(shift.isCertain(), 1, Integer::sum);
    }
    // 5 % by design; with all moments counted as independent it would be over 40 %.
    assertThat(certain.getOrDefault(true, 0)).isLessThan(400 / 7);
  }

  private static double[] walk(Random random) {
    double[] values = new double[120];
    for (int i = 1; i < values.length; i++) {
      values[i] = 0.7 * values[i - 1] + random.nextGaussian();
    }
    return values;
  }

  private static LoadInterval interval() {
    return LoadInterval.between(LoadSnapshot.parse(THEN), LoadSnapshot.parse(NOW)).orElseThrow();
  }
}

package tekmerion.core.battery;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import tekmerion.core.battery.Charging.Verdict;
import tekmerion.core.finding.Finding;
import tekmerion.core.port.BatterySample;

/** Currents into packs of 4 Ah: 0.15 · 4 = 0.6 A and more is normal, 0.02 · 4 = 0.08 A is none. */
class ChargingTest {
  @Test
  void tellsANormalCurrentFromALowOneAndFromNone() {
    assertThat(at(1.8, 0.4)).isEqualTo(Verdict.NORMAL);
    assertThat(at(0.6, 0.4)).isEqualTo(Verdict.NORMAL);
    assertThat(at(0.59, 0.4)).isEqualTo(Verdict.LOW);
    assertThat(at(0.08, 0.4)).isEqualTo(Verdict.NONE);
  }

  @Test
  void saysNothingOfAPackThatIsNearlyFullOrOfUnknownSize() {
    assertThat(at(0.05, 0.97)).isEqualTo(Verdict.CANNOT_TELL);
    Charging unknown =
        Charging.of(samples(-0.05), List.of(), OptionalDouble.empty(), OptionalDouble.of(0.4));
    assertThat(unknown.verdict()).isEqualTo(Verdict.CANNOT_TELL);
    assertThat(unknown.findings()).isEmpty();
  }

  @Test
  void seesThatThePackHasToHelpAWeakAdapter() {
    Charging weak =
        Charging.of(samples(-1.8), samples(0.7), OptionalDouble.of(4), OptionalDouble.of(0.4));

    assertThat(weak.findings())
        .extracting(Finding::id, Finding::level)
        .containsExactly(tuple("charge.current", "normal"), tuple("adapter.voltage", "sags"));
  }

  private static Verdict at(double into, double level) {
    return Charging.of(samples(-into), List.of(), OptionalDouble.of(4), OptionalDouble.of(level))
        .verdict();
  }

  private static List<BatterySample> samples(double amperes) {
    List<BatterySample> samples = new ArrayList<>();
    for (int i = 0; i < 20; i++) {
      samples.add(new BatterySample(5 * i, 12, amperes, OptionalDouble.empty()));
    }
    return samples;
  }
}

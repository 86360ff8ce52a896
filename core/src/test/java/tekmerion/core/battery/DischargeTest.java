package tekmerion.core.battery;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import tekmerion.core.port.BatterySample;

class DischargeTest {
  private static final Sensor PERFECT = new Sensor(0, 0);

  private static BatterySample at(double seconds, double volts, double amperes) {
    return new BatterySample(seconds, volts, amperes, OptionalDouble.of(20 + seconds / 1000));
  }

  /** An hour at 2 A, 11 V: 2 Ah, 22 Wh; then the cut-off. */
  private static List<BatterySample> steady() {
    List<BatterySample> samples = new ArrayList<>();
    for (int t = 0; t <= 3600; t += 10) {
      samples.add(at(t, t < 3600 ? 11 : 9, 2));
    }
    return samples;
  }

  @Test
  void countsChargeAndEnergyUntilTheCutOff() {
    List<BatterySample> samples = steady();
    samples.add(at(3610, 9, 2)); // after the cut-off it counts no more

    Discharge.Result result = Discharge.of(samples, 9.5, PERFECT);

    assertThat(result.reachedCutOff()).isTrue();
    assertThat(result.chargeAh().value()).isCloseTo(2, within(1e-9));
    // The last ten seconds at the mean of 11 and 9 V: 22 − 2 A × 10 s × 1 V / 3600.
    assertThat(result.energyWh().value()).isCloseTo(22 - 20 / 3600.0, within(1e-9));
    assertThat(result.warmedCelsius().getAsDouble()).isCloseTo(3.6, within(1e-9));
    assertThat(result.healthByCapacity(4).value()).isCloseTo(0.5, within(1e-9));
  }

  @Test
  void theSensorsErrorsAreInTheRange() {
    // 1 % of 2 Ah and 0.05 A over an hour: sqrt(0.02² + 0.05²) = 0.05385; times 1.96.
    Ranged charge = Discharge.of(steady(), 9.5, new Sensor(0.01, 0.05)).chargeAh();

    assertThat(charge.high() - charge.value()).isCloseTo(1.959964 * 0.053852, within(1e-5));
    assertThat(charge.value() - charge.low()).isCloseTo(1.959964 * 0.053852, within(1e-5));
  }

  @Test
  void whatIsMissingIsFilledAndMakesTheRangeWider() {
    List<BatterySample> samples = steady();
    samples.removeIf(s -> s.seconds() > 1000 && s.seconds() < 1300);

    Discharge.Result steady = Discharge.of(samples, 9.5, PERFECT);
    List<BatterySample> stepping = new ArrayList<>();
    for (int t = 0; t <= 3600; t += 10) {
      if (t <= 1000 || t >= 1300) {
        stepping.add(at(t, 11, t / 50 % 2 == 0 ? 1 : 3));
      }
    }
    Discharge.Result uneven = Discharge.of(stepping, 9.5, PERFECT);

    assertThat(steady.gaps()).isEqualTo(1);
    assertThat(steady.secondsInGaps()).isEqualTo(300);
    assertThat(steady.chargeAh().value()).isCloseTo(2, within(1e-9));
    assertThat(uneven.chargeAh().high() - uneven.chargeAh().low())
        .isGreaterThan(steady.chargeAh().high() - steady.chargeAh().low());
    assertThat(uneven.reachedCutOff()).isFalse();
  }

  @Test
  void loadStepsGiveTheResistance() {
    // 0.2 Ω behind 12 V: 1 A gives 11.8 V, 3 A gives 11.4 V.
    List<BatterySample> samples = new ArrayList<>();
    for (int i = 0; i < 20; i++) {
      double amperes = i % 2 == 0 ? 1 : 3;
      samples.add(at(10 * i, 12 - 0.2 * amperes, amperes));
    }

    Discharge.Result result = Discharge.of(samples, 9.5, PERFECT);

    assertThat(result.resistanceOhm().orElseThrow().value()).isCloseTo(0.2, within(1e-9));
    assertThat(result.openCircuitVolts().orElseThrow()[0]).isCloseTo(12, within(1e-9));
    assertThat(result.resistanceTimes(0.1).orElseThrow().value()).isCloseTo(2, within(1e-9));
    assertThat(Discharge.of(steady(), 9.5, PERFECT).resistanceOhm()).isEmpty();
  }

  @Test
  void whatIsNoRunIsNamed() {
    assertThatThrownBy(() -> Discharge.of(List.of(at(0, 11, 2)), 9, PERFECT))
        .hasMessage("a run has two samples at least, not 1");
    assertThatThrownBy(() -> Discharge.of(List.of(at(5, 11, 2), at(5, 11, 2)), 9, PERFECT))
        .hasMessage("time does not go on at sample 1: 5.0 s after 5.0 s");
    assertThatThrownBy(() -> at(0, Double.NaN, 1)).isInstanceOf(IllegalArgumentException.class);
  }
}

package tekmerion.sim.battery;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import tekmerion.core.port.BatterySample;

/**
 * A pack of lithium cells in series: a voltage that falls with its charge, a resistance that grows
 * towards the end and when cold, a case that takes up its heat.
 */
public final class SimPack {
  private static final double AMBIENT = 23;

  /** Heat it takes to warm a pack by a degree, and what it gives to the air [J/K, W/K]. */
  private static final double HEAT_CAPACITY = 260;

  private static final double TO_AIR = 0.35;

  private final int cells;
  private final double capacityAh;
  private final double ohm;
  private final Random random;

  /**
   * What a run looked like, and what was true of it.
   *
   * @param trueAh really drawn until the cut-off
   * @param trueOhm of the pack, mean over the run
   */
  public record Run(
      List<BatterySample> samples, double trueAh, double trueOhm, double cutOffVolts) {}

  /** How the gauge errs and how often nobody hears it. */
  public record Gauge(
      double gain,
      double offsetAmperes,
      double noiseAmperes,
      double noiseVolts,
      double dropsOut,
      double stretchesAnHour) {}

  /**
   * @param cells in series
   * @param capacityAh from full to empty, slowly
   * @param ohm of the whole pack at half charge, warm
   */
  public SimPack(int cells, double capacityAh, double ohm, Random random) {
    this.cells = cells;
    this.capacityAh = capacityAh;
    this.ohm = ohm;
    this.random = random;
  }

  /** A machine's work, changing by steps, until the pack is at its cut-off. */
  public Run discharge(double watts, Gauge gauge, double everySeconds) {
    double cutOff = 3.0 * cells;
    double drawn = 0;
    double celsius = AMBIENT;
    double load = watts;
    double until = 0;
    double silentUntil = -1;
    List<BatterySample> samples = new ArrayList<>();
    double step = 0.5;
    double next = 0;
    double ohmSeconds = 0;
    for (double t = 0; ; t += step) {
      if (t >= until) {
        load = watts * (0.45 + 1.1 * random.nextDouble());
        until = t + 15 + 60 * random.nextDouble();
      }
      double charge = Math.max(0, 1 - drawn / (capacityAh * 3600));
      double resistance =
          ohm * (1 + 0.8 * Math.exp(-charge / 0.06)) * (1 + 0.012 * (AMBIENT + 12 - celsius));
      double open = cells * openCircuit(charge);
      // P = (U0 − I·R)·I, the smaller root.
      double root = open * open - 4 * resistance * load;
      double amperes =
          root <= 0 ? open / (2 * resistance) : (open - Math.sqrt(root)) / (2 * resistance);
      double volts = open - amperes * resistance;
      celsius +=
          step * (amperes * amperes * resistance - TO_AIR * (celsius - AMBIENT)) / HEAT_CAPACITY;
      boolean ends = volts <= cutOff;
      if (t >= next || ends) {
        next += everySeconds;
        if (t >= silentUntil
            && random.nextDouble() < gauge.stretchesAnHour() * everySeconds / 3600) {
          silentUntil = t + 20 + 160 * random.nextDouble();
        }
        boolean heard = t >= silentUntil && random.nextDouble() >= gauge.dropsOut();
        if (heard || ends) {
          samples.add(
              new BatterySample(
                  t,
                  round(volts + gauge.noiseVolts() * random.nextGaussian(), 0.001),
                  round(
                      amperes * (1 + gauge.gain())
                          + gauge.offsetAmperes()
                          + gauge.noiseAmperes() * random.nextGaussian(),
                      0.001),
                  OptionalDouble.of(round(celsius, 0.1))));
        }
      }
      if (ends) {
        return new Run(samples, drawn / 3600, ohmSeconds / t, cutOff);
      }
      drawn += amperes * step;
      ohmSeconds += resistance * step;
    }
  }

  /** Of a cell by its charge: steep at both ends, flat between. */
  private static double openCircuit(double charge) {
    return 3.45
        + 0.62 * charge
        - 0.62 * Math.exp(-charge / 0.045)
        + 0.10 * Math.exp(-(1 - charge) / 0.06);
  }

  private static double round(double value, double to) {
    return Math.round(value / to) * to;
  }
}

package tekmerion.core.battery;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import org.apache.commons.statistics.descriptive.Median;
import org.apache.commons.statistics.distribution.BinomialDistribution;
import tekmerion.core.port.BatterySample;

/**
 * What a run under load tells of a pack: charge and energy until the cut-off by counting coulombs,
 * resistance from its load steps, and how warm it made itself. Where samples are missing the
 * current between is not known; it is taken as the mean of what was before and after, and what it
 * may have been beside that goes into the range.
 *
 * @see "Plett: Battery management systems, volume II, 2015, chapter 3 (coulomb counting), chapter 2
 *     (series resistance from current steps)"
 */
public final class Discharge {
  /** Longer than so many usual intervals, samples are missing. */
  private static final double GAP_INTERVALS = 4;

  /** A load stays what it is for about as long: judgement. */
  private static final double LOAD_STAYS_SECONDS = 45;

  private static final double WINDOW_SECONDS = 240;

  /** Smaller steps drown in the noise. */
  private static final double MIN_STEP_AMPERES = 0.25;

  private static final double HOUR = 3600;

  private final List<BatterySample> samples;
  private final double usualSeconds;
  private final Sensor sensor;

  /**
   * What it came to.
   *
   * @param chargeAh drawn until the cut-off, or until the run ended
   * @param energyWh the same as energy
   * @param reachedCutOff whether it got there; if not, the pack holds more than was drawn
   * @param seconds how long it ran until then
   * @param gaps how often samples were missing
   * @param secondsInGaps for how long in all
   * @param resistanceOhm of the whole pack; empty without load steps
   * @param steps how many load steps it rests on
   * @param openCircuitVolts at the beginning and the end, with the load's drop added; empty without
   *     resistance
   * @param warmedCelsius from the beginning to its warmest; empty if not measured
   */
  public record Result(
      Ranged chargeAh,
      Ranged energyWh,
      boolean reachedCutOff,
      double seconds,
      int gaps,
      double secondsInGaps,
      Optional<Ranged> resistanceOhm,
      int steps,
      Optional<double[]> openCircuitVolts,
      OptionalDouble warmedCelsius) {
    /** State of health by capacity, as a share of the design. */
    public Ranged healthByCapacity(double designAh) {
      if (!(designAh > 0)) {
        throw new IllegalArgumentException("design capacity must be positive: " + designAh);
      }
      return chargeAh.times(1 / designAh);
    }

    /** How many times the resistance of a new pack it has. */
    public Optional<Ranged> resistanceTimes(double newOhm) {
      if (!(newOhm > 0)) {
        throw new IllegalArgumentException("resistance must be positive: " + newOhm);
      }
      return resistanceOhm.map(r -> r.times(1 / newOhm));
    }
  }

  private Discharge(List<BatterySample> samples, Sensor sensor) {
    this.samples = samples;
    this.sensor = sensor;
    double[] intervals = new double[samples.size() - 1];
    for (int i = 1; i < samples.size(); i++) {
      intervals[i - 1] = samples.get(i).seconds() - samples.get(i - 1).seconds();
    }
    Arrays.sort(intervals);
    usualSeconds = intervals[intervals.length / 2];
  }

  /**
   * @param samples in order of time, two at least
   * @param cutOffVolts at which the machine switches itself off
   * @throws IllegalArgumentException if there are fewer than two, time does not go on, or the pack
   *     is not run down
   */
  public static Result of(List<BatterySample> samples, double cutOffVolts, Sensor sensor) {
    return of(samples, OptionalDouble.of(cutOffVolts), sensor);
  }

  /**
   * @param cutOffVolts empty if nobody knows it: all of the run counts, and whether it came to its
   *     end is not said
   */
  public static Result of(List<BatterySample> samples, OptionalDouble cutOffVolts, Sensor sensor) {
    if (samples.size() < 2) {
      throw new IllegalArgumentException("a run has two samples at least, not " + samples.size());
    }
    for (int i = 1; i < samples.size(); i++) {
      if (!(samples.get(i).seconds() > samples.get(i - 1).seconds())) {
        throw new IllegalArgumentException(
            "time does not go on at sample %d: %s s after %s s"
                .formatted(i, samples.get(i).seconds(), samples.get(i - 1).seconds()));
      }
    }
    int end = 0;
    while (end < samples.size()
        && (cutOffVolts.isEmpty() || samples.get(end).volts() > cutOffVolts.getAsDouble())) {
      end++;
    }
    boolean reached = end < samples.size();
    Result result =
        new Discharge(samples.subList(0, Math.max(2, reached ? end + 1 : end)), sensor)
            .result(reached);
    if (result.chargeAh().value() < 0) {
      throw new IllegalArgumentException(
          String.format(
              Locale.ROOT,
              "%.2f Ah went into the pack, none came out: its current may have the other sign",
              -result.chargeAh().value()));
    }
    return result;
  }

  private Result result(boolean reached) {
    double coulombs = 0;
    double joules = 0;
    double variance = 0;
    double secondsInGaps = 0;
    int gaps = 0;
    for (int i = 1; i < samples.size(); i++) {
      BatterySample a = samples.get(i - 1);
      BatterySample b = samples.get(i);
      double seconds = b.seconds() - a.seconds();
      boolean gap = seconds > GAP_INTERVALS * usualSeconds;
      double amperes = (a.amperes() + b.amperes()) / 2;
      if (gap) {
        gaps++;
        secondsInGaps += seconds;
        Around around = around(i);
        // The nearer in time to a sample, the more it says; in the middle of a long gap only what
        // was usual around it does.
        double near = Math.min(1, 2 * LOAD_STAYS_SECONDS / seconds);
        amperes = near * amperes + (1 - near) * around.mean();
        double independent = Math.max(1, seconds / LOAD_STAYS_SECONDS);
        variance += Math.pow(around.deviation() * seconds, 2) / independent;
        // The load may have changed at any moment of the gap, each as likely.
        variance += Math.pow(around.change() * seconds, 2) / 12;
      }
      coulombs += amperes * seconds;
      joules += amperes * seconds * (a.volts() + b.volts()) / 2;
    }
    double seconds = samples.get(samples.size() - 1).seconds() - samples.get(0).seconds();
    double ofSensor =
        Math.pow(sensor.gain() * coulombs, 2) + Math.pow(sensor.offsetAmperes() * seconds, 2);
    Ranged charge = Ranged.of(coulombs / HOUR, Math.sqrt(variance + ofSensor) / HOUR);
    double meanVolts = coulombs == 0 ? 0 : joules / coulombs;
    double[] steps = stepResistances();
    Optional<Ranged> resistance = resistance(steps);
    return new Result(
        charge,
        charge.times(meanVolts),
        reached,
        seconds,
        gaps,
        secondsInGaps,
        resistance,
        steps.length,
        resistance.map(this::openCircuit),
        warmed());
  }

  /**
   * @param mean of the currents before and after, each side counting the same
   * @param change from before to after
   * @param deviation within each side
   */
  private record Around(double mean, double change, double deviation) {}

  /** Of the current before and after a gap. */
  private Around around(int gapEnd) {
    double from = samples.get(gapEnd - 1).seconds() - WINDOW_SECONDS;
    double to = samples.get(gapEnd).seconds() + WINDOW_SECONDS;
    double[] before =
        samples.subList(0, gapEnd).stream()
            .filter(s -> s.seconds() >= from)
            .mapToDouble(BatterySample::amperes)
            .toArray();
    double[] after =
        samples.subList(gapEnd, samples.size()).stream()
            .takeWhile(s -> s.seconds() <= to)
            .mapToDouble(BatterySample::amperes)
            .toArray();
    double meanBefore = Arrays.stream(before).average().orElseThrow();
    double meanAfter = Arrays.stream(after).average().orElseThrow();
    double squares =
        Arrays.stream(before).map(a -> Math.pow(a - meanBefore, 2)).sum()
            + Arrays.stream(after).map(a -> Math.pow(a - meanAfter, 2)).sum();
    return new Around(
        (meanBefore + meanAfter) / 2,
        meanAfter - meanBefore,
        Math.sqrt(squares / (before.length + after.length)));
  }

  /** One for each load step between neighbouring samples, in rising order [Ω]. */
  private double[] stepResistances() {
    List<Double> found = new ArrayList<>();
    for (int i = 1; i < samples.size(); i++) {
      BatterySample a = samples.get(i - 1);
      BatterySample b = samples.get(i);
      double step = b.amperes() - a.amperes();
      if (b.seconds() - a.seconds() <= GAP_INTERVALS * usualSeconds
          && Math.abs(step) >= MIN_STEP_AMPERES) {
        found.add((a.volts() - b.volts()) / step);
      }
    }
    return found.stream().mapToDouble(Double::doubleValue).sorted().toArray();
  }

  /** The median, with the order statistics that hold it in 95 of 100; empty below six steps. */
  private static Optional<Ranged> resistance(double[] sorted) {
    int n = sorted.length;
    if (n < 6) {
      return Optional.empty(); // two of five halves hold the median in 94 of 100 at most
    }
    int low = BinomialDistribution.of(n, 0.5).inverseCumulativeProbability(0.025);
    double median = Median.withDefaults().withCopy(true).evaluate(sorted);
    int below = Math.max(0, low - 1);
    return Optional.of(new Ranged(median, sorted[below], sorted[n - 1 - below]));
  }

  private double[] openCircuit(Ranged resistance) {
    BatterySample first = samples.get(0);
    BatterySample last = samples.get(samples.size() - 1);
    return new double[] {
      first.volts() + first.amperes() * resistance.value(),
      last.volts() + last.amperes() * resistance.value()
    };
  }

  private OptionalDouble warmed() {
    OptionalDouble first = samples.stream().flatMapToDouble(s -> s.celsius().stream()).findFirst();
    OptionalDouble warmest = samples.stream().flatMapToDouble(s -> s.celsius().stream()).max();
    return first.isPresent() && warmest.isPresent()
        ? OptionalDouble.of(warmest.getAsDouble() - first.getAsDouble())
        : OptionalDouble.empty();
  }
}

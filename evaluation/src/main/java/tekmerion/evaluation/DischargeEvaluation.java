package tekmerion.evaluation;

import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.SplittableRandom;
import java.util.concurrent.Callable;
import java.util.stream.IntStream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tekmerion.core.battery.Discharge;
import tekmerion.core.battery.Sensor;
import tekmerion.sim.battery.SimPack;

/** Capacity from discharge runs of simulated packs, with noise and dropouts, against the truth. */
@Command(
    name = "discharge",
    description = "How often the true capacity lies in the stated range, and the median error.",
    mixinStandardHelpOptions = true)
public final class DischargeEvaluation implements Callable<Integer> {
  @Option(names = "--runs", defaultValue = "1000", description = "Default: 1000.")
  private int runs;

  @Option(names = "--seed", defaultValue = "1", description = "Default: 1.")
  private long seed;

  private record Judged(boolean inside, double error, double ohmError) {}

  @Override
  public Integer call() {
    List<Judged> all = IntStream.range(0, runs).parallel().mapToObj(this::one).toList();
    double inside = 100.0 * all.stream().filter(Judged::inside).count() / runs;
    double median = 100 * median(all.stream().mapToDouble(Judged::error).toArray());
    System.out.printf(
        "%,d runs, seed %d%n  true capacity in the stated range %5.1f %% (wanted: 93 to 97)%n"
            + "  median error of the capacity      %5.2f %% (wanted: under 2)%n"
            + "  median error of the resistance    %5.2f %%%n",
        runs,
        seed,
        inside,
        median,
        100 * median(all.stream().mapToDouble(Judged::ohmError).toArray()));
    return inside >= 93 && inside <= 97 && median < 2 ? 0 : 1;
  }

  private Judged one(int number) {
    Random random = new Random(new SplittableRandom(seed * 7919 + number).nextLong());
    int cells = 2 + random.nextInt(3);
    double ah = 1.5 + 4 * random.nextDouble();
    double ohm = cells * (0.03 + 0.09 * random.nextDouble());
    SimPack pack = new SimPack(cells, ah, ohm, random);
    SimPack.Gauge gauge =
        new SimPack.Gauge(
            Sensor.USUAL.gain() * random.nextGaussian(),
            Sensor.USUAL.offsetAmperes() * random.nextGaussian(),
            0.02,
            0.004,
            0.05 * random.nextDouble(),
            6 * random.nextDouble());
    SimPack.Run run = pack.discharge(cells * (3 + 4 * random.nextDouble()), gauge, 2);
    Discharge.Result result = Discharge.of(run.samples(), run.cutOffVolts(), Sensor.USUAL);
    double value = result.chargeAh().value();
    double found = result.resistanceOhm().map(r -> r.value()).orElse(Double.NaN);
    return new Judged(
        run.trueAh() >= result.chargeAh().low() && run.trueAh() <= result.chargeAh().high(),
        Math.abs(value - run.trueAh()) / run.trueAh(),
        Math.abs(found - run.trueOhm()) / run.trueOhm());
  }

  private static double median(double[] values) {
    Arrays.sort(values);
    return values[values.length / 2];
  }
}

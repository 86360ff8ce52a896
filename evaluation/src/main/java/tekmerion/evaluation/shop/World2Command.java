package tekmerion.evaluation.shop;

import java.util.List;
import java.util.concurrent.Callable;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.evaluation.shop.Visit.Noise;
import tekmerion.evaluation.shop.Visit.Result;

/** How good the weighing and its advice are on machines that were not made by its tables' hand. */
@Command(
    name = "world2",
    description =
        "The same on machines simulated from their parts upward, and with every number of the know-how perturbed.",
    mixinStandardHelpOptions = true)
public final class World2Command implements Callable<Integer> {
  private static final double RIGHT_TARGET = 0.92;
  private static final double COURSE_TARGET = 0.9;
  private static final double ENDS_TARGET = 0.95;
  private static final double REBUILT_TARGET = 0.01;
  private static final double CALIBRATION_TARGET = 0.03;
  private static final double WORSE_TARGET = 0.03;

  @Option(names = "--machines", defaultValue = "1000", description = "Default: 1000.")
  private int machines;

  @Option(names = "--seed", defaultValue = "11", description = "Same seed, same machines.")
  private long seed;

  @Mixin private Reading reading;

  @Option(
      names = "--noise",
      defaultValue = "1",
      description = "Times the usual share of wrong answers and outcomes; default: 1.")
  private double noise;

  @Option(
      names = "--draws",
      defaultValue = "0",
      description = "Perturbed tables, each on --draw-machines machines; default: none.")
  private int draws;

  @Option(names = "--draw-machines", defaultValue = "100", description = "Default: 100.")
  private int drawMachines;

  @Override
  public Integer call() {
    KnowHow shipped = KnowHow.shipped();
    if (reading.tells((number, told) -> visit(shipped, number, told))) {
      return 0;
    }
    System.out.printf("%,d machines from parts upward, seed %d%n", machines, seed);
    List<Result> results = run(shipped, machines);
    Score score = Score.of(results);
    ScoreSheet sheet = reading.sheet();
    sheet.print("ADVISED", score);
    sheet.details(results);
    boolean met = judged(score);
    if (draws > 0) {
      met &= perturbed();
    }
    System.out.println(met ? "Every target is met." : "Not every target is met.");
    return met ? 0 : 1;
  }

  private List<Result> run(KnowHow knowHow, int count) {
    return IntStream.range(0, count)
        .parallel()
        .mapToObj(i -> visit(knowHow, i, line -> {}).run())
        .toList();
  }

  private Visit visit(KnowHow knowHow, int number, Consumer<Supplier<String>> told) {
    long own = Reading.seedOf(seed, number);
    Noise wrong = new Noise(noise * Noise.USUAL.owners(), noise * Noise.USUAL.technicians());
    return new Visit(knowHow, new PartsPatient(knowHow, own), Order.ADVISED, wrong, own, told);
  }

  private static boolean judged(Score score) {
    return score.right() >= RIGHT_TARGET
        && score.rightCourse() >= COURSE_TARGET
        && score.decidedRight() >= ENDS_TARGET
        && score.rebuiltWithoutNeed() <= REBUILT_TARGET
        && score.calibrationError() <= CALIBRATION_TARGET
        && score.dataLosses() == 0
        && score.hazards() == 0;
  }

  /** The same machines for every draw, so that only the tables differ. */
  private boolean perturbed() {
    Score unchanged = Score.of(run(KnowHow.shipped(), drawMachines));
    List<Score> scores =
        IntStream.range(0, draws)
            .mapToObj(d -> Score.of(run(Perturbed.of(KnowHow.shipped(), seed + d), drawMachines)))
            .toList();
    System.out.printf(
        "%n%d perturbed tables, %d machines each%n  %-22s %9s %7s %7s %7s%n",
        draws, drawMachines, "", "unchanged", "5 %", "median", "95 %");
    boolean met = line("right cause", unchanged, scores, Score::right, true);
    met &= line("right course", unchanged, scores, Score::rightCourse, true);
    met &= line("decision ends it", unchanged, scores, Score::decidedRight, true);
    met &= line("rebuilt without need", unchanged, scores, Score::rebuiltWithoutNeed, false);
    met &= line("calibration error", unchanged, scores, Score::calibrationError, false);
    return met;
  }

  private static boolean line(
      String name,
      Score unchanged,
      List<Score> scores,
      ToDoubleFunction<Score> figure,
      boolean more) {
    double[] sorted = scores.stream().mapToDouble(figure).sorted().toArray();
    double before = figure.applyAsDouble(unchanged);
    double median = at(sorted, 0.5);
    System.out.printf(
        "  %-22s %9.3f %7.3f %7.3f %7.3f%n",
        name, before, at(sorted, 0.05), median, at(sorted, 0.95));
    return more ? median >= before - WORSE_TARGET : median <= before + WORSE_TARGET;
  }

  private static double at(double[] sorted, double share) {
    return sorted[(int) Math.round(share * (sorted.length - 1))];
  }
}

package tekmerion.evaluation.shop;

import java.util.List;
import java.util.Queue;
import java.util.concurrent.Callable;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import tekmerion.core.knowhow.Drawn;
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
  private static final double MINUTES_TARGET = 1.5;
  private static final int ROUNDS = 3;
  private static final int GROUPS = 20;

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
      description = "The same machines by so many perturbed tables, in turn; default: none.")
  private int draws;

  @Option(
      names = "--fixed",
      defaultValue = "0",
      description =
          "Machines by which the best fixed order of moves is learnt, to compare minutes; default: none.")
  private int fixed;

  @Override
  public Integer call() {
    KnowHow shipped = KnowHow.shipped();
    if (reading.tells((number, told) -> world().visit(shipped, number, Order.ADVISED, told))) {
      return 0;
    }
    System.out.printf("%,d machines from parts upward, seed %d%n", machines, seed);
    List<Result> results = world().visits(0, machines, Order.ADVISED, i -> shipped);
    Score score = Score.of(results);
    ScoreSheet sheet = reading.sheet();
    sheet.print("ADVISED", score);
    sheet.details(results);
    boolean met = judged(score);
    if (fixed > 0) {
      met &= againstFixed(score, sheet);
    }
    if (draws > 0) {
      met &= perturbed(score);
    }
    System.out.println(met ? "Every target is met." : "Not every target is met.");
    return met ? 0 : 1;
  }

  private SecondWorld world() {
    double times = noise;
    return new SecondWorld(
        seed, new Noise(times * Noise.USUAL.owners(), times * Noise.USUAL.technicians()));
  }

  /**
   * Against one who knows the world: an order learnt from what moves told there, anew each round
   * from what they told in the order before.
   */
  private boolean againstFixed(Score ours, ScoreSheet sheet) {
    Chooser order = Order.ADVISED;
    for (int round = 0; round < ROUNDS; round++) {
      Chooser now = order;
      Queue<FixedOrder.Made> made = new ConcurrentLinkedQueue<>();
      IntStream.range(0, fixed)
          .parallel()
          .forEach(
              i ->
                  world()
                      .visit(KnowHow.shipped(), machines + i, now, line -> {})
                      .tellingOf(made::add)
                      .run());
      order = FixedOrder.of(made);
    }
    Score theirs = Score.of(world().visits(0, machines, order, i -> KnowHow.shipped()));
    sheet.print("FIXED", theirs);
    double times = ours.minutesARightDecision() / theirs.minutesARightDecision();
    System.out.printf("%nminutes for a right decision: %.2f of those of the fixed order%n", times);
    return times <= MINUTES_TARGET;
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

  /**
   * Machine by machine another table, so that only the tables differ from the run before; in groups
   * of draws, as one draw has too few machines to be judged by itself.
   */
  private boolean perturbed(Score unchanged) {
    List<KnowHow> tables =
        IntStream.range(0, draws)
            .parallel()
            .mapToObj(d -> Drawn.of(KnowHow.shipped(), seed + d))
            .toList();
    List<Result> all = world().visits(0, machines, Order.ADVISED, i -> tables.get(i % draws));
    List<Score> groups =
        IntStream.range(0, GROUPS)
            .mapToObj(
                g ->
                    Score.of(
                        IntStream.range(0, machines)
                            .filter(i -> i % draws % GROUPS == g)
                            .mapToObj(all::get)
                            .toList()))
            .toList();
    System.out.printf(
        "%n%d perturbed tables, a table a machine; %d groups of them%n  %-22s %9s %7s %7s %7s %7s%n",
        draws, GROUPS, "", "unchanged", "all", "5 %", "median", "95 %");
    Score every = Score.of(all);
    boolean met = line("right cause", unchanged, every, groups, Score::right, true);
    met &= line("right course", unchanged, every, groups, Score::rightCourse, true);
    met &= line("decision ends it", unchanged, every, groups, Score::decidedRight, true);
    met &= line("rebuilt without need", unchanged, every, groups, Score::rebuiltWithoutNeed, false);
    // Of few machines a calibration error is mostly chance: only that of all is judged.
    met &= every.calibrationError() <= unchanged.calibrationError() + WORSE_TARGET;
    System.out.printf(
        "  %-22s %9.3f %7.3f%n",
        "calibration error", unchanged.calibrationError(), every.calibrationError());
    System.out.printf("  data losses %d, hazards %d%n", every.dataLosses(), every.hazards());
    return met;
  }

  private static boolean line(
      String name,
      Score unchanged,
      Score every,
      List<Score> groups,
      ToDoubleFunction<Score> figure,
      boolean more) {
    double[] sorted = groups.stream().mapToDouble(figure).sorted().toArray();
    double before = figure.applyAsDouble(unchanged);
    double median = at(sorted, 0.5);
    System.out.printf(
        "  %-22s %9.3f %7.3f %7.3f %7.3f %7.3f%n",
        name, before, figure.applyAsDouble(every), at(sorted, 0.05), median, at(sorted, 0.95));
    return more ? median >= before - WORSE_TARGET : median <= before + WORSE_TARGET;
  }

  private static double at(double[] sorted, double share) {
    return sorted[(int) Math.round(share * (sorted.length - 1))];
  }
}

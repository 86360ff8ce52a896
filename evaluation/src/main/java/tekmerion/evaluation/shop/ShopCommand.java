package tekmerion.evaluation.shop;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.evaluation.shop.Visit.Result;

/** How good the weighing and its advice are, on machines whose ailments are known. */
@Command(
    name = "shop",
    description = "Right causes, calibration, minutes and data losses in a simulated shop.",
    mixinStandardHelpOptions = true)
public final class ShopCommand implements Callable<Integer> {
  private static final double RIGHT_TARGET = 0.9;
  private static final double CALIBRATION_TARGET = 0.05;
  private static final double REBUILT_TARGET = 0.02;
  private static final double SAVED_TARGET = 0.4;

  @Option(names = "--machines", defaultValue = "5000", description = "Default: 5000.")
  private int machines;

  @Option(names = "--seed", defaultValue = "5", description = "Same seed, same machines.")
  private long seed;

  @Option(
      names = "--orders",
      defaultValue = "ADVISED,CHECKLIST,RANDOM",
      split = ",",
      description = "Of ${COMPLETION-CANDIDATES}; default: all.")
  private List<Order> orders;

  @Mixin private Reading reading;

  @Override
  public Integer call() {
    if (reading.tells((number, told) -> visit(number, orders.get(0), told))) {
      return 0;
    }
    System.out.printf("%,d machines, seed %d%n", machines, seed);
    ScoreSheet sheet = reading.sheet();
    Map<Order, Score> scores = new TreeMap<>();
    for (Order order : orders) {
      List<Result> results = run(order);
      Score score = Score.of(results);
      scores.put(order, score);
      sheet.print(order.name(), score);
      if (order == Order.ADVISED) {
        sheet.details(results);
      }
    }
    return scores.containsKey(Order.ADVISED) && judged(scores) ? 0 : 1;
  }

  private List<Result> run(Order order) {
    return IntStream.range(0, machines)
        .parallel()
        .mapToObj(i -> visit(i, order, line -> {}).run())
        .toList();
  }

  private Visit visit(int number, Order order, Consumer<Supplier<String>> told) {
    long own = Reading.seedOf(seed, number);
    return new Visit(KnowHow.shipped(), new ShopPatient(own), order, Visit.Noise.USUAL, own, told);
  }

  private static boolean judged(Map<Order, Score> scores) {
    Score ours = scores.get(Order.ADVISED);
    boolean met =
        ours.right() >= RIGHT_TARGET
            && ours.calibrationError() <= CALIBRATION_TARGET
            && ours.rebuiltWithoutNeed() <= REBUILT_TARGET
            && ours.dataLosses() == 0;
    Score list = scores.get(Order.CHECKLIST);
    if (list != null) {
      double saved = 1 - ours.minutesARightDecision() / list.minutesARightDecision();
      System.out.printf(
          "%nfewer minutes for a right decision than by checklist: %.1f %%%n", 100 * saved);
      met &= saved >= SAVED_TARGET;
    }
    System.out.println(met ? "Every target is met." : "Not every target is met.");
    return met;
  }
}

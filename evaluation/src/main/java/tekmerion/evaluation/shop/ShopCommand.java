package tekmerion.evaluation.shop;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.evaluation.shop.Visit.Result;
import tekmerion.sim.shop.ShopMachines;

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

  @Option(names = "--misses", defaultValue = "15", description = "Kinds of misses to list.")
  private int misses;

  @Option(
      names = "--orders",
      defaultValue = "ADVISED,CHECKLIST,RANDOM",
      split = ",",
      description = "Of ${COMPLETION-CANDIDATES}; default: all.")
  private List<Order> orders;

  @Option(names = "--list", description = "List every machine that was judged wrongly.")
  private boolean listMachines;

  @Option(names = "--tell", description = "Tell the way of this one machine, from 0.")
  private Integer tell;

  @Override
  public Integer call() {
    if (tell != null) {
      visit(tell, orders.get(0), line -> System.out.println(line.get())).run();
      return 0;
    }
    System.out.printf("%,d machines, seed %d%n", machines, seed);
    Map<Order, Score> scores = new TreeMap<>();
    for (Order order : orders) {
      List<Result> results = run(order);
      Score score = Score.of(results);
      scores.put(order, score);
      print(order, score, results);
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
    // Seeds that follow each other give a Random first numbers that do too; these are mixed.
    long own = new SplittableRandom(seed ^ number * 0x9E3779B97F4A7C15L).nextLong();
    return new Visit(KnowHow.shipped(), new ShopMachines(own).next(), order, own, told);
  }

  private void print(Order order, Score score, List<Result> results) {
    System.out.printf(
        "%n%s%n  right cause first       %5.1f %%%n  decision ends it          %5.1f %%%n"
            + "  rebuilt without need    %5.1f %%%n  copied as a move        %5.1f %%%n  drive read first        %5.1f %%%n"
            + "  calibration error       %7.3f%n  Brier score             %7.3f%n"
            + "  moves                   %5.1f%n  minutes hands-on        %5.1f%n"
            + "  minutes waiting         %5.1f%n  minutes of work         %5.1f (waiting at a tenth)%n"
            + "  for each right decision   %5.1f%n  data losses             %5d%n",
        order,
        100 * score.right(),
        100 * score.decidedRight(),
        100 * score.rebuiltWithoutNeed(),
        100 * score.copied(),
        100 * score.readFirst(),
        score.calibrationError(),
        score.brier(),
        score.moves(),
        score.handsOn(),
        score.waiting(),
        score.minutes(),
        score.minutesARightDecision(),
        score.dataLosses());
    score
        .reliability()
        .forEach(
            bin ->
                System.out.printf(
                    "  said %3.0f %%: right %5.1f %% of %,d%n",
                    100 * bin.said(), 100 * bin.right(), bin.machines()));
    if (order == Order.ADVISED) {
      byFamily(results);
      missed(results);
    }
  }

  private static void byFamily(List<Result> results) {
    System.out.printf(
        "%n  %-18s %8s %7s %7s %8s%n", "family", "machines", "right", "decided", "minutes");
    Map<String, List<Result>> families =
        results.stream()
            .collect(
                Collectors.groupingBy(r -> r.families().get(0), TreeMap::new, Collectors.toList()));
    families.forEach(
        (family, of) ->
            System.out.printf(
                "  %-18s %8d %5.1f %% %5.1f %% %8.1f%n",
                family,
                of.size(),
                100 * share(of, r -> r.right()),
                100 * share(of, r -> r.decidedRight()),
                mean(of, Result::minutes)));
  }

  private void missed(List<Result> results) {
    Map<String, List<Result>> kinds =
        results.stream()
            .filter(r -> !r.right())
            .collect(
                Collectors.groupingBy(r -> "%s taken for %s".formatted(r.truth(), r.topCause())));
    if (listMachines) {
      for (int i = 0; i < results.size(); i++) {
        Result r = results.get(i);
        if (!r.right() || !r.decidedRight() || r.rebuiltWithoutNeed()) {
          System.out.printf(
              "  #%d %s: %s %.2f, decided %s%n",
              i, r.truth(), r.topCause(), r.topProbability(), r.decided());
        }
      }
    }
    System.out.printf("%n  missed most%n");
    List<Map.Entry<String, List<Result>>> most = new ArrayList<>(kinds.entrySet());
    most.sort((a, b) -> b.getValue().size() - a.getValue().size());
    most.stream()
        .limit(misses)
        .forEach(
            e ->
                System.out.printf(
                    "  %4d  %s (said %.0f %%, %.1f moves, decided right %.0f %%)%n",
                    e.getValue().size(),
                    e.getKey(),
                    100 * mean(e.getValue(), Result::topProbability),
                    mean(e.getValue(), r -> r.moves().size()),
                    100 * share(e.getValue(), Result::decidedRight)));
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

  private static double share(List<Result> of, Function<Result, Boolean> holds) {
    return of.stream().filter(holds::apply).count() / (double) of.size();
  }

  private static double mean(List<Result> of, ToDoubleFunction<Result> value) {
    return of.stream().mapToDouble(value).average().orElse(Double.NaN);
  }
}

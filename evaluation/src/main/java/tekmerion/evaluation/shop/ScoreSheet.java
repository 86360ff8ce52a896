package tekmerion.evaluation.shop;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import tekmerion.evaluation.shop.Visit.Result;

/** A score in print. */
final class ScoreSheet {
  private static final List<Double> CONFLICTS = List.of(0.0, 1.0, 1.5, 2.0, 3.0);

  private final int misses;
  private final boolean listMachines;

  /**
   * @param misses kinds of misses to list
   * @param listMachines whether to list every machine that was judged wrongly
   */
  ScoreSheet(int misses, boolean listMachines) {
    this.misses = misses;
    this.listMachines = listMachines;
  }

  void print(String title, Score score) {
    System.out.printf(
        "%n%s%n  right cause first       %5.1f %%%n  decision ends it          %5.1f %%%n"
            + "  rebuilt without need    %5.1f %%%n  right course            %5.1f %%%n  copied as a move        %5.1f %%%n  drive read first        %5.1f %%%n"
            + "  calibration error       %7.3f%n  Brier score             %7.3f%n"
            + "  moves                   %5.1f%n  minutes hands-on        %5.1f%n"
            + "  minutes waiting         %5.1f%n  minutes of work         %5.1f (waiting at a tenth)%n"
            + "  for each right decision   %5.1f%n  data losses             %5d%n  hazards                 %5d%n",
        title,
        100 * score.right(),
        100 * score.decidedRight(),
        100 * score.rebuiltWithoutNeed(),
        100 * score.rightCourse(),
        100 * score.copied(),
        100 * score.readFirst(),
        score.calibrationError(),
        score.brier(),
        score.moves(),
        score.handsOn(),
        score.waiting(),
        score.minutes(),
        score.minutesARightDecision(),
        score.dataLosses(),
        score.hazards());
    score
        .reliability()
        .forEach(
            bin ->
                System.out.printf(
                    "  said %3.0f %%: right %5.1f %% of %,d%n",
                    100 * bin.said(), 100 * bin.right(), bin.machines()));
  }

  /** By complaint family, and what was missed. */
  void details(List<Result> results) {
    byFamily(results);
    conflicts(results);
    missed(results);
  }

  private static void byFamily(List<Result> results) {
    System.out.printf(
        "%n  %-18s %8s %7s %7s %7s %8s%n",
        "family", "machines", "right", "ends", "course", "minutes");
    Map<String, List<Result>> families =
        results.stream()
            .collect(
                Collectors.groupingBy(r -> r.families().get(0), TreeMap::new, Collectors.toList()));
    families.forEach(
        (family, of) ->
            System.out.printf(
                "  %-18s %8d %5.1f %% %5.1f %% %5.1f %% %8.1f%n",
                family,
                of.size(),
                100 * share(of, r -> r.right()),
                100 * share(of, r -> r.decidedRight()),
                100 * share(of, r -> r.rightCourse()),
                mean(of, Result::minutes)));
  }

  /** How often findings speak against one another, where the cause is right and where it is not. */
  private static void conflicts(List<Result> results) {
    System.out.printf("%n  findings in conflict ");
    CONFLICTS.forEach(least -> System.out.printf(" %4.1f bits", least));
    conflicts("cause right", results.stream().filter(Result::right).toList());
    conflicts("another named", results.stream().filter(r -> !r.right()).toList());
    System.out.println();
  }

  private static void conflicts(String of, List<Result> results) {
    System.out.printf("%n  %-20s", of);
    CONFLICTS.forEach(
        least ->
            System.out.printf(" %7.1f %%", 100 * share(results, r -> r.conflictBits() >= least)));
    System.out.printf(" of %d", results.size());
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
        if (!r.right()
            || !r.decidedRight()
            || !r.rightCourse()
            || r.hazards() > 0
            || r.dataLost()) {
          System.out.printf(
              "  #%d %s %s%s%s%s%s: %s %.2f, decided %s, after %s%n",
              i,
              r.families(),
              r.truth(),
              r.right() ? "" : " cause",
              r.decidedRight() ? "" : " stays",
              r.rightCourse() ? "" : " course",
              r.dataLost() ? " lost" : r.hazards() > 0 ? " hazard" : "",
              r.topCause(),
              r.topProbability(),
              r.decided(),
              r.moves());
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

  private static double share(List<Result> of, Function<Result, Boolean> holds) {
    return of.stream().filter(holds::apply).count() / (double) of.size();
  }

  private static double mean(List<Result> of, ToDoubleFunction<Result> value) {
    return of.stream().mapToDouble(value).average().orElse(Double.NaN);
  }
}

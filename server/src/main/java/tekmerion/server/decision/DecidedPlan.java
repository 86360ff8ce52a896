package tekmerion.server.decision;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.stream.IntStream;
import tekmerion.core.decision.Course;
import tekmerion.core.knowhow.Remedy;
import tekmerion.core.weigh.Comparison.Compared;
import tekmerion.core.weigh.Plan;

/**
 * The plan of a decision as it stood when it was signed.
 *
 * @param onlyIf what it does only if that does not end the complaint; empty for nothing
 * @param gone probability that the complaint is gone when it is done, with its range
 * @param dataLost probability that data which is wanted is lost
 */
@Schema(name = "DecidedPlan")
public record DecidedPlan(
    String id,
    String words,
    String onlyIf,
    double gone,
    double goneLow,
    double goneHigh,
    double dataLost,
    List<Step> steps) {

  /**
   * @param name with the part that it is for: "Replace drive A"
   * @param chance that it is needed, 0 to 1
   */
  @Schema(name = "DecidedStep")
  public record Step(
      String remedy, String name, Course course, double chance, int handsOn, int waiting) {}

  public static DecidedPlan of(Compared row) {
    Plan plan = row.plan();
    return new DecidedPlan(
        plan.id(),
        row.words(),
        row.onlyIf(),
        row.gone().middle(),
        row.gone().low(),
        row.gone().high(),
        plan.dataLost(),
        IntStream.range(0, plan.remedies().size()).mapToObj(k -> step(row, k)).toList());
  }

  private static Step step(Compared row, int k) {
    Plan plan = row.plan();
    Remedy remedy = plan.remedies().get(k);
    return new Step(
        remedy.id(),
        row.steps().get(k),
        remedy.course(),
        plan.reached().get(k),
        plan.handsOnMinutes(k),
        remedy.minutes().get(1));
  }
}

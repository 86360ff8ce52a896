package tekmerion.server.step;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import tekmerion.core.decision.Course;
import tekmerion.core.permit.Invasiveness;
import tekmerion.core.progress.PlanProgress;

/**
 * The work of the signed plan.
 *
 * @param words what was decided
 * @param at number of the step that is to be done, from 1
 */
@Schema(name = "PlanWork")
public record WorkView(
    String words, String decidedBy, Instant decidedAt, int at, List<StepView> steps) {

  /**
   * @param id of the remedy, "show" or "hand-back"
   * @param state how it stands
   * @param stateWords the same in words, with what came of it
   * @param handsOn minutes; likewise waiting
   * @param move the offered move that does it, by id; null if there is none
   * @param invasiveness null for what is no remedy, likewise the course
   * @param recovers whether it brings the data to safety
   * @param part that it replaces; null if it replaces none
   * @param branch what comes then; null unless it broke off
   * @param instructions how it is done; none if its move has the steps, or it is done already
   */
  @Schema(name = "WorkStep")
  public record StepView(
      String id,
      String name,
      PlanProgress.StepState state,
      String stateWords,
      int handsOn,
      int waiting,
      @Schema(nullable = true) String move,
      @Schema(nullable = true) Invasiveness invasiveness,
      @Schema(nullable = true) Course course,
      boolean recovers,
      @Schema(nullable = true) StepPart part,
      @Schema(nullable = true) Branch branch,
      List<Instruction> instructions) {}

  /**
   * @param waitSeconds how long to wait after it; 0 for no wait
   */
  @Schema(name = "Instruction")
  public record Instruction(String words, int waitSeconds) {}

  /**
   * What comes after a step that broke off.
   *
   * @param remedy that a new decision may name; null if it is none
   */
  @Schema(name = "StepBranch")
  public record Branch(String name, @Schema(nullable = true) String remedy) {}
}

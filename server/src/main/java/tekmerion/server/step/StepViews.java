package tekmerion.server.step;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;
import tekmerion.core.decision.Course;
import tekmerion.core.knowhow.Instructions;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Remedy;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.permit.Permissions;
import tekmerion.core.progress.PlanProgress;
import tekmerion.core.progress.PlanProgress.StepState;
import tekmerion.core.weigh.Advice.Ranked;
import tekmerion.server.decision.DecidedPlan;
import tekmerion.server.decision.DecisionService.DecisionView;
import tekmerion.server.job.Changes.Came;
import tekmerion.server.job.Job;
import tekmerion.server.knowhow.ShopKnowHow;
import tekmerion.server.proof.Proofs;
import tekmerion.server.step.WorkView.Instruction;
import tekmerion.server.step.WorkView.StepView;
import tekmerion.server.weighing.WeighingService.Evidence;

/** The steps of a signed plan as they are shown. */
@Service
class StepViews {
  private final ShopKnowHow knowHow;
  private final StepParts parts;

  /**
   * What is known of the job whose plan it is.
   *
   * @param data status of the drives that were in it when the plan was signed
   * @param offered moves that can be made now
   * @param came what came of the plan's remedies
   */
  record At(
      Job job,
      Evidence evidence,
      Permissions permitted,
      DataStatus data,
      List<Ranked> offered,
      Map<String, Came> came,
      Optional<Proofs.ProofView> proof) {}

  StepViews(ShopKnowHow knowHow, StepParts parts) {
    this.knowHow = knowHow;
    this.parts = parts;
  }

  WorkView of(At at, DecisionView decision, PlanProgress progress) {
    List<StepView> steps = new ArrayList<>();
    int now = 0;
    for (PlanProgress.Step step : progress.steps()) {
      Optional<DecidedPlan.Step> decided =
          decision.plan().steps().stream().filter(s -> s.remedy().equals(step.id())).findFirst();
      Optional<Remedy> remedy = knowHow.now().remedy(step.id());
      boolean recovers = remedy.filter(Remedy::recoversOnly).isPresent();
      Optional<Came> came = Optional.ofNullable(at.came().get(step.id()));
      String words =
          switch (step.state()) {
            case NEXT -> say("step.to-be-done-now");
            case OPEN -> say("step.begun-look-whether-the-complaint-is");
            case WAITS_FOR_PART -> say("step.waits-for-a-part");
            case WAITS_FOR_OWNER -> say("step.waits-for-the-owner");
            case WAITS_FOR_STEP -> say("step.waits-for-step", "waitsFor", step.waitsFor());
            case NOT_NEEDED -> say("step.not-needed-the-complaint-was-gone");
            case NOT_DONE -> say("step.not-done", "came", came.map(Came::note).orElse(""));
            case BROKE_OFF -> say("step.begun-and-broke-off-half-way");
            case WAITS_FOR_DECISION -> say("step.the-complaint-is-still-there-decide");
            case DONE ->
                recovers
                    ? say("step.data", "status", at.data().words())
                    : came.flatMap(Came::result)
                        .map(r -> say("step.done-the-complaint-was", "r", r.words()))
                        .orElse(say("step.done"));
          };
      if (step.id().equals(PlanProgress.SHOW)
          && step.state() != StepState.WAITS_FOR_DECISION
          && at.proof().isPresent()) {
        Proofs.ProofView proof = at.proof().get();
        words += say("step.of-clean-trials", "clean", proof.clean(), "needed", proof.needed());
      }
      steps.add(
          new StepView(
              step.id(),
              name(step.id(), decided),
              step.state(),
              words,
              decided.map(DecidedPlan.Step::handsOn).orElse(0),
              decided.map(DecidedPlan.Step::waiting).orElse(0),
              remedy.flatMap(r -> move(r, at.offered())).orElse(null),
              remedy.map(Remedy::invasiveness).orElse(null),
              decided.map(DecidedPlan.Step::course).orElse(null),
              recovers,
              remedy
                  .filter(r -> r.course() == Course.REPLACE_PART && !r.part().isEmpty())
                  .map(
                      r ->
                          parts.of(
                              at.job(),
                              at.evidence(),
                              at.permitted(),
                              r,
                              came.filter(PlanSteps::isBegun)))
                  .orElse(null),
              step.state() == StepState.BROKE_OFF
                  ? remedy.flatMap(this::branch).orElse(null)
                  : null,
              isToDo(step.state()) ? instructions(step.id()) : List.of()));
      if (now == 0 && PlanProgress.isAhead(step.state())) {
        now = steps.size();
      }
    }
    return new WorkView(
        decision.plan().words(), decision.signedBy(), decision.signedAt(), Math.max(1, now), steps);
  }

  private static boolean isToDo(StepState state) {
    return PlanProgress.isAhead(state) || state == StepState.OPEN;
  }

  private static List<Instruction> instructions(String remedy) {
    return Instructions.shipped().of(remedy).stream()
        .map(step -> new Instruction(step.words(), step.waitSeconds()))
        .toList();
  }

  private static String name(String id, Optional<DecidedPlan.Step> decided) {
    return switch (id) {
      case PlanProgress.SHOW -> say("step.show-that-it-is-gone");
      case PlanProgress.HAND_BACK -> say("step.hand-it-back");
      default -> decided.map(DecidedPlan.Step::name).orElse(id);
    };
  }

  /** What comes after what it does broke off. */
  private Optional<WorkView.Branch> branch(Remedy remedy) {
    KnowHow now = knowHow.now();
    return now.moves().stream()
        .filter(move -> remedy.isDoneBy(move.id()) && !move.whenFailed().isEmpty())
        .findFirst()
        .flatMap(move -> now.move(move.whenFailed()))
        .map(
            then ->
                now.remedies().stream()
                    .filter(r -> r.isDoneBy(then.id()))
                    .findFirst()
                    .map(r -> new WorkView.Branch(r.name(), r.id()))
                    .orElseGet(() -> new WorkView.Branch(then.name(), null)));
  }

  private static Optional<String> move(Remedy remedy, List<Ranked> offered) {
    return offered.stream()
        .filter(ranked -> ranked.lock().isEmpty() && remedy.isDoneBy(ranked.move().id()))
        .map(Ranked::id)
        .findFirst();
  }
}

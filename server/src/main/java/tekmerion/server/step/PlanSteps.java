package tekmerion.server.step;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.knowhow.Remedy;
import tekmerion.core.permit.Invasiveness;
import tekmerion.core.permit.NamedDrive;
import tekmerion.core.permit.Permissions;
import tekmerion.core.permit.Proven;
import tekmerion.core.progress.PlanProgress;
import tekmerion.core.progress.PlanProgress.Outcome;
import tekmerion.core.progress.PlanProgress.StepState;
import tekmerion.core.progress.PlanProgress.WaitsFor;
import tekmerion.core.weigh.Advice.Ranked;
import tekmerion.server.decision.DecidedPlan;
import tekmerion.server.decision.DecisionService;
import tekmerion.server.decision.DecisionService.DecisionView;
import tekmerion.server.job.Changes;
import tekmerion.server.job.Changes.Came;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.knowhow.ShopKnowHow;
import tekmerion.server.move.DriveToErase;
import tekmerion.server.permit.JobPermissions;
import tekmerion.server.person.Person;
import tekmerion.server.problem.Refusal;
import tekmerion.server.proof.Proofs;
import tekmerion.server.step.WorkView.StepView;
import tekmerion.server.weighing.WeighingService;

/** Carries a signed plan from step to step. */
@Service
public class PlanSteps {
  private final Jobs jobs;
  private final DecisionService decisions;
  private final Changes changes;
  private final Proofs proofs;
  private final WeighingService weighing;
  private final JobPermissions permissions;
  private final ShopKnowHow knowHow;

  PlanSteps(
      Jobs jobs,
      DecisionService decisions,
      Changes changes,
      Proofs proofs,
      WeighingService weighing,
      JobPermissions permissions,
      ShopKnowHow knowHow) {
    this.jobs = jobs;
    this.decisions = decisions;
    this.changes = changes;
    this.proofs = proofs;
    this.weighing = weighing;
    this.permissions = permissions;
    this.knowHow = knowHow;
  }

  /**
   * Empty if no plan was signed here that stands.
   *
   * @param offered moves that can be made now
   */
  public Optional<WorkView> of(Job job, Permissions permitted, List<Ranked> offered) {
    return signed(job).map(decision -> view(job, decision, permitted, offered));
  }

  private Optional<DecisionView> signed(Job job) {
    return decisions.of(job).stream()
        .findFirst()
        .filter(decision -> !decision.fromElsewhere() && decision.plan() != null);
  }

  private PlanProgress progress(
      Job job,
      DecisionView decision,
      Permissions permitted,
      Map<String, Came> came,
      Optional<Proofs.ProofView> proof) {
    return PlanProgress.of(
        decision.plan().steps().stream()
            .map(
                step ->
                    new PlanProgress.Remedy(
                        step.remedy(),
                        recovers(step.remedy()),
                        Optional.ofNullable(came.get(step.remedy())).map(PlanSteps::outcome)))
            .toList(),
        permitted.least(),
        waitsFor(job),
        proof.filter(p -> p.proven() == Proven.DONE || p.signedBy() != null).isPresent());
  }

  private boolean recovers(String remedy) {
    return knowHow.now().remedy(remedy).filter(Remedy::recoversOnly).isPresent();
  }

  private static Outcome outcome(Came came) {
    return came.result()
        .map(
            r ->
                switch (r) {
                  case GONE -> Outcome.GONE;
                  case NOT_DONE -> Outcome.NOT_DONE;
                  default -> Outcome.STILL_THERE;
                })
        .orElse(Outcome.OPEN);
  }

  private static WaitsFor waitsFor(Job job) {
    return job.waitsFor() == null
        ? WaitsFor.NOTHING
        : switch (job.waitsFor()) {
          case PART -> WaitsFor.PART;
          case ANSWER -> WaitsFor.OWNER;
        };
  }

  private WorkView view(
      Job job, DecisionView decision, Permissions permitted, List<Ranked> offered) {
    Map<String, Came> came = changes.since(job.id(), decision.signedAt());
    Optional<Proofs.ProofView> proof = proofs.of(job);
    PlanProgress progress = progress(job, decision, permitted, came, proof);
    List<StepView> steps = new ArrayList<>();
    int at = 0;
    for (PlanProgress.Step step : progress.steps()) {
      Optional<DecidedPlan.Step> decided =
          decision.plan().steps().stream().filter(s -> s.remedy().equals(step.id())).findFirst();
      Optional<Remedy> remedy = knowHow.now().remedy(step.id());
      boolean recovers = recovers(step.id());
      String words =
          switch (step.state()) {
            case NEXT -> "to be done now";
            case OPEN -> "begun: look whether the complaint is gone";
            case WAITS_FOR_PART -> "waits for a part";
            case WAITS_FOR_OWNER -> "waits for the owner";
            case WAITS_FOR_STEP -> "waits for step " + step.waitsFor();
            case NOT_NEEDED -> "not needed: the complaint was gone";
            case NOT_DONE -> "not done: " + came.get(step.id()).note();
            case DONE ->
                recovers
                    ? "data " + permitted.least().words()
                    : Optional.ofNullable(came.get(step.id()))
                        .flatMap(Came::result)
                        .map(r -> "done, the complaint was " + r.words())
                        .orElse("done");
          };
      if (step.id().equals(PlanProgress.SHOW) && proof.isPresent()) {
        words += ", %d of %d clean trials".formatted(proof.get().clean(), proof.get().needed());
      }
      steps.add(
          new StepView(
              step.id(),
              name(step.id(), decided),
              step.state(),
              words,
              decided.map(DecidedPlan.Step::handsOn).orElse(0),
              decided.map(DecidedPlan.Step::waiting).orElse(0),
              remedy.flatMap(r -> move(r, offered)).orElse(null),
              remedy.map(Remedy::invasiveness).orElse(null),
              decided.map(DecidedPlan.Step::course).orElse(null),
              recovers));
      if (at == 0 && PlanProgress.isAhead(step.state())) {
        at = steps.size();
      }
    }
    return new WorkView(
        decision.plan().words(), decision.signedBy(), decision.signedAt(), Math.max(1, at), steps);
  }

  private static String name(String id, Optional<DecidedPlan.Step> decided) {
    return switch (id) {
      case PlanProgress.SHOW -> "Show that it is gone";
      case PlanProgress.HAND_BACK -> "Hand it back";
      default -> decided.map(DecidedPlan.Step::name).orElse(id);
    };
  }

  private static Optional<String> move(Remedy remedy, List<Ranked> offered) {
    return offered.stream()
        .filter(ranked -> ranked.lock().isEmpty() && remedy.isDoneBy(ranked.move().id()))
        .map(Ranked::id)
        .findFirst();
  }

  /**
   * Begins a step: from now on it is the job's open change, until somebody has looked at the
   * complaint.
   *
   * @param named drive that is erased, as somebody typed it who looked at it; null for what erases
   *     nothing
   * @throws Refusal 423 if it is not its turn or a gate locks it; 409 if it erases and the named
   *     drive is none of the machine's; 404 if no signed plan has it
   */
  @Transactional
  void begin(String number, long version, String remedyId, NamedDrive named, Person by) {
    Job job = jobs.named(number);
    WeighingService.Evidence evidence = weighing.weigh(job);
    Permissions permitted = permissions.of(job, evidence);
    mustBeItsTurn(job, permitted, remedyId);
    Remedy remedy =
        knowHow
            .now()
            .remedy(remedyId)
            .filter(r -> !r.recoversOnly())
            .orElseThrow(
                () ->
                    Refusal.badRequest(
                        "This step is no change of the machine.", "Do it in its own view."));
    DecisionService.mustBeOpen(remedy.course(), permitted);
    if (remedy.invasiveness() == Invasiveness.ERASES) {
      DriveToErase.mustBeOfMachine(evidence, named);
    }
    changes.begin(number, version, remedy.name(), remedy.id(), by);
  }

  /**
   * Keeps that a step could not be done, or was done elsewhere: the plan goes on without it. No
   * gate opens by that.
   *
   * @param why in the technician's words
   * @throws Refusal 423 if it is not its turn; 404 if no signed plan has it
   */
  @Transactional
  void notDone(String number, long version, String remedyId, String why, Person by) {
    Job job = jobs.named(number);
    DecidedPlan.Step step = mustBeItsTurn(job, permissions.of(job, weighing.weigh(job)), remedyId);
    changes.notDone(number, version, step.name(), step.remedy(), why, by);
  }

  private DecidedPlan.Step mustBeItsTurn(Job job, Permissions permitted, String remedyId) {
    DecisionView decision =
        signed(job).orElseThrow(() -> Refusal.notFound("No plan was signed in this job."));
    PlanProgress.Step step =
        progress(
                job,
                decision,
                permitted,
                changes.since(job.id(), decision.signedAt()),
                proofs.of(job))
            .steps()
            .stream()
            .filter(s -> s.id().equals(remedyId))
            .findFirst()
            .orElseThrow(() -> Refusal.notFound("The signed plan has no such step."));
    if (!PlanProgress.isAhead(step.state())) {
      throw Refusal.notPossibleNow("This step is done already.", "Go on with the next.");
    }
    if (step.state() == StepState.WAITS_FOR_STEP) {
      throw Refusal.locked(
          "It is not the turn of this step.",
          "Opens when step %d is done.".formatted(step.waitsFor()));
    }
    return decision.plan().steps().stream()
        .filter(s -> s.remedy().equals(remedyId))
        .findFirst()
        .orElseThrow(
            () ->
                Refusal.badRequest(
                    "This step is no change of the machine.", "Do it in its own view."));
  }
}

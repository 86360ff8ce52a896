package tekmerion.server.step;

import static tekmerion.words.Words.say;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.decision.Course;
import tekmerion.core.knowhow.Remedy;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.permit.Invasiveness;
import tekmerion.core.permit.NamedDrive;
import tekmerion.core.permit.Permissions;
import tekmerion.core.permit.Proven;
import tekmerion.core.progress.PlanProgress;
import tekmerion.core.progress.PlanProgress.Outcome;
import tekmerion.core.progress.PlanProgress.StepState;
import tekmerion.core.progress.PlanProgress.WaitsFor;
import tekmerion.core.replace.Supply;
import tekmerion.core.weigh.Advice.Ranked;
import tekmerion.server.decision.DecidedPlan;
import tekmerion.server.decision.DecisionService;
import tekmerion.server.decision.DecisionService.DecisionView;
import tekmerion.server.estimate.Estimates;
import tekmerion.server.job.ChangeClosed;
import tekmerion.server.job.Changes;
import tekmerion.server.job.Changes.Came;
import tekmerion.server.job.Changes.ComplaintNow;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.knowhow.ShopKnowHow;
import tekmerion.server.move.DriveToErase;
import tekmerion.server.permit.JobPermissions;
import tekmerion.server.person.Person;
import tekmerion.server.problem.Refusal;
import tekmerion.server.proof.Proofs;
import tekmerion.server.supply.PartSupplies;
import tekmerion.server.weighing.WeighingService;
import tekmerion.server.weighing.WeighingService.Evidence;
import tekmerion.words.Words;

/** Carries a signed plan from step to step. */
@Service
public class PlanSteps implements ChangeClosed {
  private static String inVain() {
    return say("step.all-of-the-plan-was-done");
  }

  private final Jobs jobs;
  private final DecisionService decisions;
  private final Changes changes;
  private final Proofs proofs;
  private final WeighingService weighing;
  private final JobPermissions permissions;
  private final ShopKnowHow knowHow;
  private final Estimates estimates;
  private final StepParts parts;
  private final TakenOut takenOut;
  private final StepViews views;

  PlanSteps(
      Jobs jobs,
      DecisionService decisions,
      Changes changes,
      Proofs proofs,
      WeighingService weighing,
      JobPermissions permissions,
      ShopKnowHow knowHow,
      Estimates estimates,
      StepParts parts,
      TakenOut takenOut,
      StepViews views) {
    this.jobs = jobs;
    this.decisions = decisions;
    this.changes = changes;
    this.proofs = proofs;
    this.weighing = weighing;
    this.permissions = permissions;
    this.knowHow = knowHow;
    this.estimates = estimates;
    this.parts = parts;
    this.takenOut = takenOut;
    this.views = views;
  }

  /**
   * Empty if no plan was signed here that stands.
   *
   * @param offered moves that can be made now
   */
  public Optional<WorkView> of(
      Job job, Evidence evidence, Permissions permitted, List<Ranked> offered) {
    return signed(job)
        .map(
            decision -> {
              Map<String, Came> came = changes.since(job.id(), decision.signedAt());
              Optional<Proofs.ProofView> proof = proofs.of(job);
              DataStatus data = takenOut.dataOfDrivesAt(job, decision.signedAt(), permitted);
              return views.of(
                  new StepViews.At(job, evidence, permitted, data, offered, came, proof),
                  decision,
                  progress(job, decision, data, came, proof));
            });
  }

  /**
   * All of a plan that is done and did not help calls its decision into question, if nothing did.
   */
  @Override
  public void closed(Job job) {
    signed(job)
        .map(
            decision ->
                progress(
                    job,
                    decision,
                    takenOut.dataOfDrivesAt(
                        job, decision.signedAt(), permissions.of(job, weighing.weigh(job))),
                    changes.since(job.id(), decision.signedAt()),
                    proofs.of(job)))
        .filter(progress -> progress.isOverInVain() && job.contradicted() == null)
        .ifPresent(progress -> job.contradicted(Words.kept(PlanSteps::inVain)));
  }

  private Optional<DecisionView> signed(Job job) {
    return decisions.of(job).stream()
        .findFirst()
        .filter(decision -> !decision.fromElsewhere() && decision.plan() != null);
  }

  private PlanProgress progress(
      Job job,
      DecisionView decision,
      DataStatus data,
      Map<String, Came> came,
      Optional<Proofs.ProofView> proof) {
    Map<String, PartSupplies.Standing> supplies = parts.standing(job);
    return PlanProgress.of(
        decision.plan().steps().stream()
            .map(
                step ->
                    new PlanProgress.Remedy(
                        step.remedy(),
                        recovers(step.remedy()),
                        isOrdered(supplies.get(step.remedy())),
                        Optional.ofNullable(came.get(step.remedy())).map(PlanSteps::outcome)))
            .toList(),
        data,
        waitsFor(job),
        proof.filter(p -> p.proven() == Proven.DONE || p.signedBy() != null).isPresent());
  }

  private static boolean isOrdered(PartSupplies.Standing standing) {
    return standing != null && standing.supply() == Supply.ORDERED;
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
                  case BROKE_OFF -> Outcome.BROKE_OFF;
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

  static boolean isBegun(Came came) {
    return came.result().filter(ComplaintNow.NOT_DONE::equals).isEmpty();
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
  public void begin(String number, long version, String remedyId, NamedDrive named, Person by) {
    Job job = jobs.named(number);
    Evidence evidence = weighing.weigh(job);
    Permissions permitted = permissions.of(job, evidence);
    DecidedPlan.Step step = mustBeItsTurn(job, permitted, remedyId);
    Remedy remedy =
        knowHow
            .now()
            .remedy(remedyId)
            .filter(r -> !r.recoversOnly())
            .orElseThrow(
                () ->
                    Refusal.badRequest(
                        say("step.this-step-is-no-change-of"), say("step.do-it-in-its-own-view")));
    DecisionService.mustBeOpen(remedy.course(), permitted);
    estimates.mustStillAllow(job, signed(job).orElseThrow().plan().id());
    if (isOrdered(parts.standing(job).get(remedyId))) {
      throw Refusal.locked(
          say("step.its-part-is-ordered-and-has"), say("step.opens-when-it-has-come-or"));
    }
    if (remedy.invasiveness() == Invasiveness.ERASES) {
      DriveToErase.mustBeOfMachine(evidence, named);
    }
    changes.begin(number, version, step.name(), remedy.id(), by);
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

  /** Steps, by name, that took a drive out of which nobody said what became of it. */
  public List<String> unsaidOldDrives(Job job) {
    Optional<DecisionView> signed = signed(job);
    if (signed.isEmpty()) {
      return List.of();
    }
    Map<String, Came> came = changes.since(job.id(), signed.get().signedAt());
    return signed.get().plan().steps().stream()
        .flatMap(step -> knowHow.now().remedy(step.remedy()).stream())
        .filter(
            r ->
                takenOut.isDriveOpen(
                    job, r, Optional.ofNullable(came.get(r.id())).filter(PlanSteps::isBegun)))
        .map(Remedy::name)
        .toList();
  }

  /**
   * A step of the signed plan that replaces a part.
   *
   * @throws Refusal 404 if no signed plan has it; 400 if it replaces nothing
   */
  Remedy replacing(Job job, String remedyId) {
    signed(job)
        .filter(d -> d.plan().steps().stream().anyMatch(s -> s.remedy().equals(remedyId)))
        .orElseThrow(() -> Refusal.notFound(say("step.the-signed-plan-has-no-such")));
    return knowHow
        .now()
        .remedy(remedyId)
        .filter(r -> r.course() == Course.REPLACE_PART && !r.part().isEmpty())
        .orElseThrow(
            () ->
                Refusal.badRequest(
                    say("step.this-step-replaces-no-part"), say("step.do-it-as-the-step-says")));
  }

  /** What a step of the signed plan is called: "Replace drive A". */
  String nameOf(Job job, Remedy remedy) {
    return signed(job).stream()
        .flatMap(decision -> decision.plan().steps().stream())
        .filter(step -> step.remedy().equals(remedy.id()))
        .findFirst()
        .map(DecidedPlan.Step::name)
        .orElse(remedy.name());
  }

  /** What came of a step since the plan was signed; empty if it was not begun. */
  Optional<Came> begun(Job job, String remedyId) {
    return signed(job)
        .map(d -> changes.since(job.id(), d.signedAt()).get(remedyId))
        .filter(PlanSteps::isBegun);
  }

  /** Whether a step is the one to do now. */
  boolean isItsTurn(Job job, Permissions permitted, String remedyId) {
    return signed(job).stream()
        .flatMap(decision -> progress(job, decision, permitted).steps().stream())
        .filter(step -> step.id().equals(remedyId))
        .anyMatch(step -> PlanProgress.isAhead(step.state()) && step.waitsFor() == 0);
  }

  private PlanProgress progress(Job job, DecisionView decision, Permissions permitted) {
    return progress(
        job,
        decision,
        takenOut.dataOfDrivesAt(job, decision.signedAt(), permitted),
        changes.since(job.id(), decision.signedAt()),
        proofs.of(job));
  }

  private DecidedPlan.Step mustBeItsTurn(Job job, Permissions permitted, String remedyId) {
    DecisionView decision =
        signed(job).orElseThrow(() -> Refusal.notFound(say("step.no-plan-was-signed-in-this")));
    PlanProgress.Step step =
        progress(job, decision, permitted).steps().stream()
            .filter(s -> s.id().equals(remedyId))
            .findFirst()
            .orElseThrow(() -> Refusal.notFound(say("step.the-signed-plan-has-no-such")));
    if (!PlanProgress.isAhead(step.state())) {
      throw Refusal.notPossibleNow(
          say("step.this-step-is-done-already"), say("step.go-on-with-the-next"));
    }
    if (step.state() == StepState.WAITS_FOR_STEP) {
      throw Refusal.locked(
          say("step.it-is-not-the-turn-of"),
          say("step.opens-when-step-is-done", "waitsFor", step.waitsFor()));
    }
    return decision.plan().steps().stream()
        .filter(s -> s.remedy().equals(remedyId))
        .findFirst()
        .orElseThrow(
            () ->
                Refusal.badRequest(
                    say("step.this-step-is-no-change-of"), say("step.do-it-in-its-own-view")));
  }
}

package tekmerion.server.jobview;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.springframework.stereotype.Service;
import tekmerion.core.decision.Course;
import tekmerion.core.permit.Permissions;
import tekmerion.core.weigh.Advice;
import tekmerion.core.weigh.Plan;
import tekmerion.server.decision.DecisionService;
import tekmerion.server.decision.DecisionService.CourseView;
import tekmerion.server.decision.DecisionService.DecisionView;
import tekmerion.server.handback.HandBacks;
import tekmerion.server.job.Job;
import tekmerion.server.proof.Proofs;
import tekmerion.server.run.CopiesOfJob;
import tekmerion.server.step.PlanSteps;
import tekmerion.server.step.WorkView;
import tekmerion.server.stock.Stock;
import tekmerion.server.supply.NeededParts;
import tekmerion.server.weighing.WeighingService.Evidence;

/**
 * What can be decided, what was, and how it is proved.
 *
 * @param waiver what an owner signs who wants no copy
 * @param contradicted why the last decision has to be looked at again; null if nothing speaks
 *     against it
 * @param cameBack an earlier job with the same complaint, if it is less than 90 days ago
 * @param needed the parts that would have to be bought, as the old ones describe them
 * @param proof null if nothing was decided that mends
 * @param work the signed plan step by step; null if none was signed here
 */
record JobPlan(
    List<CourseView> courses,
    List<Course> leaning,
    List<PlanView> plans,
    String waiver,
    @Schema(nullable = true) String contradicted,
    @Schema(nullable = true) CameBack.Earlier cameBack,
    List<Needed> needed,
    @Schema(nullable = true) Proofs.ProofView proof,
    @Schema(nullable = true) WorkView work,
    List<DecisionView> decisions,
    HandBackView handBack) {

  /**
   * How the machine goes back.
   *
   * @param wording what whoever takes it signs
   * @param copiesUntil when copies of its drives are to be erased if it went back now; null if
   *     there are none
   * @param done null until it was taken back
   */
  @Schema(name = "HandBackPlan")
  record HandBackView(
      String wording,
      @Schema(nullable = true) Instant copiesUntil,
      @Schema(nullable = true) HandBacks.View done) {}

  /**
   * A part to buy.
   *
   * @param place of the old one, "drive A"
   * @param inStock what of the stock fits; null if nothing does
   */
  @Schema(name = "NeededPart")
  record Needed(String place, String words, @Schema(nullable = true) String inStock) {}

  /**
   * What could be decided now; all costs in minutes of work.
   *
   * @param id remedies by id, in order, joined with "+"
   * @param minutes of work, waiting at a tenth
   * @param parts their price
   * @param owner what its owner needs afterwards
   * @param comeback what a comeback is expected to cost
   * @param data what lost data is expected to cost
   * @param fails probability that the complaint is not gone, 0 to 1; as where plans stand side by
   *     side
   */
  @Schema(name = "Plan")
  record PlanView(
      String id,
      String words,
      List<Course> courses,
      double minutes,
      double parts,
      double owner,
      double comeback,
      double data,
      double fails) {
    static PlanView of(Plan plan, Advice advice) {
      return new PlanView(
          plan.id(),
          advice.words(plan),
          plan.courses(),
          plan.minutes(),
          plan.parts(),
          plan.owner(),
          plan.comeback(),
          plan.data(),
          1 - plan.gone());
    }
  }

  /** Puts it together. */
  @Service
  static class Views {
    private final DecisionService decisions;
    private final CameBack cameBack;
    private final Stock stock;
    private final Proofs proofs;
    private final PlanSteps steps;
    private final HandBacks handBacks;
    private final CopiesOfJob copies;
    private final Clock clock;

    Views(
        DecisionService decisions,
        CameBack cameBack,
        Stock stock,
        Proofs proofs,
        PlanSteps steps,
        HandBacks handBacks,
        CopiesOfJob copies,
        Clock clock) {
      this.decisions = decisions;
      this.cameBack = cameBack;
      this.stock = stock;
      this.proofs = proofs;
      this.steps = steps;
      this.handBacks = handBacks;
      this.copies = copies;
      this.clock = clock;
    }

    JobPlan of(
        Job job,
        Evidence evidence,
        Permissions permitted,
        Advice advice,
        List<CourseView> courses) {
      return new JobPlan(
          courses,
          evidence.weighed().leaning(),
          advice.plans().stream().map(plan -> PlanView.of(plan, advice)).toList(),
          DecisionService.waiverWording(),
          job.endedAt() == null ? job.contradicted() : null,
          cameBack.of(job).orElse(null),
          NeededParts.of(evidence).stream()
              .map(
                  n ->
                      new Needed(n.place(), n.part().words(), stock.fitting(n.part()).orElse(null)))
              .toList(),
          proofs.of(job).orElse(null),
          job.endedAt() == null
              ? steps.of(job, evidence, permitted, advice.moves()).orElse(null)
              : null,
          decisions.of(job),
          new HandBackView(HandBacks.wording(), copiesUntil(job), handBacks.of(job).orElse(null)));
    }

    private Instant copiesUntil(Job job) {
      Instant from = job.endedAt() == null ? clock.instant() : job.endedAt();
      return copies.anyKept(job.id()) ? from.plus(CopiesOfJob.KEPT) : null;
    }
  }
}

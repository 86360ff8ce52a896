package tekmerion.server.jobview;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.permit.Permissions;
import tekmerion.core.weigh.NextMoves;
import tekmerion.server.bay.Bay;
import tekmerion.server.bay.Bays;
import tekmerion.server.decision.DecisionService;
import tekmerion.server.decision.DecisionService.CourseView;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.Shown;
import tekmerion.server.move.MadeMoves;
import tekmerion.server.permit.JobPermissions;
import tekmerion.server.weighing.WeighingService;
import tekmerion.server.weighing.WeighingService.Evidence;

/** Weighs a job once and has each part of its view put together from that. */
@Service
class JobViews implements Shown {
  private final Jobs jobs;
  private final Bays bays;
  private final WeighingService weighing;
  private final JobPermissions permissions;
  private final DecisionService decisions;
  private final MadeMoves made;
  private final Parts parts;

  /** Those who put a part together. */
  @Service
  record Parts(
      JobCase.Views jobCase,
      JobCustody.Views custody,
      JobEvidence.Views evidence,
      JobDiagnosis.Views diagnosis,
      JobPlan.Views plan,
      JobHistory.Views history) {}

  JobViews(
      Jobs jobs,
      Bays bays,
      WeighingService weighing,
      JobPermissions permissions,
      DecisionService decisions,
      MadeMoves made,
      Parts parts) {
    this.jobs = jobs;
    this.bays = bays;
    this.weighing = weighing;
    this.permissions = permissions;
    this.decisions = decisions;
    this.made = made;
    this.parts = parts;
  }

  @Override
  @Transactional(readOnly = true)
  public void mustShow(String jobNumber) {
    of(jobNumber);
  }

  @Transactional(readOnly = true)
  JobView of(String number) {
    Job job = jobs.named(number);
    Optional<Bay> bay = bays.findByJobId(job.id());
    Evidence weighed = weighing.weigh(job);
    Permissions permitted = permissions.of(job, weighed);
    List<CourseView> courses = decisions.courses(permitted);
    NextMoves.Advice advice =
        job.endedAt() != null
            ? NextMoves.Advice.NONE
            : weighing.advice(job, weighed, permitted, made.done(job.id()), true);
    JobCustody custody = parts.custody().of(job, bay);
    JobEvidence evidence = parts.evidence().of(job, weighed, permitted);
    return new JobView(
        parts.jobCase().of(job),
        custody,
        evidence,
        parts.diagnosis().of(job, custody, evidence, weighed.weighed(), advice, courses),
        parts.plan().of(job, weighed, advice, courses),
        parts.history().of(job));
  }
}

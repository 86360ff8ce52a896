package tekmerion.server.jobview;

import static tekmerion.server.job.JobAspect.CASE;
import static tekmerion.server.job.JobAspect.CUSTODY;
import static tekmerion.server.job.JobAspect.DIAGNOSIS;
import static tekmerion.server.job.JobAspect.EVIDENCE;
import static tekmerion.server.job.JobAspect.HISTORY;
import static tekmerion.server.job.JobAspect.PLAN;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.util.function.SingletonSupplier;
import tekmerion.core.permit.Permissions;
import tekmerion.core.weigh.Advice;
import tekmerion.server.bay.Bays;
import tekmerion.server.decision.DecisionService;
import tekmerion.server.decision.DecisionService.CourseView;
import tekmerion.server.job.Job;
import tekmerion.server.job.JobAspect;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.Shown;
import tekmerion.server.move.MoveLog;
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
  private final MoveLog made;
  private final Parts parts;

  /** Those who put a part together. */
  @Service
  record Parts(
      JobCase.Views jobCase,
      JobCustody.Views custody,
      JobEvidence.Views evidence,
      JobDiagnosis.Views diagnosis,
      JobPlan.Views plan,
      JobHistory.Views history,
      PlansView.Views plans) {}

  JobViews(
      Jobs jobs,
      Bays bays,
      WeighingService weighing,
      JobPermissions permissions,
      DecisionService decisions,
      MoveLog made,
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

  /** Everything, as it was at one moment. */
  @Transactional(readOnly = true)
  JobView of(String number) {
    JobAspects all = of(number, JobAspect.ALL);
    return new JobView(
        all.jobCase(), all.custody(), all.evidence(), all.diagnosis(), all.plan(), all.history());
  }

  /**
   * What can be decided now, side by side.
   *
   * @param own remedies of a plan of one's own, by id and in order; none for no such plan
   */
  @Transactional(readOnly = true)
  PlansView plans(String number, Optional<List<String>> own) {
    Job job = jobs.named(number);
    Judged judged = judged(job, parts.custody().of(job, bays.findByJobId(job.id())));
    return parts
        .plans()
        .of(
            weighing.compare(job, judged.evidence(), judged.permitted(), own),
            judged.advice(),
            judged.courses());
  }

  /** What was asked for, as it was at one moment; weighs only if it must. */
  @Transactional(readOnly = true)
  JobAspects of(String number, Set<JobAspect> asked) {
    Job job = jobs.named(number);
    Supplier<JobCustody> custody =
        SingletonSupplier.of(() -> parts.custody().of(job, bays.findByJobId(job.id())));
    Supplier<Judged> judged = SingletonSupplier.of(() -> judged(job, custody.get()));
    Supplier<JobEvidence> evidence =
        SingletonSupplier.of(
            () -> parts.evidence().of(job, judged.get().evidence(), judged.get().permitted()));
    return new JobAspects(
        asked.contains(CASE) ? parts.jobCase().of(job) : null,
        asked.contains(CUSTODY) ? custody.get() : null,
        asked.contains(EVIDENCE) ? evidence.get() : null,
        asked.contains(DIAGNOSIS)
            ? parts
                .diagnosis()
                .of(
                    job,
                    custody.get(),
                    evidence.get(),
                    judged.get().evidence().weighed(),
                    judged.get().advice(),
                    judged.get().courses())
            : null,
        asked.contains(PLAN)
            ? parts
                .plan()
                .of(
                    job,
                    judged.get().evidence(),
                    judged.get().permitted(),
                    judged.get().advice(),
                    judged.get().courses())
            : null,
        asked.contains(HISTORY) ? parts.history().of(job) : null);
  }

  /** What the evidence comes to. */
  private record Judged(
      Evidence evidence, Permissions permitted, List<CourseView> courses, Advice advice) {}

  private Judged judged(Job job, JobCustody custody) {
    Evidence evidence = weighing.weigh(job);
    Permissions permitted = permissions.of(job, evidence);
    return new Judged(
        evidence,
        permitted,
        decisions.courses(permitted),
        job.endedAt() != null
            ? Advice.NONE
            : weighing.advice(
                job, evidence, permitted, made.done(job.id()), custody.isProbeOnline()));
  }
}

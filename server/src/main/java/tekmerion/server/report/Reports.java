package tekmerion.server.report;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.decision.Course;
import tekmerion.core.permit.DriveState;
import tekmerion.core.permit.Proven;
import tekmerion.core.report.OwnerFacts;
import tekmerion.core.report.OwnerReport;
import tekmerion.core.report.OwnerWords;
import tekmerion.core.weigh.Suspicion;
import tekmerion.core.weigh.Weighed;
import tekmerion.core.weigh.Weighed.CauseShare;
import tekmerion.link.RescueResult;
import tekmerion.link.RunNames;
import tekmerion.server.TekmerionProperties;
import tekmerion.server.decision.DecisionService;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.knowhow.ShopKnowHow;
import tekmerion.server.move.MadeMoves;
import tekmerion.server.move.MoveLog;
import tekmerion.server.part.Machine;
import tekmerion.server.permit.JobPermissions;
import tekmerion.server.problem.Refusal;
import tekmerion.server.proof.Proofs;
import tekmerion.server.report.ReportView.Annex;
import tekmerion.server.report.ReportView.AnnexRun;
import tekmerion.server.report.ReportView.AnnexStep;
import tekmerion.server.report.ReportView.ReportAdvice;
import tekmerion.server.report.ReportView.ReportSection;
import tekmerion.server.report.ReportView.ReportWords;
import tekmerion.server.run.Run;
import tekmerion.server.run.RunWords;
import tekmerion.server.run.Runs;
import tekmerion.server.weighing.WeighingService;
import tekmerion.server.weighing.WeighingService.Evidence;
import tekmerion.words.Language;
import tekmerion.words.Speaking;
import tekmerion.words.Words;

/** Puts a job's report together from what was kept of it. */
@Service
class Reports {
  private final Jobs jobs;
  private final WeighingService weighing;
  private final DecisionService decisions;
  private final MoveLog made;
  private final Proofs proofs;
  private final Runs runs;
  private final JobPermissions permissions;
  private final ReportParts parts;
  private final ShopKnowHow knowHow;
  private final TekmerionProperties properties;
  private final Clock clock;

  Reports(
      Jobs jobs,
      WeighingService weighing,
      DecisionService decisions,
      MoveLog made,
      Proofs proofs,
      Runs runs,
      JobPermissions permissions,
      ReportParts parts,
      ShopKnowHow knowHow,
      TekmerionProperties properties,
      Clock clock) {
    this.jobs = jobs;
    this.weighing = weighing;
    this.decisions = decisions;
    this.made = made;
    this.proofs = proofs;
    this.runs = runs;
    this.permissions = permissions;
    this.parts = parts;
    this.knowHow = knowHow;
    this.properties = properties;
    this.clock = clock;
  }

  /**
   * @throws Refusal 404 if there is no such job
   */
  @Transactional(readOnly = true)
  ReportView of(String number) {
    Job job = jobs.named(number);
    return Words.in(Speaking.prose(language(job)), () -> told(job));
  }

  /** In the owner's language, which is spoken meanwhile. */
  private ReportView told(Job job) {
    OwnerWords words = words(job);
    Evidence evidence = weighing.weigh(job);
    List<Run> ofJob = runs.ofJob(job.id());
    List<MoveLog.Made> moves = made.of(job.id());
    Optional<DecisionService.Stood> stood = decisions.stood(job);
    Optional<CauseShare> cause =
        cause(job, stood.map(DecisionService.Stood::weighed).orElse(evidence.weighed()));
    OwnerReport report = OwnerReport.of(facts(job, cause, ofJob, moves), words);
    ZoneId zone = properties.shop().zone();
    return new ReportView(
        job.number(),
        Optional.ofNullable(properties.shop().name()).orElse(""),
        job.customer().displayName(),
        job.customer().id(),
        language(job),
        job.machine().name(),
        job.machine().serial(),
        report.title(),
        report.job(),
        report.printed(),
        report.sections().stream().map(s -> new ReportSection(s.heading(), s.lines())).toList(),
        ReportPlots.of(
            parts.visits(job, cause, stood.map(DecisionService.Stood::at).orElse(clock.instant())),
            ofJob,
            words,
            zone),
        report.advice().stream().map(a -> new ReportAdvice(a.title(), a.text())).toList(),
        new ReportWords(
            words.of("shop"),
            words.of("advice"),
            words.of("annex"),
            words.of("annex.lead"),
            words.of("annex.runs"),
            words.of("annex.readings"),
            words.of("annex.moves"),
            words.of("annex.none"),
            words.of("page", "{0}", "{1}")),
        annex(job, ofJob, moves));
  }

  /** What the owner of a job reads. */
  @Transactional(readOnly = true)
  OwnerWords words(String number) {
    return words(jobs.named(number));
  }

  private static OwnerWords words(Job job) {
    return new OwnerWords(language(job).locale());
  }

  private static Language language(Job job) {
    return job.customer().papers();
  }

  /** Who an estimate is for, and of what. */
  @Transactional(readOnly = true)
  EstimatePdf.Head head(String number) {
    Job job = jobs.named(number);
    return new EstimatePdf.Head(
        Optional.ofNullable(properties.shop().name()).orElse(""),
        job.customer().displayName(),
        job.machine().name(),
        job.number(),
        properties.shop().zone());
  }

  /** What was decided on; else what leans. */
  private static Optional<CauseShare> cause(Job job, Weighed weighed) {
    List<CauseShare> causes = weighed.causes();
    return causes.stream()
        .filter(c -> c.cause().equals(job.decidedCause()))
        .max(Comparator.comparingDouble(CauseShare::probability))
        .or(
            () ->
                causes.stream()
                    .findFirst()
                    .filter(c -> c.suspicion().compareTo(Suspicion.LEANING) >= 0));
  }

  private OwnerFacts facts(
      Job job, Optional<CauseShare> cause, List<Run> ofJob, List<MoveLog.Made> moves) {
    Instant now = clock.instant();
    ZoneId zone = properties.shop().zone();
    Optional<Proofs.ProofView> proof = proofs.of(job);
    List<DecisionService.DecisionView> decided = decisions.of(job);
    List<Course> courses =
        decided.isEmpty()
            ? List.of()
            : decided.get(0).courses().stream().map(DecisionService.CourseName::course).toList();
    Optional<RescueResult> copy =
        ofJob.stream()
            .filter(r -> r.kind().isRescue() && r.result() instanceof RescueResult)
            .map(r -> (RescueResult) r.result())
            .filter(f -> f.lostFilesInAll() != null)
            .findFirst();
    Optional<DriveState> copied = copiedDrive(job, ofJob);
    return new OwnerFacts(
        job.machine().name(),
        job.machine().kind() == Machine.Kind.LOOSE_DRIVE,
        job.number(),
        job.takenInAt(),
        now,
        zone,
        job.complaint(),
        cause.map(CauseShare::cause),
        cause.filter(c -> c.suspicion() == Suspicion.IMPLICATED).isPresent(),
        courses,
        changes(moves),
        copied.map(DriveState::status).orElse(job.dataStatus()),
        copied.filter(d -> d.evidence().imageVerified()).isPresent(),
        copy.map(f -> f.lostFiles().stream().map(RescueResult.LostFile::path).toList()),
        copy.map(RescueResult::lostFilesInAll).orElse(0L),
        parts.replaced(job),
        proof.map(Proofs.ProofView::proven).orElse(Proven.NOT_NEEDED),
        proof.map(Proofs.ProofView::clean).orElse(0));
  }

  /**
   * The drive that was copied, with the customer's data on it, if its state is that of all their
   * data: also when another one has taken its place since. Empty if it is not, or none was copied.
   */
  private Optional<DriveState> copiedDrive(Job job, List<Run> newestFirst) {
    Optional<Run> copied =
        newestFirst.stream()
            .filter(r -> r.kind().isRescue() && r.ending() != null)
            .filter(r -> r.ending().drive().isPresent())
            .findFirst();
    boolean othersAreSafe =
        permissions.of(job).at().drives().stream()
            .filter(d -> copied.isPresent() && !d.partKey().equals(copied.get().partKey()))
            .allMatch(d -> d.status().allowsWriting());
    return copied
        .filter(run -> othersAreSafe)
        .map(run -> permissions.ofCopies(job, run.ending().drive().get()));
  }

  /** What was changed and stayed so, oldest first. */
  private List<String> changes(List<MoveLog.Made> newestFirst) {
    List<String> changes = new ArrayList<>();
    newestFirst.stream()
        .filter(m -> m.outcome() == MoveLog.MoveEnd.DONE)
        .filter(m -> knowHow.now().move(m.move()).filter(MadeMoves::changes).isPresent())
        .forEach(m -> changes.add(0, m.title()));
    return changes;
  }

  private Annex annex(Job job, List<Run> ofJob, List<MoveLog.Made> moves) {
    return new Annex(
        ofJob.stream()
            .filter(r -> r.ending() != null)
            .map(
                r ->
                    new AnnexRun(
                        r.id(),
                        RunNames.name(r.kind()),
                        r.partKey(),
                        r.ending().endedAt(),
                        RunWords.outcome(r),
                        r.ending().why()))
            .sorted(Comparator.comparing(AnnexRun::at))
            .toList(),
        parts.readings(job),
        moves.stream()
            .map(m -> new AnnexStep(m.title(), m.words(), m.by(), m.at()))
            .sorted(Comparator.comparing(AnnexStep::at))
            .toList());
  }
}

package tekmerion.server.data;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.permit.Action;
import tekmerion.core.permit.DataEvidence;
import tekmerion.core.permit.DriveState;
import tekmerion.core.permit.Permission;
import tekmerion.core.permit.Permissions;
import tekmerion.link.LinkEvent;
import tekmerion.link.MendResult;
import tekmerion.link.RescueResult;
import tekmerion.link.RunKind;
import tekmerion.link.RunNames;
import tekmerion.link.SurveyResult;
import tekmerion.server.ask.AskRun;
import tekmerion.server.bay.Bay;
import tekmerion.server.bay.Bays;
import tekmerion.server.data.DataView.DataStep;
import tekmerion.server.data.DataView.FilesOfVolume;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.Shown;
import tekmerion.server.part.Part;
import tekmerion.server.part.PartPlace;
import tekmerion.server.permit.DataNotes;
import tekmerion.server.permit.JobPermissions;
import tekmerion.server.probe.ProbeViews;
import tekmerion.server.probe.ProbeViews.ProbeView;
import tekmerion.server.problem.Refusal;
import tekmerion.server.run.CopiesOfJob;
import tekmerion.server.run.DataRuns;
import tekmerion.server.run.Run;
import tekmerion.server.run.RunView;
import tekmerion.server.run.RunWords;
import tekmerion.server.run.Runs;
import tekmerion.server.weighing.WeighingService;

/** Puts the view of a drive's data together. */
@Service
class DataViews implements Shown {
  private final Jobs jobs;
  private final Bays bays;
  private final ProbeViews probes;
  private final WeighingService weighing;
  private final Runs runs;
  private final DataRuns dataRuns;
  private final CopiesOfJob copies;
  private final AskRun ask;
  private final JobPermissions permissions;

  DataViews(
      Jobs jobs,
      Bays bays,
      ProbeViews probes,
      WeighingService weighing,
      Runs runs,
      DataRuns dataRuns,
      CopiesOfJob copies,
      AskRun ask,
      JobPermissions permissions) {
    this.jobs = jobs;
    this.bays = bays;
    this.probes = probes;
    this.weighing = weighing;
    this.runs = runs;
    this.dataRuns = dataRuns;
    this.copies = copies;
    this.ask = ask;
    this.permissions = permissions;
  }

  @Override
  @Transactional(readOnly = true)
  public void mustShow(String jobNumber) {
    Job job = jobs.findByNumber(jobNumber).orElseThrow();
    weighing.weigh(job).drives().forEach(place -> of(jobNumber, place.partKey()));
  }

  @Transactional(readOnly = true)
  DataView of(String number, String partKey) {
    Job job = jobs.named(number);
    WeighingService.Evidence evidence = weighing.weigh(job);
    Optional<PartPlace> place =
        evidence.drives().stream().filter(p -> p.partKey().equals(partKey)).findFirst();
    Optional<ProbeView> probe =
        bays.findByJobId(job.id()).map(Bay::id).flatMap(probes::on).filter(ProbeView::online);
    if (place.isEmpty()
        && probe.stream().flatMap(p -> p.drives().stream()).noneMatch(d -> d.equals(partKey))) {
      throw Refusal.notFound(say("data.no-drive-of-that-name-has"));
    }
    Permissions permitted = permissions.of(job, evidence);
    DataKnown known = known(job, permitted.drive(partKey));
    return new DataView(
        job.number(),
        job.machine().name(),
        partKey,
        place.map(PartPlace::slot).orElse(say("data.the-drive")),
        place.map(PartPlace::part).map(Part::model).orElse(null),
        place.map(PartPlace::part).map(Part::serial).orElse(null),
        known.state().failing().orElse(null),
        known.state().status(),
        known.state().status().words(),
        DataNotes.note(known.state()),
        known.finding(),
        known.next(),
        probe.isPresent(),
        view(known.survey()),
        view(known.rescue()),
        view(known.check()),
        known.files().entrySet().stream()
            .map(e -> new FilesOfVolume(e.getKey(), RunView.of(e.getValue())))
            .toList(),
        view(known.carved()),
        view(known.open()),
        steps(known, probe.isPresent(), job),
        copy(job, partKey),
        known.copyErased().map(r -> RunWords.outcome(r)).orElse(null),
        view(known.erased()),
        lock(permitted, partKey, RunKind.ERASE),
        mending(known, lock(permitted, partKey, RunKind.MEND)),
        job.version());
  }

  /** Of the drive that is there now: which one is meant is asked for when it is named. */
  private static DataView.WriteLock lock(Permissions permitted, String partKey, RunKind kind) {
    return permitted
        .drive(partKey)
        .identity()
        .map(drive -> permitted.of(new Action.Write(kind.effects(), partKey, drive)))
        .orElseGet(() -> permitted.of(new Action.Make(kind.effects(), partKey)))
        .locked()
        .map(l -> new DataView.WriteLock(l.reason(), l.opens()))
        .orElse(null);
  }

  private static DataView.Mending mending(DataKnown known, DataView.WriteLock lock) {
    List<String> pieces =
        known.survey().filter(s -> !known.mendedSinceSurvey()).stream()
            .map(s -> (SurveyResult) s.result())
            .flatMap(
                s ->
                    Stream.concat(
                        s.damage().stream(),
                        s.volumes().stream().flatMap(v -> v.damage().stream())))
            .filter(d -> d.backupOffset() != null)
            .map(SurveyResult.DamageNote::what)
            .toList();
    return new DataView.Mending(
        pieces,
        lock,
        view(known.mended()),
        known.wrote().filter(r -> r.kind() == RunKind.MEND).isPresent());
  }

  private DataKnown known(Job job, DriveState state) {
    String partKey = state.partKey();
    List<Run> all =
        dataRuns.ofJob(job.id()).stream().filter(r -> r.partKey().equals(partKey)).toList();
    Map<Integer, Run> files = new LinkedHashMap<>();
    all.stream()
        .filter(r -> r.kind() == RunKind.FILE_COPY && r.result() != null)
        .forEach(r -> files.putIfAbsent(r.order().volume(), r));
    Optional<Run> rescue = first(all, r -> r.kind().isRescue() && r.result() != null);
    return new DataKnown(
        first(all, r -> r.result() instanceof SurveyResult),
        rescue,
        first(
            all,
            r ->
                r.kind() == RunKind.VERIFY_IMAGE
                    && r.result() != null
                    && rescue.isPresent()
                    && r.askedAt().isAfter(rescue.get().askedAt())),
        files,
        first(all, r -> r.kind() == RunKind.CARVE && r.result() != null),
        runs.ofJob(job.id()).stream()
            .filter(r -> r.partKey().equals(partKey) && r.state() != Run.State.ENDED)
            .findFirst(),
        first(all, r -> r.kind() == RunKind.ERASE && r.ending() != null),
        first(all, r -> r.kind() == RunKind.ERASE_COPY && r.ending() != null),
        first(all, r -> r.kind().mends() && r.ending() != null),
        first(all, r -> r.result() instanceof MendResult m && m.written() > 0),
        state);
  }

  private static Optional<Run> first(List<Run> all, Predicate<Run> which) {
    return all.stream().filter(which).findFirst();
  }

  private static RunView view(Optional<Run> run) {
    return run.map(RunView::of).orElse(null);
  }

  private List<DataStep> steps(DataKnown known, boolean probe, Job job) {
    String off =
        job.endedAt() != null
            ? say("data.the-job-is-ended")
            : !probe
                ? say("data.no-probe-is-there")
                : known.open().isPresent() ? say("data.another-run-goes-on-or-is") : null;
    boolean surveyed = known.survey().isPresent();
    boolean listed =
        surveyed
            && ((SurveyResult) known.survey().get().result())
                .volumes().stream().anyMatch(SurveyResult.VolumeNote::listed);
    boolean image = known.rescue().isPresent();
    DataEvidence evidence = known.evidence();
    List<DataStep> steps = new ArrayList<>();
    steps.add(step(RunKind.SURVEY, !surveyed, off));
    steps.add(
        step(
            RunKind.RESCUE_IN_USE,
            surveyed && listed && !evidence.copied(),
            or(off, listed ? null : say("data.a-survey-has-to-tell-first"))));
    steps.add(step(RunKind.RESCUE_WHOLE, surveyed && !listed && !evidence.copied(), off));
    known
        .rescue()
        .filter(r -> isOver(r) && ((RescueResult) r.result()).lostBytes() > 0)
        .ifPresent(r -> steps.replaceAll(s -> s.kind() == r.kind() ? again(s) : s));
    steps.add(
        step(
            RunKind.VERIFY_IMAGE,
            evidence.imaged() && !evidence.imageVerified() || known.isImageBack(),
            or(
                off,
                image && isOver(known.rescue().get()) ? null : say("data.there-is-no-image-yet"))));
    steps.add(
        step(
            RunKind.CARVE,
            evidence.imaged() && !listed && known.carved().isEmpty(),
            or(off, evidence.imaged() ? null : say("data.there-is-no-whole-image-yet"))));
    return steps;
  }

  private DataView.KeptCopy copy(Job job, String partKey) {
    return copies
        .kept(job.id(), partKey)
        .map(
            run ->
                new DataView.KeptCopy(
                    job.endedAt() == null ? null : job.endedAt().plus(CopiesOfJob.KEPT),
                    run.isCopyMissing() ? run.copyMissingAt() : null,
                    ask.copyLock(job, run)
                        .locked()
                        .map(Permission.Locked::reason)
                        .or(
                            () ->
                                probes.isOnline(run.probeId())
                                    ? Optional.empty()
                                    : Optional.of(say("data.the-probe-that-has-the-copy")))
                        .orElse(null)))
        .orElse(null);
  }

  private static boolean isOver(Run run) {
    return run.ending() != null && run.ending().end() != LinkEvent.End.COULD_NOT_RUN;
  }

  private static String or(String first, String second) {
    return first != null ? first : second;
  }

  /** An image goes on from its map: the same run once more tries just what it lost. */
  private static DataStep again(DataStep of) {
    return new DataStep(
        of.kind(),
        say("data.try-the-lost-places-again"),
        say("data.each-sector-that-did-not-come"),
        of.next(),
        of.lockedWhy());
  }

  private static DataStep step(RunKind kind, boolean next, String lockedWhy) {
    return new DataStep(kind, RunNames.name(kind), RunNames.about(kind), next, lockedWhy);
  }
}

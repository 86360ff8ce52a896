package tekmerion.server.data;

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
import tekmerion.core.permit.DataStatus;
import tekmerion.core.permit.DriveState;
import tekmerion.core.permit.Permission;
import tekmerion.core.permit.Permissions;
import tekmerion.core.words.Sentences;
import tekmerion.link.LinkEvent;
import tekmerion.link.MendResult;
import tekmerion.link.RescueResult;
import tekmerion.link.RunKind;
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

  /**
   * What was found out until now, newest first of each sort.
   *
   * @param mended last try, whatever came of it
   * @param wrote last one that wrote something
   */
  private record Known(
      Optional<Run> survey,
      Optional<Run> rescue,
      Optional<Run> check,
      Map<Integer, Run> files,
      Optional<Run> carved,
      Optional<Run> open,
      Optional<Run> erased,
      Optional<Run> copyErased,
      Optional<Run> mended,
      Optional<Run> wrote,
      DriveState state) {
    DataEvidence evidence() {
      return state.evidence();
    }

    /** A copy that was made is not there, or came back and was not read again. */
    boolean isCopyAway() {
      return Stream.concat(rescue.stream(), files.values().stream()).anyMatch(Run::isCopyMissing);
    }

    boolean isImageBack() {
      return rescue.filter(r -> r.copyFoundAt() != null).isPresent() && !evidence().imaged();
    }

    boolean isSafe() {
      return state.status().allowsWriting();
    }
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
      throw Refusal.notFound("No drive of that name has been met in this machine.");
    }
    Permissions permitted = permissions.of(job, evidence);
    Known known = known(job, permitted.drive(partKey));
    return new DataView(
        job.number(),
        job.machine().name(),
        partKey,
        place.map(PartPlace::slot).orElse("The drive"),
        place.map(PartPlace::part).map(Part::model).orElse(null),
        place.map(PartPlace::part).map(Part::serial).orElse(null),
        known.state().failing().orElse(null),
        known.state().status(),
        known.state().status().words(),
        DataNotes.note(known.state()),
        finding(known),
        next(known),
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

  private static DataView.Mending mending(Known known, DataView.WriteLock lock) {
    List<String> pieces =
        known.survey().filter(s -> !mendedSinceSurvey(known)).stream()
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

  private static boolean mendedSinceSurvey(Known known) {
    return known.survey().isPresent()
        && known
            .wrote()
            .filter(r -> r.askedAt().isAfter(known.survey().get().askedAt()))
            .isPresent();
  }

  private Known known(Job job, DriveState state) {
    String partKey = state.partKey();
    List<Run> all =
        dataRuns.ofJob(job.id()).stream().filter(r -> r.partKey().equals(partKey)).toList();
    Map<Integer, Run> files = new LinkedHashMap<>();
    all.stream()
        .filter(r -> r.kind() == RunKind.FILE_COPY && r.result() != null)
        .forEach(r -> files.putIfAbsent(r.order().volume(), r));
    Optional<Run> rescue = first(all, r -> r.kind().isRescue() && r.result() != null);
    return new Known(
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

  /** A drive that must be spared says so, whatever else was found on it; why stands below. */
  private static String finding(Known known) {
    String found = ofData(known);
    return known.state().failing().isEmpty() || known.isSafe()
        ? found
        : found + "; to be spared until its data is safe";
  }

  private static String ofData(Known known) {
    Optional<RescueResult> rescue = known.rescue().map(r -> (RescueResult) r.result());
    if (known.open().filter(r -> r.kind().isRescue()).isPresent()) {
      return "being copied";
    }
    DataEvidence evidence = known.evidence();
    if (known.isCopyAway()) {
      return "its copy is not where it was made";
    }
    if (known.isImageBack()) {
      return "its image was away and is back, not read again yet";
    }
    if (rescue.isPresent()) {
      String lost = lost(rescue.get());
      if (known.check().map(c -> ((RescueResult) c.result()).verified()).orElse(null)
          == Boolean.FALSE) {
        return "the image is not what was read";
      }
      return evidence.imageVerified()
          ? "copied and verified" + lost
          : evidence.imaged() ? "copied, not verified yet" + lost : "copied in part" + lost;
    }
    if (known.state().status() == DataStatus.COPY_VERIFIED) {
      return "all that is on it is copied and verified, or signed away";
    }
    if (evidence.copied()) {
      return "some files copied";
    }
    if (mendedSinceSurvey(known)) {
      return "mended from its copies, not surveyed again yet";
    }
    return known
        .survey()
        .map(s -> Sentences.lowerFirst(((SurveyResult) s.result()).why()))
        .orElse("not looked at yet");
  }

  private static String lost(RescueResult rescue) {
    long lost = rescue.lostBytes() + rescue.openBytes();
    if (lost == 0) {
      return "";
    }
    return rescue.lostFilesInAll() == null
        ? ", %,d bytes lost".formatted(lost)
        : rescue.lostFilesInAll() == 0
            ? ", no file lost anything"
            : rescue.lostFilesInAll() == 1
                ? ", one file lost something"
                : ", %,d files lost something".formatted(rescue.lostFilesInAll());
  }

  private static String next(Known known) {
    if (known.open().isPresent()) {
      return "Wait for what goes on.";
    }
    if (known.isCopyAway()) {
      return "Look for the disk that the copy lies on, or copy again. Until then nothing counts as"
          + " copied.";
    }
    if (known.isImageBack()) {
      return "Check the image: it counts again once it was read again.";
    }
    if (known.survey().isEmpty()) {
      return "Survey it: that says what is on it and why it cannot be opened. It only reads.";
    }
    if (known.isSafe()) {
      return "The data is safe. What writes to the drive is open now.";
    }
    if (known.evidence().imageVerified()) {
      return "The image is verified. What it does not hold is listed: copy it, or have its owner"
          + " sign it away.";
    }
    if (known.evidence().imaged()) {
      return "Check the image: only a verified copy counts.";
    }
    SurveyResult survey = (SurveyResult) known.survey().get().result();
    return List.of("blank", "encrypted", "maybe-encrypted", "no-partitions")
            .contains(survey.reason())
        ? survey.next()
        : "Copy it into an image, or copy chosen files. " + survey.next();
  }

  private List<DataStep> steps(Known known, boolean probe, Job job) {
    String off =
        job.endedAt() != null
            ? "the job is ended"
            : !probe
                ? "no probe is there"
                : known.open().isPresent() ? "another run goes on or is paused" : null;
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
            or(off, listed ? null : "a survey has to tell first what is in use")));
    steps.add(step(RunKind.RESCUE_WHOLE, surveyed && !listed && !evidence.copied(), off));
    known
        .rescue()
        .filter(r -> isOver(r) && ((RescueResult) r.result()).lostBytes() > 0)
        .ifPresent(r -> steps.replaceAll(s -> s.kind() == r.kind() ? again(s) : s));
    steps.add(
        step(
            RunKind.VERIFY_IMAGE,
            evidence.imaged() && !evidence.imageVerified() || known.isImageBack(),
            or(off, image && isOver(known.rescue().get()) ? null : "there is no image yet")));
    steps.add(
        step(
            RunKind.CARVE,
            evidence.imaged() && !listed && known.carved().isEmpty(),
            or(off, evidence.imaged() ? null : "there is no whole image yet")));
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
                                    : Optional.of("The probe that has the copy is away."))
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
        "Try the lost places again",
        "each sector that did not come, alone; what was read stays as it is",
        of.next(),
        of.lockedWhy());
  }

  private static DataStep step(RunKind kind, boolean next, String lockedWhy) {
    return new DataStep(kind, RunWords.name(kind), RunWords.about(kind), next, lockedWhy);
  }
}

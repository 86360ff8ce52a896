package tekmerion.server.run;

import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import tekmerion.core.permit.Gate;
import tekmerion.core.permit.Permission;
import tekmerion.core.permit.NamedDrive;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.weigh.Tilt;
import tekmerion.core.weigh.Weighed;
import tekmerion.link.CopyOrder;
import tekmerion.link.Release;
import tekmerion.link.RunKind;
import tekmerion.server.account.Person;
import tekmerion.server.job.Job;
import tekmerion.server.job.JobLock;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.Trace;
import tekmerion.server.job.TraceEntry;
import tekmerion.server.knowhow.ShopKnowHow;
import tekmerion.server.link.ProbeBoard;
import tekmerion.server.link.ProbeBoard.ProbeView;
import tekmerion.server.link.ProbeOfJob;
import tekmerion.server.live.LiveEvents;
import tekmerion.server.part.PartPlace;
import tekmerion.server.part.PartService;
import tekmerion.server.problem.Refusal;
import tekmerion.server.weighing.WeighingService;

/**
 * Starts, pauses, goes on with and ends runs. Gates are asked here; the row is kept before sending.
 */
@Service
public class AskRun {
  /** A probe that is asked later than this does not begin; what has begun goes on. */
  private static final Duration RELEASE_HOLDS = Duration.ofMinutes(10);

  /** Files of a volume, by the folders that a survey named. */
  public record FilesWanted(int volume, List<String> folders) {}

  /** Level of each sign that says that the pack is swollen. */
  private static final Map<String, String> SWOLLEN =
      Map.of("battery.shape", "swollen", "swelling", "swollen");

  private final Jobs jobs;
  private final ProbeOfJob probeOf;
  private final ProbeBoard probes;
  private final PartService parts;
  private final Runs runs;
  private final WeighingService weighing;
  private final ShopKnowHow knowHow;
  private final Trace trace;
  private final LiveEvents live;
  private final Clock clock;
  private final EntityManager entities;
  private final TransactionTemplate transaction;
  private final JobLock lock;

  AskRun(
      Jobs jobs,
      ProbeOfJob probeOf,
      ProbeBoard probes,
      PartService parts,
      Runs runs,
      WeighingService weighing,
      ShopKnowHow knowHow,
      Trace trace,
      LiveEvents live,
      Clock clock,
      EntityManager entities,
      TransactionTemplate transaction,
      JobLock lock) {
    this.jobs = jobs;
    this.probeOf = probeOf;
    this.probes = probes;
    this.parts = parts;
    this.runs = runs;
    this.weighing = weighing;
    this.knowHow = knowHow;
    this.trace = trace;
    this.live = live;
    this.clock = clock;
    this.entities = entities;
    this.transaction = transaction;
    this.lock = lock;
  }

  /**
   * @param wanted what a copy is of; its job is filled in here. Null for runs that copy nothing
   */
  public UUID ask(String number, String driveKey, RunKind kind, FilesWanted wanted, Person by) {
    DriveRun kept =
        transaction.execute(
            status -> runs.find(keep(number, driveKey, kind, wanted, by)).orElseThrow());
    probes.send(kept.probeId(), Runs.start(kept));
    return kept.id();
  }

  /**
   * Has a drive written to. Every gate is asked here, and by the probe once more.
   *
   * @param kind erases, mends, or takes a mending back
   * @param named as somebody typed it who looked at the drive
   * @throws Refusal 423 if a gate locks it; 409 if the named drive is not this one, or it must
   *     never be written to
   */
  public UUID write(
      String number,
      String driveKey,
      RunKind kind,
      long version,
      NamedDrive named,
      Writing writing,
      Person by) {
    DriveRun kept =
        transaction.execute(
            status -> {
              Job job = lock.forChange(number, version);
              Writing.Drive drive = writing.allowed(job, driveKey, kind, named);
              UUID id = keep(number, driveKey, kind, null, by);
              runs.release(
                  Release.of(
                      id,
                      kind,
                      driveKey,
                      drive.model(),
                      drive.serial(),
                      drive.sizeBytes(),
                      job.stance(),
                      clock.instant().plus(RELEASE_HOLDS),
                      drive.key()));
              return runs.find(id).orElseThrow();
            });
    probes.send(kept.probeId(), Runs.start(kept));
    return kept.id();
  }

  /**
   * Has the copies of a drive erased, by the probe that made them.
   *
   * @throws Refusal 423 while the copy may be the only one, 409 if there is none or its probe is
   *     away
   */
  public UUID eraseCopy(String number, String driveKey, CopiesOfJob copies, Person by) {
    DriveRun kept =
        transaction.execute(
            status -> {
              Job job =
                  jobs.findByNumber(number)
                      .orElseThrow(() -> Refusal.notFound("There is no job %s.".formatted(number)));
              entities.lock(job, LockModeType.PESSIMISTIC_WRITE);
              copyLock(job)
                  .ifPresent(
                      why -> {
                        throw Refusal.locked(
                            why, "Opens when the job is ended, or its owner signs it away.");
                      });
              DriveRun copy =
                  copies
                      .kept(job.id(), driveKey)
                      .orElseThrow(
                          () ->
                              Refusal.notPossibleNow(
                                  "There is no copy of this drive.", "Load the view again."));
              if (!probes.isOnline(copy.probeId())) {
                throw Refusal.notPossibleNow(
                    "The probe that has the copy is away.", "Start it, then try again.");
              }
              UUID id =
                  runs.ask(
                      job.id(),
                      copy.partId(),
                      copy.probeId(),
                      driveKey,
                      RunKind.ERASE_COPY,
                      false,
                      new CopyOrder(number, null, List.of()),
                      by.id());
              tell(job, RunWords.name(RunKind.ERASE_COPY) + " begun", by);
              return runs.find(id).orElseThrow();
            });
    probes.send(kept.probeId(), Runs.start(kept));
    return kept.id();
  }

  /** Why a copy must stay; empty if it may go. */
  public static Optional<String> copyLock(Job job) {
    return job.endedAt() == null && job.stance() != DataStatus.NOT_WANTED
        ? Optional.of("The job goes on, and its copy may be the only one.")
        : Optional.empty();
  }

  private UUID keep(String number, String driveKey, RunKind kind, FilesWanted wanted, Person by) {
    Job job =
        jobs.findByNumber(number)
            .orElseThrow(() -> Refusal.notFound("There is no job %s.".formatted(number)));
    // Two who start at once: the second waits here and then sees the first one's run.
    entities.lock(job, LockModeType.PESSIMISTIC_WRITE);
    if (job.endedAt() != null) {
      throw Refusal.notPossibleNow("The job is ended.", "Take the machine in anew.");
    }
    ProbeView probe =
        kind.isOfDrive() ? probeOf.drive(job, driveKey) : probeOf.of(job, kind, driveKey);
    if (runs.ofJob(job.id()).stream()
        .anyMatch(r -> r.driveKey().equals(driveKey) && r.state() != DriveRun.State.ENDED)) {
      throw Refusal.notPossibleNow(
          "A run of this %s is under way or paused."
              .formatted(kind.isOfDrive() ? "drive" : "machine"),
          "Wait for its end, or end it.");
    }
    WeighingService.Evidence evidence = weighing.weigh(job);
    mustBeOpen(kind, driveKey, evidence, job.stance());
    Long part =
        (kind.isOfDrive()
                ? evidence.drives()
                : parts.inMachine(job.machine().id(), kind.partKey().orElseThrow()))
            .stream()
                .filter(p -> p.driveKey().equals(driveKey))
                .map(PartPlace::part)
                .map(p -> p.id())
                .findFirst()
                .orElse(null);
    UUID id =
        runs.ask(
            job.id(),
            part,
            probe.id(),
            driveKey,
            kind,
            isSuspected(driveKey, evidence.weighed()),
            kind.isCopy()
                ? new CopyOrder(
                    number,
                    wanted == null ? null : wanted.volume(),
                    wanted == null ? List.of() : wanted.folders())
                : null,
            by.id());
    tell(job, RunWords.name(kind) + " begun", by);
    return id;
  }

  private void mustBeOpen(
      RunKind kind, String driveKey, WeighingService.Evidence evidence, DataStatus stance) {
    if (gate(kind, driveKey, evidence, stance) instanceof Permission.Locked locked) {
      throw Refusal.locked(locked.reason(), locked.opens());
    }
  }

  /** The same question for the button and for the request. */
  public Permission gate(
      RunKind kind, String driveKey, WeighingService.Evidence evidence, DataStatus stance) {
    if (kind == RunKind.DISCHARGE || kind == RunKind.CHARGE) {
      return Gate.ofBattery(unsafe(evidence));
    }
    return Gate.ofStress(kind.isStressing(), decisive(driveKey, evidence), stance);
  }

  /** Why the battery must not be loaded, from whoever saw it; empty if nothing says so. */
  public static Optional<String> unsafe(WeighingService.Evidence evidence) {
    return evidence.signs().stream()
            .anyMatch(s -> SWOLLEN.getOrDefault(s.id(), "").equals(s.level()))
        ? Optional.of("The battery is swollen.")
        : Optional.empty();
  }

  /** Why a sign found on this drive settles that it is failing; empty if none does. */
  public Optional<String> decisive(String driveKey, WeighingService.Evidence evidence) {
    return evidence.signs().stream()
        .filter(sign -> sign.part().equals(driveKey))
        .flatMap(sign -> knowHow.now().decisive(sign).stream())
        .findFirst();
  }

  private static boolean isSuspected(String driveKey, Weighed weighed) {
    return weighed.causes().stream()
        .anyMatch(
            c ->
                c.part().equals(driveKey)
                    && c.place().equals("drive")
                    && (c.tilt() == Tilt.IMPLICATED || c.tilt() == Tilt.LEANING));
  }

  void pause(UUID id, Person by) {
    DriveRun run = running(id, DriveRun.State.RUNNING);
    if (!run.kind().canPause()) {
      throw Refusal.badRequest("This run cannot be paused.", "End it instead.");
    }
    transaction.executeWithoutResult(s -> became(run, DriveRun.State.PAUSED, "paused", by));
    probes.send(run.probeId(), Runs.stop(run, true));
  }

  /**
   * @throws Refusal 423 if what was found while it was paused locks it by now
   */
  void goOn(UUID id, Person by) {
    DriveRun run = running(id, DriveRun.State.PAUSED);
    transaction.executeWithoutResult(
        s -> {
          Job job = jobs.findById(run.jobId()).orElseThrow();
          mustBeOpen(run.kind(), run.driveKey(), weighing.weigh(job), job.stance());
          became(run, DriveRun.State.RUNNING, "goes on", by);
        });
    probes.send(run.probeId(), Runs.start(run));
  }

  /** The probe reports what was found until then; that ends it. One that is away does so later. */
  void end(UUID id, Person by) {
    DriveRun run = find(id);
    if (run.state() == DriveRun.State.ENDED || run.state() == DriveRun.State.ENDING) {
      throw Refusal.notPossibleNow("The run is ended.", "Look at what it found.");
    }
    transaction.executeWithoutResult(s -> became(run, DriveRun.State.ENDING, "is to end", by));
    probes.send(run.probeId(), Runs.stop(run, false));
  }

  DriveRun find(UUID id) {
    return runs.find(id).orElseThrow(() -> Refusal.notFound("There is no such run."));
  }

  private DriveRun running(UUID id, DriveRun.State wanted) {
    DriveRun run = find(id);
    if (run.state() != wanted) {
      throw Refusal.notPossibleNow(
          "The run is %s.".formatted(run.state().name().toLowerCase(Locale.ROOT)),
          "Load the drive again.");
    }
    return run;
  }

  private void became(DriveRun run, DriveRun.State state, String words, Person by) {
    runs.is(run.id(), state);
    Job job = jobs.findById(run.jobId()).orElseThrow();
    tell(job, "%s %s".formatted(RunWords.name(run.kind()), words), by);
    live.changed("run:" + run.id());
  }

  private void tell(Job job, String title, Person by) {
    trace.save(
        new TraceEntry(
            job.id(), clock.instant(), TraceEntry.Kind.RUN, title, "", by.displayName()));
    live.changed("job:" + job.number());
    live.changed("floor");
  }
}

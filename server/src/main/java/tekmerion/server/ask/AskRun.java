package tekmerion.server.ask;

import static tekmerion.words.Words.say;

import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.time.Clock;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
import org.springframework.stereotype.Service;
import tekmerion.core.permit.Action;
import tekmerion.core.permit.Lock;
import tekmerion.core.permit.NamedDrive;
import tekmerion.core.permit.PartIdentity;
import tekmerion.core.permit.Permission;
import tekmerion.core.permit.Permissions;
import tekmerion.core.weigh.Suspicion;
import tekmerion.core.weigh.Weighed;
import tekmerion.link.CopyOrder;
import tekmerion.link.RunKind;
import tekmerion.server.job.Job;
import tekmerion.server.job.JobLock;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.job.Tell;
import tekmerion.server.part.PartPlace;
import tekmerion.server.part.PartService;
import tekmerion.server.permit.JobPermissions;
import tekmerion.server.person.Person;
import tekmerion.server.probe.ProbeBoard;
import tekmerion.server.probe.ProbeOfJob;
import tekmerion.server.probe.ProbeViews.ProbeView;
import tekmerion.server.problem.Refusal;
import tekmerion.server.run.CopiesOfJob;
import tekmerion.server.run.Run;
import tekmerion.server.run.Runs;
import tekmerion.server.transaction.Transactions;
import tekmerion.server.weighing.WeighingService;

/**
 * Starts, pauses, goes on with and ends runs. Gates are asked here; the row is kept before sending.
 */
@Service
public class AskRun {
  /** Named by nobody: no drive is this one. */
  private static final PartIdentity NOBODY = new PartIdentity("nobody's", "nobody's", 1);

  /** Files of a volume, by the folders that a survey named. */
  public record FilesWanted(int volume, List<String> folders) {}

  private final Jobs jobs;
  private final ProbeOfJob probeOf;
  private final ProbeBoard probes;
  private final PartService parts;
  private final Runs runs;
  private final WeighingService weighing;
  private final JobPermissions permissions;
  private final Tell tell;
  private final Clock clock;
  private final EntityManager entities;
  private final Transactions transaction;
  private final JobLock lock;

  AskRun(
      Jobs jobs,
      ProbeOfJob probeOf,
      ProbeBoard probes,
      PartService parts,
      Runs runs,
      WeighingService weighing,
      JobPermissions permissions,
      Tell tell,
      Clock clock,
      EntityManager entities,
      Transactions transaction,
      JobLock lock) {
    this.jobs = jobs;
    this.probeOf = probeOf;
    this.probes = probes;
    this.parts = parts;
    this.runs = runs;
    this.weighing = weighing;
    this.permissions = permissions;
    this.tell = tell;
    this.clock = clock;
    this.entities = entities;
    this.transaction = transaction;
    this.lock = lock;
  }

  /**
   * @param wanted what a copy is of; its job is filled in here. Null for runs that copy nothing
   */
  public UUID ask(String number, String partKey, RunKind kind, FilesWanted wanted, Person by) {
    Run kept =
        transaction.execute(
            status -> runs.find(keep(number, partKey, kind, wanted, by)).orElseThrow());
    probes.send(kept.probeId(), Runs.start(kept));
    return kept.id();
  }

  /**
   * Has a drive written to. The probe asks again at the moment of writing.
   *
   * @param kind erases, mends, or takes a mending back
   * @param named as somebody typed it who looked at the drive
   * @throws Refusal 423 if it is locked; 409 if the named drive is not this one
   */
  public UUID write(
      String number, String partKey, RunKind kind, long version, NamedDrive named, Person by) {
    Run kept =
        transaction.execute(
            status -> {
              Job job = lock.forChange(number, version);
              Permissions permitted = permissions.of(job);
              Optional<PartIdentity> drive = permitted.drive(partKey).identity();
              // One that has not told who it is is locked whatever is named.
              mustBeOpen(
                  permitted.of(new Action.Write(kind.effects(), partKey, drive.orElse(NOBODY))));
              mustBeNamed(kind, named, drive.orElseThrow());
              UUID id = keep(number, partKey, kind, null, by);
              runs.isFor(id, drive.get());
              return runs.find(id).orElseThrow();
            });
    probes.send(kept.probeId(), Runs.start(kept));
    return kept.id();
  }

  private static void mustBeNamed(RunKind kind, NamedDrive named, PartIdentity drive) {
    named
        .misses(drive.sizeBytes(), drive.model(), drive.serial())
        .ifPresent(
            why -> {
              throw Refusal.notPossibleNow(
                  (kind == RunKind.ERASE ? say("ask.not-erased") : say("ask.nothing-was-written"))
                      + why,
                  say("ask.look-at-the-drive-in-your"));
            });
  }

  /**
   * Has the copies of a drive erased, by the probe that made them.
   *
   * @throws Refusal 423 while the copy may be the only one, 409 if there is none or its probe is
   *     away
   */
  public UUID eraseCopy(String number, String partKey, CopiesOfJob copies, Person by) {
    Run kept =
        transaction.execute(
            status -> {
              Job job = jobs.named(number);
              entities.lock(job, LockModeType.PESSIMISTIC_WRITE);
              Run copy =
                  copies
                      .kept(job.id(), partKey)
                      .orElseThrow(
                          () ->
                              Refusal.notPossibleNow(
                                  say("ask.there-is-no-copy-of-this"),
                                  say("ask.load-the-view-again")));
              copyLock(job, copy).locked().ifPresent(AskRun::refuse);
              if (!probes.isOnline(copy.probeId())) {
                throw Refusal.notPossibleNow(
                    say("ask.the-probe-that-has-the-copy"), say("ask.start-it-then-try-again"));
              }
              UUID id =
                  runs.ask(
                      job.id(),
                      copy.partId(),
                      copy.probeId(),
                      partKey,
                      RunKind.ERASE_COPY,
                      false,
                      new CopyOrder(number, null, List.of()),
                      by.id());
              runs.isFor(id, copy.ending().drive().orElseThrow());
              Run begun = runs.find(id).orElseThrow();
              tell(job, () -> say("ask.begun", "run", runs.name(begun)), by);
              return begun;
            });
    probes.send(kept.probeId(), Runs.start(kept));
    return kept.id();
  }

  /** Whether a copy may go. One of which nobody knows the drive stays. */
  public Permission copyLock(Job job, Run copy) {
    return copy.ending()
        .drive()
        .map(d -> permissions.of(job).of(new Action.EraseCopy(permissions.ofCopies(job, d))))
        .orElseGet(
            () ->
                new Permission.Locked(
                    Lock.DRIVE_NOT_IDENTIFIED,
                    say("ask.nobody-knows-which-drive-the-copy"),
                    say("ask.delete-it-by-hand-on-the")));
  }

  private UUID keep(String number, String partKey, RunKind kind, FilesWanted wanted, Person by) {
    Job job = jobs.named(number);
    // Two who start at once: the second waits here and then sees the first one's run.
    entities.lock(job, LockModeType.PESSIMISTIC_WRITE);
    if (job.endedAt() != null) {
      throw Refusal.notPossibleNow(
          say("ask.the-job-is-ended"), say("ask.take-the-machine-in-anew"));
    }
    ProbeView probe =
        kind.isOfDrive() ? probeOf.drive(job, partKey) : probeOf.of(job, kind, partKey);
    if (runs.ofJob(job.id()).stream()
        .anyMatch(r -> r.partKey().equals(partKey) && r.state() != Run.State.ENDED)) {
      throw Refusal.notPossibleNow(
          say("ask.a-run-of-this-is-under", "isOfDrive", kind.isOfDrive() ? "drive" : "machine"),
          say("ask.wait-for-its-end-or-end"));
    }
    WeighingService.Evidence evidence = weighing.weigh(job);
    if (!kind.needsRelease()) {
      mustBeOpen(permissions.of(job, evidence).of(new Action.Make(kind.effects(), partKey)));
    }
    Long part =
        (kind.isOfDrive()
                ? evidence.drives()
                : parts.inMachine(job.machine().id(), kind.partKey().orElseThrow()))
            .stream()
                .filter(p -> p.partKey().equals(partKey))
                .map(PartPlace::part)
                .map(p -> p.id())
                .findFirst()
                .orElse(null);
    UUID id =
        runs.ask(
            job.id(),
            part,
            probe.id(),
            partKey,
            kind,
            isSuspected(partKey, evidence.weighed()),
            kind.usesCopies()
                ? new CopyOrder(
                    number,
                    wanted == null ? null : wanted.volume(),
                    wanted == null ? List.of() : wanted.folders())
                : null,
            by.id());
    tell(job, () -> say("ask.begun", "run", runs.name(runs.find(id).orElseThrow())), by);
    return id;
  }

  private static void mustBeOpen(Permission answer) {
    answer.locked().ifPresent(AskRun::refuse);
  }

  private static void refuse(Permission.Locked locked) {
    throw Refusal.locked(locked);
  }

  private static boolean isSuspected(String partKey, Weighed weighed) {
    return weighed.causes().stream()
        .anyMatch(
            c ->
                c.part().equals(partKey)
                    && c.place().equals("drive")
                    && (c.suspicion() == Suspicion.IMPLICATED
                        || c.suspicion() == Suspicion.LEANING));
  }

  void pause(UUID id, Person by) {
    Run run = running(id, Run.State.RUNNING);
    if (!run.kind().canPause()) {
      throw Refusal.badRequest(say("ask.this-run-cannot-be-paused"), say("ask.end-it-instead"));
    }
    transaction.executeWithoutResult(s -> became(run, Run.State.PAUSED, "ask.paused", by));
    probes.send(run.probeId(), Runs.stop(run, true));
  }

  /**
   * @throws Refusal 423 if what was found while it was paused locks it by now
   */
  void goOn(UUID id, Person by) {
    Run run = running(id, Run.State.PAUSED);
    transaction.executeWithoutResult(
        s -> {
          Job job = jobs.findById(run.jobId()).orElseThrow();
          mustBeOpen(permissions.of(job).of(new Action.Make(run.kind().effects(), run.partKey())));
          became(run, Run.State.RUNNING, "ask.goes-on", by);
        });
    probes.send(run.probeId(), Runs.start(run));
  }

  /** The probe reports what was found until then; that ends it. One that is away does so later. */
  void end(UUID id, Person by) {
    Run run = find(id);
    if (run.state() == Run.State.ENDED || run.state() == Run.State.ENDING) {
      throw Refusal.notPossibleNow(say("ask.the-run-is-ended"), say("ask.look-at-what-it-found"));
    }
    transaction.executeWithoutResult(s -> became(run, Run.State.ENDING, "ask.is-to-end", by));
    probes.send(run.probeId(), Runs.stop(run, false));
  }

  Run find(UUID id) {
    return runs.find(id).orElseThrow(() -> Refusal.notFound(say("ask.there-is-no-such-run")));
  }

  private Run running(UUID id, Run.State wanted) {
    Run run = find(id);
    if (run.state() != wanted) {
      throw Refusal.notPossibleNow(
          say("ask.the-run-is", "state", run.state().name().toLowerCase(Locale.ROOT)),
          say("ask.load-the-drive-again"));
    }
    return run;
  }

  private void became(Run run, Run.State state, String words, Person by) {
    runs.is(run.id(), state);
    Job job = jobs.findById(run.jobId()).orElseThrow();
    tell(job, () -> "%s %s".formatted(runs.name(run), say(words)), by);
    tell.run(run.id());
  }

  private void tell(Job job, Supplier<String> title, Person by) {
    tell.journal(job, JournalEntry.Kind.RUN, title, () -> "", by);
  }
}

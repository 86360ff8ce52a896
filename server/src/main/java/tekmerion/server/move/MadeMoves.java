package tekmerion.server.move;

import static tekmerion.words.Words.say;

import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.drive.DriveAnswers;
import tekmerion.core.knowhow.Move;
import tekmerion.core.knowhow.Remedy;
import tekmerion.core.permit.Invasiveness;
import tekmerion.core.permit.NamedDrive;
import tekmerion.core.permit.Permission;
import tekmerion.core.weigh.Advice;
import tekmerion.core.weigh.Advice.Ranked;
import tekmerion.core.weigh.Weighing.Part;
import tekmerion.server.job.Changes;
import tekmerion.server.job.Job;
import tekmerion.server.job.JobFinding;
import tekmerion.server.job.JobFindings;
import tekmerion.server.job.JobLock;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.job.Tell;
import tekmerion.server.knowhow.ShopKnowHow;
import tekmerion.server.permit.JobPermissions;
import tekmerion.server.person.Person;
import tekmerion.server.person.Role;
import tekmerion.server.problem.Refusal;
import tekmerion.server.weighing.WeighingService;
import tekmerion.words.Words;

/** Makes a move: what it changes is begun, what was seen is kept, a slip is taken back. */
@Service
public class MadeMoves {
  private final Jobs jobs;
  private final JobLock lock;
  private final JobFindings findings;
  private final Changes changes;
  private final WeighingService weighing;
  private final JobPermissions permissions;
  private final ShopKnowHow knowHow;
  private final Tell tell;
  private final MoveLog log;
  private final Clock clock;

  MadeMoves(
      Jobs jobs,
      JobLock lock,
      JobFindings findings,
      Changes changes,
      WeighingService weighing,
      JobPermissions permissions,
      ShopKnowHow knowHow,
      Tell tell,
      MoveLog log,
      Clock clock) {
    this.jobs = jobs;
    this.lock = lock;
    this.findings = findings;
    this.changes = changes;
    this.weighing = weighing;
    this.permissions = permissions;
    this.knowHow = knowHow;
    this.tell = tell;
    this.log = log;
    this.clock = clock;
  }

  /**
   * Begins a move that changes something: from now on it is the job's open change.
   *
   * @param named drive that it is done to, as somebody typed it who looked at it; wanted of what
   *     erases, null otherwise
   * @throws Refusal 423 if a gate locks it, or another change is open; 409 if it erases and the
   *     named drive is none of the machine's
   */
  @Transactional
  public void begin(
      String number, long version, String moveId, String part, NamedDrive named, Person by) {
    Job job = jobs.named(number);
    Ranked ranked = offered(job, moveId, part);
    if (!changes(ranked.move())) {
      throw Refusal.badRequest(
          say("move.this-move-changes-nothing"), say("move.say-what-you-see-right-away"));
    }
    if (ranked.move().invasiveness() == Invasiveness.ERASES) {
      DriveToErase.mustBeOfMachine(weighing.weigh(job), named);
    }
    String remedy =
        knowHow.now().remedies().stream()
            .filter(r -> r.isDoneBy(ranked.move().id()))
            .map(Remedy::id)
            .findFirst()
            .orElse(null);
    changes.begin(number, version, ranked.move().named(ranked.part().name()), remedy, by);
  }

  /**
   * @param levels level seen by finding; a finding that is left out stays unknown
   * @throws Refusal 400 if it is not a level of this move, 423 if a gate locks the move
   */
  @Transactional
  public void made(
      String number,
      long version,
      String moveId,
      String part,
      Map<String, String> levels,
      String note,
      Person by) {
    by.must(Role.TECHNICIAN, Role.LEAD);
    Move move = move(moveId);
    Map<String, String> seen = checked(move, levels);
    Job job = jobs.named(number);
    Part on = part(job, move, part);
    if (changes(move)) {
      // It was begun when no gate locked it; what came of it is kept whatever has become locked.
      mustBeBegun(job, move, on);
      changes.check(number, version, OutcomeSeen.complaintNow(move, seen), note, by);
    } else {
      offered(job, moveId, part);
      job = lock.forChange(number, version);
    }
    for (Move.Outcomes asked : move.tells()) {
      String level = seen.get(asked.id());
      if (level != null) {
        findings.save(
            JobFinding.ofMove(
                job.id(),
                part,
                asked.id(),
                level,
                Words.kept(() -> OutcomeSeen.words(move(moveId), asked.id(), level)),
                clock.instant()));
      }
    }
    String words = Words.kept(() -> OutcomeSeen.words(move(moveId), seen));
    log.keep(job, move, on, MoveLog.MoveEnd.DONE, words, note, by);
    tell.journal(
        job,
        JournalEntry.Kind.MOVE,
        () -> move(moveId).named(on.name()),
        () -> note.isBlank() ? words : words + ". " + note.strip(),
        by);
    weighing.reweigh(job);
  }

  /**
   * Nothing is known by it: could not run is not failed.
   *
   * @param silent whether it was because the drive did not answer, which is seen and told
   * @throws Refusal 400 if it is said of a move that is on no drive
   */
  @Transactional
  public void couldNot(
      String number,
      long version,
      String moveId,
      String part,
      String why,
      boolean silent,
      Person by) {
    by.must(Role.TECHNICIAN, Role.LEAD);
    Move move = move(moveId);
    Job job = lock.forChange(number, version);
    Part on = part(job, move, part);
    if (silent) {
      if (!on.kind().equals(Part.DRIVE)) {
        throw Refusal.badRequest(
            say("move.this-move-is-on-no-drive"), say("move.say-why-in-words"));
      }
      tellSilent(job, part, DriveAnswers.NEVER);
    }
    log.keep(
        job,
        move,
        on,
        MoveLog.MoveEnd.COULD_NOT,
        Words.kept(() -> silent ? MoveLog.silent() : say("move.could-not-be-done")),
        why,
        by);
    tell.journal(
        job,
        JournalEntry.Kind.MOVE,
        () -> say("move.could-not", "named", move(moveId).named(on.name())),
        () -> say("move.because", "why", why.strip()),
        by);
    if (silent) {
      weighing.reweigh(job);
    }
  }

  /**
   * @param level null takes back what was told of this drive before
   */
  private void tellSilent(Job job, String part, String level) {
    findings.save(
        JobFinding.ofMove(
            job.id(),
            part,
            DriveAnswers.FINDING,
            level,
            Words.kept(
                () ->
                    say(
                        level == null
                            ? "move.taken-back"
                            : "move.whether-the-drive-answers-it-did")),
            clock.instant()));
  }

  /** Undo of a slip: its findings are unknown again, and it is offered again. */
  @Transactional
  public void takeBack(String number, long version, String moveId, String part, Person by) {
    by.must(Role.TECHNICIAN, Role.LEAD);
    Move move = move(moveId);
    Job job = lock.forChange(number, version);
    Part on = part(job, move, part);
    if (!log.done(job.id()).contains(moveId + "@" + part)) {
      throw Refusal.notPossibleNow(
          say("move.this-move-was-not-made"), say("move.load-the-job-again"));
    }
    move.tells()
        .forEach(
            asked ->
                findings.save(
                    JobFinding.ofMove(
                        job.id(),
                        part,
                        asked.id(),
                        null,
                        Words.kept(() -> say("move.taken-back")),
                        clock.instant())));
    boolean silent =
        log.of(job.id()).stream().anyMatch(m -> m.wasSilent(part) && m.move().equals(moveId));
    log.keep(
        job,
        move,
        on,
        MoveLog.MoveEnd.TAKEN_BACK,
        Words.kept(() -> say("move.taken-back")),
        "",
        by);
    if (silent) {
      tellSilent(job, part, null);
      if (log.of(job.id()).stream().anyMatch(m -> m.wasSilent(part))) {
        tellSilent(job, part, DriveAnswers.NEVER); // in another move it was silent too
      }
    }
    tell.journal(
        job,
        JournalEntry.Kind.MOVE,
        () -> say("move.taken-back-2", "named", move(moveId).named(on.name())),
        () -> "",
        by);
    weighing.reweigh(job);
  }

  /** Whether it changes something on the machine, so that it is the job's one open change. */
  public static boolean changes(Move move) {
    return switch (move.act()) {
      case CLEAN, REPAIR, RESET -> true;
      default -> false;
    };
  }

  private void mustBeBegun(Job job, Move move, Part part) {
    boolean begun =
        changes.open(job.id()).filter(o -> o.what().equals(move.named(part.name()))).isPresent();
    if (!begun) {
      throw Refusal.locked(
          say("move.this-move-changes-something-and-was"),
          say("move.begin-it-first-so-that-nothing"));
    }
  }

  /** The part that a move is made on, by its key. */
  private Part part(Job job, Move move, String key) {
    return weighing.parts(job, move).stream()
        .filter(p -> p.key().equals(key))
        .findFirst()
        .orElseThrow(
            () ->
                Refusal.badRequest(
                    say("move.this-machine-has-no-such-part"), say("move.load-the-job-again")));
  }

  private static Map<String, String> checked(Move move, Map<String, String> levels) {
    if (move.by() != null) {
      throw Refusal.badRequest(
          say("move.the-probe-does-this-move"), say("move.start-it-from-the-bay"));
    }
    Map<String, String> seen = new LinkedHashMap<>();
    for (Map.Entry<String, String> entry : levels.entrySet()) {
      boolean known =
          move.tells().stream()
              .anyMatch(
                  asked ->
                      asked.id().equals(entry.getKey())
                          && asked.levels().containsKey(entry.getValue()));
      if (!known) {
        throw Refusal.badRequest(
            say("move.is-no-outcome-of-this-move", "value", entry.getValue()),
            say("move.load-the-job-again"));
      }
      seen.put(entry.getKey(), entry.getValue());
    }
    if (seen.isEmpty()) {
      throw Refusal.badRequest(
          say("move.nothing-was-seen"), say("move.choose-what-you-saw-or-say"));
    }
    return seen;
  }

  private Ranked offered(Job job, String moveId, String part) {
    move(moveId);
    Ranked ranked =
        advice(job).moves().stream()
            .filter(r -> r.move().id().equals(moveId) && r.part().key().equals(part))
            .findFirst()
            .orElseThrow(
                () ->
                    Refusal.notPossibleNow(
                        say("move.this-move-was-made-already-or"), say("move.load-the-job-again")));
    if (ranked.lock().isPresent()) {
      Permission.Locked locked = ranked.lock().get();
      throw Refusal.locked(locked);
    }
    return ranked;
  }

  private Advice advice(Job job) {
    WeighingService.Evidence evidence = weighing.weigh(job);
    return weighing.advice(job, evidence, permissions.of(job, evidence), log.done(job.id()), true);
  }

  private Move move(String id) {
    return knowHow
        .now()
        .move(id)
        .orElseThrow(() -> Refusal.notFound(say("move.there-is-no-move", "id", id)));
  }
}

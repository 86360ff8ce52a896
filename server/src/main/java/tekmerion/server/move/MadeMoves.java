package tekmerion.server.move;

import static tekmerion.words.Words.say;

import io.swagger.v3.oas.annotations.media.Schema;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
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

/** Keeps what was seen when a move was made. */
@Service
public class MadeMoves {
  /** Outcome of a move that could not be done because its drive did not answer. */
  private static String silent() {
    return say("move.the-drive-did-not-answer");
  }

  private final Jobs jobs;
  private final JobLock lock;
  private final JobFindings findings;
  private final Changes changes;
  private final WeighingService weighing;
  private final JobPermissions permissions;
  private final ShopKnowHow knowHow;
  private final Tell tell;
  private final JdbcClient jdbc;
  private final Clock clock;

  /** How a move ended. */
  public enum MoveEnd {
    DONE,
    COULD_NOT,
    TAKEN_BACK
  }

  /**
   * A move as it was made last.
   *
   * @param move its id in the know-how
   * @param title as it was called then
   * @param words what was seen
   * @param known whether the move is one of this shop's know-how; what others showed is told and
   *     not weighed
   */
  @Schema(name = "MadeMove")
  public record Made(
      String move,
      String part,
      String title,
      MoveEnd outcome,
      String words,
      String note,
      String by,
      Instant at,
      boolean known) {
    private boolean wasSilent(String on) {
      return outcome == MoveEnd.COULD_NOT && part.equals(on) && words.equals(silent());
    }
  }

  MadeMoves(
      Jobs jobs,
      JobLock lock,
      JobFindings findings,
      Changes changes,
      WeighingService weighing,
      JobPermissions permissions,
      ShopKnowHow knowHow,
      Tell tell,
      JdbcClient jdbc,
      Clock clock) {
    this.jobs = jobs;
    this.lock = lock;
    this.findings = findings;
    this.changes = changes;
    this.weighing = weighing;
    this.permissions = permissions;
    this.knowHow = knowHow;
    this.tell = tell;
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /** Moves that were made or could not be made, as {@code move@part}; taken-back ones are not. */
  @Transactional(readOnly = true)
  public Set<String> done(long jobId) {
    return of(jobId).stream().map(m -> m.move() + "@" + m.part()).collect(Collectors.toSet());
  }

  /** The same, with what was seen; newest first. */
  @Transactional(readOnly = true)
  public List<Made> of(long jobId) {
    Map<String, Made> last = new LinkedHashMap<>();
    jdbc.sql(
            "SELECT m.move_id, m.part, m.title, m.outcome, m.words, m.note, a.display_name, m.made_at"
                + " FROM job_move m JOIN account a ON a.id = m.made_by WHERE m.job_id = ?"
                + " ORDER BY m.id DESC")
        .param(jobId)
        .query(
            (rs, n) ->
                new Made(
                    rs.getString(1),
                    rs.getString(2),
                    Words.read(rs.getString(3)),
                    MoveEnd.valueOf(rs.getString(4)),
                    Words.read(rs.getString(5)),
                    rs.getString(6),
                    rs.getString(7),
                    rs.getTimestamp(8).toInstant(),
                    knowHow.now().move(rs.getString(1)).isPresent()))
        .list()
        .forEach(made -> last.putIfAbsent(made.move() + "@" + made.part(), made));
    return last.values().stream().filter(m -> m.outcome() != MoveEnd.TAKEN_BACK).toList();
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
    keep(job, move, on, MoveEnd.DONE, words, note, by);
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
    keep(
        job,
        move,
        on,
        MoveEnd.COULD_NOT,
        Words.kept(() -> silent ? silent() : say("move.could-not-be-done")),
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
    if (!done(job.id()).contains(moveId + "@" + part)) {
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
        of(job.id()).stream().anyMatch(m -> m.wasSilent(part) && m.move().equals(moveId));
    keep(job, move, on, MoveEnd.TAKEN_BACK, Words.kept(() -> say("move.taken-back")), "", by);
    if (silent) {
      tellSilent(job, part, null);
      if (of(job.id()).stream().anyMatch(m -> m.wasSilent(part))) {
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
    return weighing.advice(job, evidence, permissions.of(job, evidence), done(job.id()), true);
  }

  private Move move(String id) {
    return knowHow
        .now()
        .move(id)
        .orElseThrow(() -> Refusal.notFound(say("move.there-is-no-move", "id", id)));
  }

  private void keep(
      Job job, Move move, Part part, MoveEnd outcome, String words, String note, Person by) {
    jdbc.sql(
            "INSERT INTO job_move (job_id, move_id, part, title, outcome, words, note, made_by,"
                + " made_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)")
        .params(
            job.id(),
            move.id(),
            part.key(),
            Words.kept(() -> move(move.id()).named(part.name())),
            outcome.name(),
            words,
            note.strip(),
            by.id(),
            Timestamp.from(clock.instant()))
        .update();
  }
}

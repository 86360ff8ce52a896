package tekmerion.server.job;

import static tekmerion.words.Words.say;

import io.swagger.v3.oas.annotations.media.Schema;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.server.person.Person;
import tekmerion.server.person.Role;
import tekmerion.server.problem.Refusal;
import tekmerion.words.Words;

/**
 * One change at a time: what was changed on the machine stays open until somebody has looked
 * whether the complaint is still there. Only then can the next begin, so that the cure is known.
 */
@Service
public class Changes {
  private final JobLock lock;
  private final JdbcClient jdbc;
  private final Tell tell;
  private final ObjectProvider<ChangeClosed> listeners;
  private final Clock clock;

  /** What became of the complaint after a change. */
  public enum ComplaintNow {
    GONE("job.gone"),
    SAME("job.the-same"),
    DIFFERENT("job.different"),
    COULD_NOT_TELL("job.could-not-tell"),
    /** What was begun broke off half way, so there is nothing to look at. */
    BROKE_OFF("job.not-looked-at"),
    /** There was no change to look at: a step of the plan could not be done. */
    NOT_DONE("job.not-looked-at");

    private final String words;

    ComplaintNow(String words) {
      this.words = words;
    }

    public String words() {
      return say(words);
    }
  }

  /** A change whose complaint check is still to come. */
  @Schema(name = "OpenChange")
  public record Open(long id, String what, String by, Instant at) {}

  Changes(
      JobLock lock,
      JdbcClient jdbc,
      Tell tell,
      ObjectProvider<ChangeClosed> listeners,
      Clock clock) {
    this.lock = lock;
    this.jdbc = jdbc;
    this.tell = tell;
    this.listeners = listeners;
    this.clock = clock;
  }

  @Transactional(readOnly = true)
  public Optional<Open> open(long jobId) {
    return jdbc.sql(
            "SELECT c.id, c.what, a.display_name, c.opened_at FROM job_change c"
                + " JOIN account a ON a.id = c.opened_by WHERE c.open_job = ?")
        .params(jobId)
        .query(
            (rs, n) ->
                new Open(
                    rs.getLong(1),
                    rs.getString(2),
                    rs.getString(3),
                    rs.getTimestamp(4).toInstant()))
        .optional();
  }

  /**
   * @param remedy of a plan that it does, by id; null if it does none
   * @throws Refusal 423 while an earlier change is open
   */
  @Transactional
  public void begin(String number, long version, String what, String remedy, Person by) {
    by.must(Role.TECHNICIAN, Role.LEAD);
    Job job = lock.forChange(number, version);
    open(job.id())
        .ifPresent(
            before -> {
              throw Refusal.locked(
                  say("job.is-still-open", "what", before.what()),
                  say("job.look-whether-the-complaint-is-still"));
            });
    jdbc.sql(
            "INSERT INTO job_change (job_id, what, remedy, opened_by, opened_at)"
                + " VALUES (?, ?, ?, ?, ?)")
        .params(job.id(), what.strip(), remedy, by.id(), Timestamp.from(clock.instant()))
        .update();
    tell.journal(
        job,
        JournalEntry.Kind.CHANGE,
        () -> say("job.changed", "what", what.strip()),
        () -> say("job.check-to-come"),
        by);
  }

  @Transactional
  public void check(String number, long version, ComplaintNow result, String note, Person by) {
    by.must(Role.TECHNICIAN, Role.LEAD);
    if (result == ComplaintNow.NOT_DONE) {
      throw Refusal.badRequest(
          say("job.what-was-begun-is-looked-at"), say("job.say-gone-same-different-or-that"));
    }
    Job job = lock.forChange(number, version);
    Open change =
        open(job.id())
            .orElseThrow(
                () ->
                    Refusal.notPossibleNow(
                        say("job.no-change-is-open"), say("job.write-down-what-you-change-first")));
    jdbc.sql(
            "UPDATE job_change SET result = ?, note = ?, closed_by = ?, closed_at = ? WHERE id = ?")
        .params(result.name(), note.strip(), by.id(), Timestamp.from(clock.instant()), change.id())
        .update();
    if (result == ComplaintNow.BROKE_OFF) {
      job.contradicted(Words.kept(() -> say("job.broke-off-half-way", "what", change.what())));
    }
    tell.journal(
        job,
        JournalEntry.Kind.CHECK,
        () ->
            result == ComplaintNow.BROKE_OFF
                ? say("job.it-broke-off")
                : say("job.complaint", "result", result.words()),
        () ->
            say(
                "job.after",
                "what",
                change.what(),
                "isBlank",
                (note.isBlank() ? "" : ". " + note.strip()),
                "took",
                took(change)),
        by);
    listeners.forEach(listener -> listener.closed(job));
  }

  /**
   * Keeps that a remedy could not be done, or was not done here.
   *
   * @param why in the technician's words
   */
  @Transactional
  public void notDone(
      String number, long version, String what, String remedy, String why, Person by) {
    by.must(Role.TECHNICIAN, Role.LEAD);
    Job job = lock.forChange(number, version);
    Timestamp now = Timestamp.from(clock.instant());
    jdbc.sql(
            "INSERT INTO job_change (job_id, what, remedy, opened_by, opened_at, result, note,"
                + " closed_by, closed_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)")
        .params(
            job.id(),
            what,
            remedy,
            by.id(),
            now,
            ComplaintNow.NOT_DONE.name(),
            why.strip(),
            by.id(),
            now)
        .update();
    tell.journal(
        job,
        JournalEntry.Kind.CHANGE,
        () -> say("job.not-done", "what", what),
        () -> why.strip(),
        by);
    listeners.forEach(listener -> listener.closed(job));
  }

  /**
   * What came of a change.
   *
   * @param result none while it is open
   * @param begun when it was begun
   */
  public record Came(Optional<ComplaintNow> result, String note, Instant begun) {}

  /** What came of remedies since a moment: the last change of each. */
  @Transactional(readOnly = true)
  public Map<String, Came> since(long jobId, Instant from) {
    Map<String, Came> came = new HashMap<>();
    jdbc.sql(
            "SELECT remedy, result, COALESCE(note, ''), opened_at FROM job_change WHERE job_id = ?"
                + " AND remedy IS NOT NULL AND opened_at >= ? ORDER BY id")
        .params(jobId, Timestamp.from(from))
        .query(
            rs -> {
              came.put(
                  rs.getString(1),
                  new Came(
                      Optional.ofNullable(rs.getString(2)).map(ComplaintNow::valueOf),
                      rs.getString(3),
                      rs.getTimestamp(4).toInstant()));
            });
    return came;
  }

  private String took(Open change) {
    long minutes = Duration.between(change.at(), clock.instant()).toMinutes();
    return minutes < 1 ? "" : say("job.min", "minutes", minutes);
  }
}

package tekmerion.server.job;

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
    GONE("gone"),
    SAME("the same"),
    DIFFERENT("different"),
    COULD_NOT_TELL("could not tell"),
    /** What was begun broke off half way, so there is nothing to look at. */
    BROKE_OFF("not looked at"),
    /** There was no change to look at: a step of the plan could not be done. */
    NOT_DONE("not looked at");

    private final String words;

    ComplaintNow(String words) {
      this.words = words;
    }

    public String words() {
      return words;
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
                  "“%s” is still open.".formatted(before.what()),
                  "Look whether the complaint is still there and say so; then begin the next.");
            });
    jdbc.sql(
            "INSERT INTO job_change (job_id, what, remedy, opened_by, opened_at)"
                + " VALUES (?, ?, ?, ?, ?)")
        .params(job.id(), what.strip(), remedy, by.id(), Timestamp.from(clock.instant()))
        .update();
    tell.journal(job, JournalEntry.Kind.CHANGE, "Changed: " + what.strip(), "check to come", by);
  }

  @Transactional
  public void check(String number, long version, ComplaintNow result, String note, Person by) {
    by.must(Role.TECHNICIAN, Role.LEAD);
    if (result == ComplaintNow.NOT_DONE) {
      throw Refusal.badRequest(
          "What was begun is looked at.", "Say gone, same, different, or that nobody could tell.");
    }
    Job job = lock.forChange(number, version);
    Open change =
        open(job.id())
            .orElseThrow(
                () ->
                    Refusal.notPossibleNow(
                        "No change is open.", "Write down what you change first."));
    jdbc.sql(
            "UPDATE job_change SET result = ?, note = ?, closed_by = ?, closed_at = ? WHERE id = ?")
        .params(result.name(), note.strip(), by.id(), Timestamp.from(clock.instant()), change.id())
        .update();
    if (result == ComplaintNow.BROKE_OFF) {
      job.contradicted("“%s” broke off half way.".formatted(change.what()));
    }
    tell.journal(
        job,
        JournalEntry.Kind.CHECK,
        result == ComplaintNow.BROKE_OFF ? "It broke off" : "Complaint " + result.words(),
        "after: " + change.what() + (note.isBlank() ? "" : ". " + note.strip()) + took(change),
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
    tell.journal(job, JournalEntry.Kind.CHANGE, "Not done: " + what, why.strip(), by);
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
    return minutes < 1 ? "" : " (%d min)".formatted(minutes);
  }
}

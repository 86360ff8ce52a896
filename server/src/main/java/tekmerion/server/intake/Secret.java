package tekmerion.server.intake;

import static tekmerion.words.Words.say;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.server.audit.Audit;
import tekmerion.server.job.Hands;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.job.Notices;
import tekmerion.server.job.Tell;
import tekmerion.server.person.Person;
import tekmerion.server.person.Role;
import tekmerion.server.problem.Refusal;

/** The owner's password: sealed at the counter, opened on the bench, wiped at hand-back. */
@Service
public class Secret {
  private final JdbcClient jdbc;
  private final Seal seal;
  private final Jobs jobs;
  private final Tell tell;
  private final Hands hands;
  private final Notices notices;
  private final Audit audit;
  private final Clock clock;

  Secret(
      JdbcClient jdbc,
      Seal seal,
      Jobs jobs,
      Tell tell,
      Hands hands,
      Notices notices,
      Audit audit,
      Clock clock) {
    this.jdbc = jdbc;
    this.seal = seal;
    this.jobs = jobs;
    this.tell = tell;
    this.hands = hands;
    this.notices = notices;
    this.audit = audit;
    this.clock = clock;
  }

  @Transactional
  void keep(UUID intake, String secret, Person by) {
    changed(intake, "kept", Audit.Kind.OWNERS_PASSWORD_KEPT, by);
    Seal.Sealed sealed = seal.seal(intake, secret);
    jdbc.sql(
            "INSERT INTO sealed_secret (intake_id, nonce, sealed, sealed_by, sealed_at)"
                + " VALUES (?, ?, ?, ?, ?) ON DUPLICATE KEY UPDATE nonce = VALUES(nonce),"
                + " sealed = VALUES(sealed), sealed_by = VALUES(sealed_by),"
                + " sealed_at = VALUES(sealed_at), wiped_at = NULL")
        .params(
            intake.toString(),
            sealed.nonce(),
            sealed.bytes(),
            by.id(),
            Timestamp.from(clock.instant()))
        .update();
  }

  @Transactional(readOnly = true)
  public boolean isKept(UUID intake) {
    return jdbc.sql("SELECT COUNT(*) FROM sealed_secret WHERE intake_id = ? AND sealed IS NOT NULL")
            .param(intake.toString())
            .query(Integer.class)
            .single()
        > 0;
  }

  /** Whether the job has a sealed password. */
  @Transactional(readOnly = true)
  public boolean isKeptFor(long jobId) {
    return jdbc.sql(
                "SELECT COUNT(*) FROM sealed_secret s JOIN intake i ON i.id = s.intake_id"
                    + " WHERE i.job_id = ? AND s.sealed IS NOT NULL")
            .param(jobId)
            .query(Integer.class)
            .single()
        > 0;
  }

  /** Only for a technician who is on the job; every opening is in the history. */
  @Transactional
  public String open(String number, Person by) {
    by.must(Role.TECHNICIAN, Role.LEAD);
    Job job = jobs.named(number);
    if (!hands.isOn(job, by)) {
      throw Refusal.forbidden(
          say("intake.only-who-is-on-the-job"), say("intake.take-the-job-first"));
    }
    record Row(UUID intake, Seal.Sealed sealed) {}
    Row row =
        jdbc.sql(
                "SELECT i.id, s.nonce, s.sealed FROM sealed_secret s JOIN intake i ON i.id = s.intake_id"
                    + " WHERE i.job_id = ? AND s.sealed IS NOT NULL")
            .param(job.id())
            .query(
                (rs, n) ->
                    new Row(
                        UUID.fromString(rs.getString(1)),
                        new Seal.Sealed(rs.getBytes(2), rs.getBytes(3))))
            .optional()
            .orElseThrow(
                () ->
                    Refusal.notPossibleNow(
                        say("intake.no-password-is-kept-for-this"),
                        say("intake.ask-the-owner-for-it")));
    String secret = seal.open(row.intake(), row.sealed());
    tell.journal(
        job, JournalEntry.Kind.SECRET, () -> say("intake.owner-s-password-opened"), () -> "", by);
    notices.tellHolders(
        job,
        () ->
            say("intake.opened-the-owner-s-password-of", "by", by.displayName(), "number", number));
    audit.of(Audit.Kind.OWNERS_PASSWORD_OPENED, by, number, "");
    return secret;
  }

  /** Gone for good: at hand-back, or because the owner wants it. */
  @Transactional
  public void wipe(long jobId) {
    jdbc.sql(
            "UPDATE sealed_secret s JOIN intake i ON i.id = s.intake_id"
                + " SET s.sealed = NULL, s.nonce = NULL, s.wiped_at = ?"
                + " WHERE i.job_id = ? AND s.sealed IS NOT NULL")
        .params(Timestamp.from(clock.instant()), jobId)
        .update();
  }

  @Transactional
  void forget(UUID intake, Person by) {
    changed(intake, "deleted", Audit.Kind.OWNERS_PASSWORD_DELETED, by);
    jdbc.sql(
            "UPDATE sealed_secret SET sealed = NULL, nonce = NULL, wiped_at = ? WHERE intake_id = ?")
        .params(Timestamp.from(clock.instant()), intake.toString())
        .update();
  }

  /**
   * Once the draft is a job, only who is on it, or the counter, changes its password; the history
   * keeps that it was done.
   */
  private void changed(UUID intake, String what, Audit.Kind kind, Person by) {
    Optional<Job> job =
        jdbc.sql("SELECT job_id FROM intake WHERE id = ? AND job_id IS NOT NULL")
            .param(intake.toString())
            .query(Long.class)
            .optional()
            .flatMap(jobs::findById);
    job.ifPresent(
        j -> {
          if (by.role() != Role.COUNTER) {
            hands.mustBeOn(j, by);
          }
          tell.journal(
              j,
              JournalEntry.Kind.SECRET,
              () -> say("intake.owner-s-password", "what", what),
              () -> "",
              by);
        });
    audit.of(kind, by, job.map(Job::number).orElse(""), "");
  }
}

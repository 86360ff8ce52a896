package tekmerion.server.job;

import static tekmerion.words.Words.say;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.server.account.Account;
import tekmerion.server.account.Accounts;
import tekmerion.server.person.Person;
import tekmerion.server.person.Role;
import tekmerion.server.problem.Refusal;

/** Whose a job is: taken, handed over with a note, shared; and what it waits for. */
@Service
public class Hands {
  private final JobLock lock;
  private final Jobs jobs;
  private final Accounts accounts;
  private final JdbcClient jdbc;
  private final Notices notices;
  private final Tell tell;
  private final Clock clock;

  Hands(
      JobLock lock,
      Jobs jobs,
      Accounts accounts,
      JdbcClient jdbc,
      Notices notices,
      Tell tell,
      Clock clock) {
    this.lock = lock;
    this.jobs = jobs;
    this.accounts = accounts;
    this.jdbc = jdbc;
    this.notices = notices;
    this.tell = tell;
    this.clock = clock;
  }

  /** Whether somebody holds the job or shares it. */
  @Transactional(readOnly = true)
  public boolean isOn(Job job, Person person) {
    return job.holder() != null && job.holder().id() == person.id()
        || jdbc.sql("SELECT COUNT(*) FROM job_share WHERE job_id = ? AND account_id = ?")
                .params(job.id(), person.id())
                .query(Integer.class)
                .single()
            > 0;
  }

  /**
   * @throws Refusal 403 if the person neither is on the job nor leads; a job that nobody holds is
   *     open to the bench
   */
  @Transactional(readOnly = true)
  public void mustBeOn(Job job, Person person) {
    if (job.holder() != null && person.role() != Role.LEAD && !isOn(job, person)) {
      throw Refusal.forbidden(
          say("job.this-is-for-whoever-is-on"),
          say("job.take-the-job-first-or-ask", "holder", job.holder().displayName()));
    }
  }

  /**
   * Who takes a job that another holds is seen to have done so: by the other, and in the history.
   */
  @Transactional
  public void take(String number, long version, Person by) {
    by.must(Role.TECHNICIAN, Role.LEAD);
    Job job = lock.forChange(number, version);
    Account before = job.holder();
    if (before != null && before.id() == by.id()) {
      throw Refusal.notPossibleNow(
          say("job.you-hold-already", "number", number), say("job.go-on-with-it"));
    }
    job.heldBy(accounts.getReferenceById(by.id()));
    unshare(job, by.id());
    if (before != null) {
      notices.tell(
          before.id(), job, () -> say("job.took-over", "by", by.displayName(), "number", number));
    }
    tell.journal(
        job,
        JournalEntry.Kind.HAND,
        () -> say("job.taken-by", "by", by.displayName()),
        () ->
            before == null
                ? say("job.nobody-had-it")
                : say("job.from", "person", before.displayName()),
        by);
  }

  /**
   * @param to null lets go of it: whoever is free may take it
   */
  @Transactional
  public void handOver(String number, long version, Long to, String note, Person by) {
    Job job = lock.forChange(number, version);
    mustBeOn(job, by);
    hand(job, to == null ? null : colleague(to), note, by);
  }

  /** Everything that somebody holds, at once: they are away. */
  @Transactional
  public int handOverAll(Long to, String note, Person by) {
    Account colleague = to == null ? null : colleague(to);
    List<Job> held = jobs.findByHolderIdAndEndedAtIsNull(by.id());
    held.forEach(job -> hand(job, colleague, note, by));
    return held.size();
  }

  @Transactional
  public void share(String number, long version, long with, boolean on, Person by) {
    Job job = lock.forChange(number, version);
    mustBeOn(job, by);
    Account colleague = colleague(with);
    unshare(job, with);
    if (on) {
      jdbc.sql("INSERT INTO job_share (job_id, account_id) VALUES (?, ?)")
          .params(job.id(), with)
          .update();
      if (with != by.id()) {
        notices.tell(
            with, job, () -> say("job.shares-with-you", "by", by.displayName(), "number", number));
      }
    }
    tell.journal(
        job,
        JournalEntry.Kind.HAND,
        () ->
            on
                ? say("job.shared-with", "colleague", colleague.displayName())
                : say("job.is-off-it", "colleague", colleague.displayName()),
        () -> "",
        by);
  }

  /**
   * @param what null: it waits no longer
   * @param until when it is expected, null if nobody knows
   */
  @Transactional
  public void wait(
      String number, long version, Job.WaitsFor what, String note, Instant until, Person by) {
    waits(lock.forChange(number, version), what, note, until, by);
  }

  /** The same of a job that is being changed already. */
  @Transactional(propagation = Propagation.MANDATORY)
  public void waits(Job job, Job.WaitsFor what, String note, Instant until, Person by) {
    Instant now = clock.instant();
    if (job.waitsFor() != null) {
      jdbc.sql("INSERT INTO job_wait (job_id, kind, since, until_at) VALUES (?, ?, ?, ?)")
          .params(
              job.id(),
              job.waitsFor().name(),
              Timestamp.from(job.waitsSince()),
              Timestamp.from(now))
          .update();
    }
    job.waitsFor(what, what == null ? null : note, what == null ? null : now, until);
    tell.journal(
        job,
        JournalEntry.Kind.WAIT,
        () ->
            what == null ? say("job.waits-no-longer") : say("job.waits-for", "what", what.words()),
        () -> what == null ? "" : note,
        by);
    if (what == null) {
      notices.tellHolders(job, () -> say("job.waits-no-longer-2", "job", job.number()));
    }
  }

  private void hand(Job job, Account to, String note, Person by) {
    job.heldBy(to);
    if (to != null) {
      unshare(job, to.id());
      if (to.id() != by.id()) {
        String words =
            note.isBlank()
                ? say("job.hands-over-to-you", "by", by.displayName(), "job", job.number())
                : say(
                    "job.hands-over-to-you-2",
                    "by",
                    by.displayName(),
                    "job",
                    job.number(),
                    "note",
                    note.strip());
        notices.tell(
            to.id(), job, () -> words.length() > 300 ? words.substring(0, 299) + "…" : words);
      }
    }
    tell.journal(
        job,
        JournalEntry.Kind.HAND,
        () ->
            to == null
                ? say("job.left-for-whoever-is-free")
                : say("job.handed-over-to", "to", to.displayName()),
        () -> note.strip(),
        by);
  }

  private void unshare(Job job, long account) {
    jdbc.sql("DELETE FROM job_share WHERE job_id = ? AND account_id = ?")
        .params(job.id(), account)
        .update();
  }

  private Account colleague(long id) {
    return accounts
        .findById(id)
        .filter(Account::isActive)
        .orElseThrow(
            () ->
                Refusal.badRequest(
                    say("job.there-is-nobody-like-that-in"), say("job.choose-a-colleague")));
  }
}

package tekmerion.server.bay;

import static tekmerion.words.Words.say;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.server.job.Job;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.job.Tell;
import tekmerion.server.person.Person;
import tekmerion.server.problem.Refusal;

/** Which job's machine stands in which bay. */
@Service
public class BayPlaces {
  private final JdbcClient jdbc;
  private final Tell tell;

  BayPlaces(JdbcClient jdbc, Tell tell) {
    this.jdbc = jdbc;
    this.tell = tell;
  }

  /**
   * @param job locked for a change
   * @param bay null takes it off its bay
   * @throws Refusal 423 if another stands there or there is no such bay
   */
  @Transactional(propagation = Propagation.MANDATORY)
  public void put(Job job, Integer bay, Person by) {
    free(job);
    if (bay != null) {
      int put =
          jdbc.sql("UPDATE bay SET job_id = ? WHERE number = ? AND job_id IS NULL")
              .params(job.id(), bay)
              .update();
      if (put == 0) {
        throw Refusal.notPossibleNow(
            say("bay.is-taken-or-there-is-none", "bay", bay), say("bay.choose-a-free-bay"));
      }
    }
    tell.journal(
        job,
        JournalEntry.Kind.BAY,
        () -> bay == null ? say("jobview.off-its-bay") : say("jobview.put-in-bay", "bay", bay),
        () -> "",
        by);
  }

  /** Takes its machine off its bay, if it is in one. */
  @Transactional(propagation = Propagation.MANDATORY)
  public void free(Job job) {
    jdbc.sql("UPDATE bay SET job_id = NULL WHERE job_id = ?").param(job.id()).update();
  }
}

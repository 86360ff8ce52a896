package tekmerion.server.job;

import static tekmerion.words.Words.say;

import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.server.problem.Refusal;

/** Lets one person change a job at a time, and only one who has seen its present state. */
@Service
public class JobLock {
  private final Jobs jobs;
  private final EntityManager entities;

  JobLock(Jobs jobs, EntityManager entities) {
    this.jobs = jobs;
    this.entities = entities;
  }

  /**
   * The job, its version counted up with this transaction.
   *
   * @param seenVersion what the person was looking at
   * @throws Refusal 409 if it has changed since, or is ended
   */
  @Transactional(propagation = Propagation.MANDATORY)
  public Job forChange(String number, long seenVersion) {
    Job job = jobs.named(number);
    if (job.version() != seenVersion) {
      throw Refusal.conflict(
          say("job.this-job-has-changed-since-you"), say("job.look-at-what-changed-then-do"));
    }
    if (job.endedAt() != null) {
      throw Refusal.notPossibleNow(
          say("job.the-job-is-ended", "endedHow", job.endedHow().words()),
          say("job.take-the-machine-in-anew"));
    }
    entities.lock(job, LockModeType.OPTIMISTIC_FORCE_INCREMENT);
    return job;
  }
}

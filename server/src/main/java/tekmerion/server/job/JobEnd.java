package tekmerion.server.job;

import java.time.Clock;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** The end of a job. */
@Service
public class JobEnd {
  private final JobProgress progress;
  private final Clock clock;

  JobEnd(JobProgress progress, Clock clock) {
    this.progress = progress;
    this.clock = clock;
  }

  /** One taken in by mistake tells nothing about how long jobs take. */
  @Transactional(propagation = Propagation.MANDATORY)
  public void end(Job job, Job.EndedHow how) {
    if (how == Job.EndedHow.HANDED_BACK) {
      progress.ended(job);
    }
    job.ended(how, clock.instant());
  }
}

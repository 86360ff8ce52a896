package tekmerion.server.job;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.forecast.OpenHours;
import tekmerion.core.forecast.Stage;

/** Moves jobs from stage to stage and keeps how long each took, for the likely ends of others. */
@Service
@Transactional(propagation = Propagation.MANDATORY)
public class JobProgress {
  private final JdbcClient jdbc;
  private final OpenHours hours;
  private final Clock clock;

  JobProgress(JdbcClient jdbc, OpenHours hours, Clock clock) {
    this.jdbc = jdbc;
    this.hours = hours;
    this.clock = clock;
  }

  public void drivesRead(Job job) {
    advance(job, Stage.DECIDE);
  }

  public void decided(Job job) {
    advance(job, Stage.WORK);
  }

  public void readyToHandBack(Job job) {
    advance(job, Stage.HAND_BACK);
  }

  /** The last stage ends with the job. */
  void ended(Job job) {
    keep(job, job.stage(), clock.instant());
  }

  /** Never back: a decision that is followed by another does not make the machine unread. */
  private void advance(Job job, Stage next) {
    if (next.compareTo(job.stage()) <= 0) {
      return;
    }
    Instant now = clock.instant();
    keep(job, job.stage(), now);
    job.enters(next, now);
  }

  private void keep(Job job, Stage stage, Instant now) {
    jdbc.sql("INSERT IGNORE INTO stage_time (job_id, stage, minutes, ended_at) VALUES (?, ?, ?, ?)")
        .params(job.id(), stage.name(), hours.between(job.stageSince(), now), Timestamp.from(now))
        .update();
  }
}

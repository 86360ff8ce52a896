package tekmerion.server.jobview;

import io.swagger.v3.oas.annotations.media.Schema;
import java.sql.Timestamp;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.proof.ComesBack;
import tekmerion.server.decision.DecisionService;
import tekmerion.server.decision.DecisionService.DecisionView;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;

/**
 * Machines that are back with the same complaint: what was decided then is laid beside the new job.
 */
@Component
class CameBack {
  private final JdbcClient jdbc;
  private final Jobs jobs;
  private final DecisionService decisions;

  /**
   * @param days from the hand-back to the new job
   * @param decision the last one of the earlier job; null if it ended without one
   */
  @Schema(name = "CameBack")
  record Earlier(
      String number,
      Instant endedAt,
      long days,
      List<String> families,
      @Schema(nullable = true) DecisionView decision) {}

  CameBack(JdbcClient jdbc, Jobs jobs, DecisionService decisions) {
    this.jdbc = jdbc;
    this.jobs = jobs;
    this.decisions = decisions;
  }

  /** The last job of the machine that ended within 90 days before and shares a family. */
  @Transactional(readOnly = true)
  Optional<Earlier> of(Job job) {
    return jdbc.sql(
            "SELECT j.number FROM job j WHERE j.machine_id = ? AND j.id <> ? AND j.ended_how ="
                + " 'HANDED_BACK' AND j.ended_at BETWEEN ? AND ? AND EXISTS (SELECT 1 FROM"
                + " job_family f JOIN job_family g ON g.family_id = f.family_id"
                + " WHERE f.job_id = j.id AND g.job_id = ?) ORDER BY j.ended_at DESC LIMIT 1")
        .params(
            job.machine().id(),
            job.id(),
            Timestamp.from(job.takenInAt().minus(ComesBack.WITHIN)),
            Timestamp.from(job.takenInAt()),
            job.id())
        .query(String.class)
        .optional()
        .flatMap(jobs::findByNumber)
        .map(
            earlier ->
                new Earlier(
                    earlier.number(),
                    earlier.endedAt(),
                    Duration.between(earlier.endedAt(), job.takenInAt()).toDays(),
                    earlier.families().stream().filter(job.families()::contains).toList(),
                    decisions.of(earlier).stream().findFirst().orElse(null)));
  }
}

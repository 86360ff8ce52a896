package tekmerion.server.editing;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tekmerion.core.learn.ProvenJob;
import tekmerion.core.proof.ComesBack;
import tekmerion.core.weigh.Weighed;
import tools.jackson.databind.json.JsonMapper;

/**
 * Jobs that went back decided, were not contradicted, and did not come back ({@link ComesBack}).
 */
@Component
class ProvenJobs {
  private static final int MAX = 2000;
  private final JdbcClient jdbc;
  private final JsonMapper json;
  private final Clock clock;

  ProvenJobs(JdbcClient jdbc, JsonMapper json, Clock clock) {
    this.jdbc = jdbc;
    this.json = json;
    this.clock = clock;
  }

  /** The newest, at most {@value #MAX}. */
  List<ProvenJob> all() {
    return jdbc.sql(
            "SELECT j.decided_cause, j.ended_at, r.weighing, (SELECT GROUP_CONCAT(f.family_id)"
                + " FROM job_family f WHERE f.job_id = j.id) AS families FROM job j JOIN decision r ON r.job_id = j.id"
                + " WHERE j.ended_how = 'HANDED_BACK' AND j.decided_cause IS NOT NULL"
                + " AND j.contradicted IS NULL"
                + " AND r.id = (SELECT MAX(q.id) FROM decision q WHERE q.job_id = j.id)"
                + " AND NOT EXISTS (SELECT 1 FROM job b WHERE b.machine_id = j.machine_id"
                + " AND b.taken_in_at > j.ended_at"
                + " AND b.taken_in_at < j.ended_at + INTERVAL "
                + ComesBack.WITHIN_DAYS
                + " DAY)"
                + " ORDER BY j.ended_at DESC LIMIT "
                + MAX)
        .query(
            (rs, n) ->
                new ProvenJob(
                    rs.getString("decided_cause"),
                    families(rs.getString("families")),
                    levels(rs.getString("weighing")),
                    daysAgo(rs.getTimestamp("ended_at").toInstant())))
        .list();
  }

  private static List<String> families(String joined) {
    return joined == null ? List.of() : List.of(joined.split(","));
  }

  private double daysAgo(Instant ended) {
    double hours = Duration.between(ended, clock.instant()).toMinutes() / 60.0;
    return Math.max(0, hours / 24); // a clock that was set back makes no job younger than today's
  }

  /** Every finding that was counted when it was decided. */
  private Map<String, String> levels(String weighing) {
    Map<String, String> levels = new HashMap<>();
    json.readValue(weighing, Weighed.class)
        .causes()
        .forEach(
            share ->
                share.weights().forEach(w -> levels.put(w.finding().id(), w.finding().level())));
    return levels;
  }
}

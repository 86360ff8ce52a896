package tekmerion.server.run;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.permit.PartIdentity;
import tekmerion.link.DriveSeen;
import tekmerion.link.RunKind;
import tools.jackson.databind.json.JsonMapper;

/** Stored runs about the data on drives, and the copies that they left. */
@Service
public class DataRuns {
  private final JdbcClient jdbc;
  private final RunRows rows;
  private final JsonMapper json;
  private final Clock clock;

  DataRuns(JdbcClient jdbc, RunRows rows, JsonMapper json, Clock clock) {
    this.jdbc = jdbc;
    this.rows = rows;
    this.json = json;
    this.clock = clock;
  }

  private static List<String> kinds(Predicate<RunKind> which) {
    return Stream.of(RunKind.values()).filter(which).map(RunKind::name).toList();
  }

  /** What was found out about the data on a drive in this job, newest first. */
  @Transactional(readOnly = true)
  public List<Run> ofJob(long jobId) {
    return jdbc.sql(
            RunRows.SELECT
                + "WHERE d.job_id = :job AND d.kind IN (:kinds) ORDER BY d.asked_at DESC")
        .param("job", jobId)
        .param("kinds", kinds(RunKind::isAboutData))
        .query(rows::of)
        .list();
  }

  /** Surveys of a drive, and what was written to it here, in whatever job. */
  @Transactional(readOnly = true)
  public List<Run> onDrive(PartIdentity drive) {
    return jdbc.sql(
            RunRows.SELECT
                + "WHERE d.kind IN (:kinds) AND NOT d.from_elsewhere"
                + " AND ((r.drive_serial = :serial AND r.drive_model = :model"
                + " AND r.drive_bytes = :bytes)"
                + " OR (r.run_id IS NULL AND d.named_drive = :named)) ORDER BY d.asked_at DESC")
        .param("kinds", kinds(RunKind::isAboutContent))
        .param("serial", drive.serial())
        .param("model", drive.model())
        .param("bytes", drive.sizeBytes())
        .param("named", json.writeValueAsString(DriveSeen.of(drive)))
        .query(rows::of)
        .list();
  }

  /** What a probe made copies of in jobs that go on: runs that ended and found something. */
  @Transactional(readOnly = true)
  public List<Run> copiesOf(UUID probeId) {
    return jdbc.sql(
            RunRows.SELECT
                + "WHERE d.probe_id = :probe AND d.kind IN (:kinds) AND NOT d.from_elsewhere"
                + " AND r.result IS NOT NULL AND j.ended_at IS NULL")
        .param("probe", probeId.toString())
        .param("kinds", kinds(RunKind::makesCopies))
        .query(rows::of)
        .list();
  }

  /** Keeps whether the copy that a run made is where it was made. */
  @Transactional
  public void copyIs(UUID runId, boolean there) {
    jdbc.sql(
            there
                ? "UPDATE run SET copy_found_at = ? WHERE id = ?"
                : "UPDATE run SET copy_missing_at = ?, copy_found_at = NULL WHERE id = ?")
        .params(Timestamp.from(clock.instant()), runId.toString())
        .update();
  }

  /** A copy that is there still; its job is ended. */
  public record LeftCopy(long jobId, String partKey) {}

  /**
   * Copies of jobs that ended before this, which nobody has erased since; longest ended first.
   *
   * @param most how many at most
   */
  @Transactional(readOnly = true)
  public List<LeftCopy> copiesOfJobsEndedBefore(Instant then, int most) {
    return jdbc.sql(
            "SELECT d.job_id, d.part_key FROM run d JOIN job j ON j.id = d.job_id"
                + " JOIN run_result r ON r.run_id = d.id WHERE d.kind IN (:kinds)"
                + " AND NOT d.from_elsewhere AND j.ended_at <= :then AND r.result IS NOT NULL"
                + " AND NOT EXISTS (SELECT 1 FROM run e JOIN run_result x ON x.run_id = e.id"
                + " WHERE e.kind = 'ERASE_COPY' AND e.job_id = d.job_id AND e.part_key = d.part_key"
                + " AND e.asked_at > d.asked_at AND x.ended = 'COMPLETE' AND x.result IS NOT NULL)"
                + " GROUP BY d.job_id, d.part_key, j.ended_at ORDER BY j.ended_at LIMIT :most")
        .param("kinds", kinds(RunKind::makesCopies))
        .param("then", Timestamp.from(then))
        .param("most", most)
        .query((rs, n) -> new LeftCopy(rs.getLong(1), rs.getString(2)))
        .list();
  }
}

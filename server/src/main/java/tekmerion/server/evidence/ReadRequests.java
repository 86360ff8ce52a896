package tekmerion.server.evidence;

import static tekmerion.words.Words.say;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.link.ToProbe;

/** Readings that were asked for and have not come yet, or were refused. */
@Service
public class ReadRequests {
  private static final int MAX_WHY = 1_000;

  private final JdbcClient jdbc;
  private final Clock clock;

  /**
   * @param refusedWhy null unless the probe could not carry it out
   */
  public record Request(UUID id, long jobId, String partKey, Instant askedAt, String refusedWhy) {}

  ReadRequests(JdbcClient jdbc, Clock clock) {
    this.jdbc = jdbc;
    this.clock = clock;
  }

  @Transactional
  public UUID ask(long jobId, UUID probeId, String partKey, long askedBy) {
    UUID id = UUID.randomUUID();
    jdbc.sql(
            "INSERT INTO read_request (id, job_id, probe_id, part_key, asked_by, asked_at)"
                + " VALUES (?, ?, ?, ?, ?, ?)")
        .params(
            id.toString(),
            jobId,
            probeId.toString(),
            partKey,
            askedBy,
            Timestamp.from(clock.instant()))
        .update();
    return id;
  }

  /** What a probe has still to do, oldest first. */
  @Transactional(readOnly = true)
  public List<ToProbe> openOf(UUID probeId) {
    return jdbc.sql(
            "SELECT id, part_key FROM read_request WHERE probe_id = ? AND ended_at IS NULL"
                + " ORDER BY asked_at")
        .params(probeId.toString())
        .query(
            (rs, n) ->
                (ToProbe)
                    new ToProbe.ReadPart(
                        UUID.fromString(rs.getString("id")), rs.getString("part_key")))
        .list();
  }

  /** Open requests of a job, and refused ones that no later one has replaced. */
  @Transactional(readOnly = true)
  public List<Request> pending(long jobId) {
    return jdbc.sql(
            "SELECT r.id, r.job_id, r.part_key, r.asked_at, r.refused_why FROM read_request r"
                + " WHERE r.job_id = ? AND (r.ended_at IS NULL OR r.refused_why IS NOT NULL)"
                + " AND NOT EXISTS (SELECT 1 FROM read_request later WHERE later.job_id = r.job_id"
                + " AND later.part_key = r.part_key AND later.asked_at > r.asked_at)"
                + " ORDER BY r.asked_at")
        .params(jobId)
        .query(
            (rs, n) ->
                new Request(
                    UUID.fromString(rs.getString("id")),
                    rs.getLong("job_id"),
                    rs.getString("part_key"),
                    rs.getTimestamp("asked_at").toInstant(),
                    rs.getString("refused_why")))
        .list();
  }

  /** A request and the probe that it was put to. */
  public record Asked(long jobId, UUID probeId) {}

  @Transactional(readOnly = true)
  public Optional<Asked> asked(UUID requestId) {
    return jdbc.sql("SELECT job_id, probe_id FROM read_request WHERE id = ?")
        .params(requestId.toString())
        .query((rs, n) -> new Asked(rs.getLong(1), UUID.fromString(rs.getString(2))))
        .optional();
  }

  /** Number of the job that a request to this probe belongs to. */
  @Transactional(readOnly = true)
  public Optional<String> jobOf(UUID requestId, UUID probeId) {
    return jdbc.sql(
            "SELECT j.number FROM read_request r JOIN job j ON j.id = r.job_id WHERE r.id = ?"
                + " AND r.probe_id = ?")
        .params(requestId.toString(), probeId.toString())
        .query(String.class)
        .optional();
  }

  @Transactional
  public void end(UUID requestId, String refusedWhy) {
    String why =
        refusedWhy == null || refusedWhy.length() <= MAX_WHY
            ? refusedWhy
            : refusedWhy.substring(0, MAX_WHY - 1) + "…";
    jdbc.sql("UPDATE read_request SET ended_at = ?, refused_why = ? WHERE id = ?")
        .params(Timestamp.from(clock.instant()), why, requestId.toString())
        .update();
  }

  /** Gives up what a probe that is gone for good will never do. */
  @Transactional
  public void giveUp(UUID probeId) {
    jdbc.sql(
            "UPDATE read_request SET ended_at = ?, refused_why = ?"
                + " WHERE probe_id = ? AND ended_at IS NULL")
        .params(
            Timestamp.from(clock.instant()),
            say("evidence.the-probe-was-revoked"),
            probeId.toString())
        .update();
  }
}

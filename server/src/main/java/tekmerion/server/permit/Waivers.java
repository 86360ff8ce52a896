package tekmerion.server.permit;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.permit.Holding;
import tekmerion.core.permit.PartIdentity;
import tekmerion.core.permit.Waiver;
import tekmerion.core.permit.WaiverScope;
import tools.jackson.databind.json.JsonMapper;

/** What owners signed about the data on their drives, and what became of it; never changed. */
@Service
public class Waivers {
  private static final String SELECT =
      "SELECT w.*, r.display_name AS recorder, c.display_name AS confirmer, v.made_at AS revoked_at"
          + " FROM data_waiver w JOIN account r ON r.id = w.recorded_by"
          + " LEFT JOIN data_waiver_step s ON s.waiver_id = w.id AND s.step = 'CONFIRMED'"
          + " LEFT JOIN account c ON c.id = s.made_by"
          + " LEFT JOIN data_waiver_step v ON v.waiver_id = w.id AND v.step = 'REVOKED' ";

  private final JdbcClient jdbc;
  private final JsonMapper json;
  private final Clock clock;

  /**
   * As it is kept.
   *
   * @param onScreen whether the owner signed on the screen
   * @param confirmedBy second person who stands for it; null if nobody does
   * @param revokedAt null if it is not
   */
  public record Kept(
      long id,
      long jobId,
      Waiver waiver,
      String wording,
      String signer,
      boolean onScreen,
      long recordedById,
      String recordedBy,
      Instant recordedAt,
      String confirmedBy,
      Instant revokedAt) {
    /** By the owner's own hand, or by two people of the shop; and nobody took it back. */
    public boolean isInForce() {
      return revokedAt == null && (onScreen || confirmedBy != null);
    }
  }

  Waivers(JdbcClient jdbc, JsonMapper json, Clock clock) {
    this.jdbc = jdbc;
    this.json = json;
    this.clock = clock;
  }

  @Transactional(readOnly = true)
  public List<Kept> ofJob(long jobId) {
    return jdbc.sql(SELECT + "WHERE w.job_id = ? ORDER BY w.id")
        .param(jobId)
        .query(this::kept)
        .list();
  }

  /** Those in force for one drive. */
  List<Waiver> inForce(List<Kept> ofJob, PartIdentity drive) {
    return ofJob.stream()
        .filter(Kept::isInForce)
        .map(Kept::waiver)
        .filter(w -> w.drive().equals(drive))
        .toList();
  }

  @Transactional(readOnly = true)
  Optional<Kept> find(long id) {
    return jdbc.sql(SELECT + "WHERE w.id = ?").param(id).query(this::kept).optional();
  }

  /**
   * @param signature what the owner drew on the screen; null if somebody else wrote it down
   */
  @Transactional(propagation = Propagation.MANDATORY)
  public long keep(
      long jobId, Waiver waiver, String wording, String signer, String signature, long by) {
    GeneratedKeyHolder key = new GeneratedKeyHolder();
    jdbc.sql(
            "INSERT INTO data_waiver (job_id, drive_model, drive_serial, drive_bytes, scope, holdings,"
                + " wording, signer, signature, recorded_by, recorded_at)"
                + " VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)")
        .params(
            Arrays.asList(
                jobId,
                waiver.drive().model(),
                waiver.drive().serial(),
                waiver.drive().sizeBytes(),
                waiver.scope().name(),
                json.writeValueAsString(waiver.holdings()),
                wording,
                signer,
                signature,
                by,
                Timestamp.from(clock.instant())))
        .update(key, "id");
    return key.getKey().longValue();
  }

  /** What becomes of a waiver; each at most once. */
  enum Step {
    CONFIRMED,
    REVOKED
  }

  @Transactional(propagation = Propagation.MANDATORY)
  void step(long waiverId, Step step, long by) {
    jdbc.sql(
            "INSERT IGNORE INTO data_waiver_step (waiver_id, step, made_by, made_at) VALUES (?, ?, ?, ?)")
        .params(waiverId, step.name(), by, Timestamp.from(clock.instant()))
        .update();
  }

  private Kept kept(ResultSet rs, int n) throws SQLException {
    Timestamp revoked = rs.getTimestamp("revoked_at");
    return new Kept(
        rs.getLong("id"),
        rs.getLong("job_id"),
        new Waiver(
            new PartIdentity(
                rs.getString("drive_model"),
                rs.getString("drive_serial"),
                rs.getLong("drive_bytes")),
            WaiverScope.valueOf(rs.getString("scope")),
            List.of(json.readValue(rs.getString("holdings"), Holding[].class))),
        rs.getString("wording"),
        rs.getString("signer"),
        rs.getString("signature") != null,
        rs.getLong("recorded_by"),
        rs.getString("recorder"),
        rs.getTimestamp("recorded_at").toInstant(),
        rs.getString("confirmer"),
        revoked == null ? null : revoked.toInstant());
  }
}

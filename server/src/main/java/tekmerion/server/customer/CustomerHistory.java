package tekmerion.server.customer;

import io.swagger.v3.oas.annotations.media.Schema;
import java.math.BigDecimal;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tekmerion.server.job.Job.EndedHow;

/** Reads what a customer brought, and what they signed or agreed to. Newest first. */
@Component
class CustomerHistory {
  private static final int MAX = 500;
  private final JdbcClient jdbc;

  /**
   * A visit of one machine.
   *
   * @param found what the last diagnosis said
   * @param decided the plan that was signed; null if none was
   * @param endedAt null while it is in the shop, as {@code endedHow}
   * @param paid what was paid at the hand-back, in {@code currency}; null if nothing was noted
   */
  record CustomerJob(
      String number,
      String machine,
      @Schema(nullable = true) String machineSerial,
      String complaint,
      String found,
      @Schema(nullable = true) String decided,
      Instant takenInAt,
      @Schema(nullable = true) Instant endedAt,
      @Schema(nullable = true) EndedHow endedHow,
      @Schema(nullable = true) BigDecimal paid,
      @Schema(nullable = true) String currency) {}

  /** What an agreement is about. */
  enum AgreedWhat {
    ESTIMATE_SIGNED,
    ESTIMATE_BY_PHONE,
    ESTIMATE_REFUSED,
    /** What may become of the data. */
    DATA,
    /** That the data of one drive may be lost. */
    DRIVE_SIGNED_AWAY,
    /** That it is handed back without proof. */
    NO_PROOF,
    TAKEN_BACK
  }

  /**
   * @param words the wording that was signed; of an estimate, the plan
   * @param upTo what was agreed to at most, in {@code currency}; null if it is not about money
   * @param fromElsewhere it came with an archive, and binds nobody
   * @param revoked it was taken back later
   */
  record Agreed(
      String job,
      AgreedWhat what,
      String words,
      String signer,
      Instant at,
      @Schema(nullable = true) BigDecimal upTo,
      @Schema(nullable = true) String currency,
      boolean fromElsewhere,
      boolean revoked) {}

  CustomerHistory(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  List<CustomerJob> jobs(long customerId) {
    return jdbc.sql(
            """
            SELECT j.number, CONCAT(m.maker, ' ', m.model), m.serial, j.complaint, j.headline,
              (SELECT JSON_VALUE(d.plan, '$.words') FROM decision d
                WHERE d.job_id = j.id ORDER BY d.id DESC LIMIT 1),
              j.taken_in_at, j.ended_at, j.ended_how, h.paid, h.currency
            FROM job j JOIN machine m ON m.id = j.machine_id LEFT JOIN hand_back h ON h.job_id = j.id
            WHERE j.customer_id = ? ORDER BY j.taken_in_at DESC, j.id DESC LIMIT ?""")
        .params(customerId, MAX)
        .query(CustomerHistory::job)
        .list();
  }

  private static CustomerJob job(ResultSet rs, int n) throws SQLException {
    Timestamp endedAt = rs.getTimestamp(8);
    String how = rs.getString(9);
    return new CustomerJob(
        rs.getString(1),
        rs.getString(2),
        rs.getString(3),
        rs.getString(4),
        rs.getString(5),
        rs.getString(6),
        rs.getTimestamp(7).toInstant(),
        endedAt == null ? null : endedAt.toInstant(),
        how == null ? null : EndedHow.valueOf(how),
        rs.getBigDecimal(10),
        rs.getString(11));
  }

  List<Agreed> agreed(long customerId) {
    return jdbc.sql(
            """
            SELECT j.number, a.* FROM (
              SELECT p.job_id, CASE p.how WHEN 'SIGNED' THEN 'ESTIMATE_SIGNED'
                  WHEN 'PHONE' THEN 'ESTIMATE_BY_PHONE' ELSE 'ESTIMATE_REFUSED' END what,
                e.words, p.signer, p.made_at at, p.up_to, e.currency, p.from_elsewhere, FALSE revoked
              FROM approval p JOIN estimate e ON e.id = p.estimate_id
              UNION ALL
              SELECT job_id, 'DATA', wording, signer, set_at, NULL, NULL, from_elsewhere, FALSE
              FROM data_status_entry WHERE signer IS NOT NULL
              UNION ALL
              SELECT w.job_id, 'DRIVE_SIGNED_AWAY', w.wording, w.signer, w.recorded_at, NULL, NULL,
                FALSE, EXISTS (SELECT 1 FROM data_waiver_step s
                  WHERE s.waiver_id = w.id AND s.step = 'REVOKED')
              FROM data_waiver w
              UNION ALL
              SELECT job_id, 'NO_PROOF', wording, signer, set_at, NULL, NULL, FALSE, FALSE
              FROM proof_waiver
              UNION ALL
              SELECT job_id, 'TAKEN_BACK', wording, taken_by, made_at, NULL, NULL, FALSE, FALSE
              FROM hand_back) a
            JOIN job j ON j.id = a.job_id WHERE j.customer_id = ? ORDER BY a.at DESC LIMIT ?""")
        .params(customerId, MAX)
        .query(
            (rs, n) ->
                new Agreed(
                    rs.getString("number"),
                    AgreedWhat.valueOf(rs.getString("what")),
                    rs.getString("words"),
                    rs.getString("signer"),
                    rs.getTimestamp("at").toInstant(),
                    rs.getBigDecimal("up_to"),
                    rs.getString("currency"),
                    rs.getBoolean("from_elsewhere"),
                    rs.getBoolean("revoked")))
        .list();
  }
}

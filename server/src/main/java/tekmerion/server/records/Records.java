package tekmerion.server.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.knowhow.Cause;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.learn.Reliability;
import tekmerion.core.learn.Reliability.Stated;
import tekmerion.core.proof.ComesBack;
import tekmerion.server.TekmerionProperties;
import tekmerion.server.knowhow.ShopKnowHow;
import tekmerion.server.records.RecordsView.BinView;
import tekmerion.server.records.RecordsView.ReliabilityView;
import tekmerion.server.records.RecordsView.Row;

/** Looks back at ended jobs. */
@Service
class Records {
  /** More rows than these nobody reads; the counts are of all. */
  static final int MAX = 2000;

  private static final String ENDED_BETWEEN =
      " FROM job j WHERE j.ended_at >= ? AND j.ended_at < ? AND j.imported_at IS NULL";

  private final JdbcClient jdbc;
  private final ShopKnowHow knowHow;
  private final ZoneId zone;
  private final Clock clock;

  Records(JdbcClient jdbc, ShopKnowHow knowHow, TekmerionProperties properties, Clock clock) {
    this.jdbc = jdbc;
    this.knowHow = knowHow;
    this.zone = properties.shop().zone();
    this.clock = clock;
  }

  /**
   * @param from first day, in the shop's zone
   * @param to last day
   */
  @Transactional(readOnly = true)
  RecordsView between(LocalDate from, LocalDate to) {
    Timestamp begins = Timestamp.from(from.atStartOfDay(zone).toInstant());
    Timestamp ends = Timestamp.from(to.plusDays(1).atStartOfDay(zone).toInstant());
    KnowHow now = knowHow.now();
    List<Row> rows =
        jdbc.sql(
                "SELECT j.number, m.maker, m.model, c.id, c.display_name, j.taken_in_at,"
                    + " j.ended_at, j.ended_how, j.decided_cause, JSON_VALUE(d.plan, '$.words'),"
                    + " JSON_VALUE(d.plan, '$.gone'), a.display_name,"
                    + " (SELECT MIN(l.taken_in_at) FROM job l JOIN job_family f ON f.job_id = l.id"
                    + " JOIN job_family g ON g.family_id = f.family_id AND g.job_id = j.id"
                    + " WHERE l.machine_id = j.machine_id AND l.taken_in_at > j.ended_at),"
                    + " (SELECT SUM(TIMESTAMPDIFF(SECOND, h.opened_at, h.closed_at)) / 60"
                    + " FROM job_change h WHERE h.job_id = j.id),"
                    + " (SELECT COUNT(*) FROM job_move v WHERE v.job_id = j.id),"
                    + " (SELECT COUNT(*) FROM job_move v WHERE v.job_id = j.id"
                    + " AND v.outcome <> 'DONE')"
                    + " FROM (SELECT j.*"
                    + ENDED_BETWEEN
                    + " ORDER BY j.ended_at DESC LIMIT ?) j"
                    + " JOIN machine m ON m.id = j.machine_id"
                    + " JOIN customer c ON c.id = j.customer_id"
                    + " LEFT JOIN decision d ON d.id = (SELECT MAX(id) FROM decision"
                    + " WHERE job_id = j.id AND NOT from_elsewhere)"
                    + " LEFT JOIN account a ON a.id = d.signed_by ORDER BY j.ended_at DESC")
            .params(begins, ends, MAX)
            .query((rs, n) -> row(rs, now))
            .list();
    long all =
        jdbc.sql("SELECT COUNT(*)" + ENDED_BETWEEN).params(begins, ends).query(Long.class).single();
    return new RecordsView(rows, all, reliability(rows));
  }

  private Row row(ResultSet rs, KnowHow now) throws SQLException {
    Instant endedAt = rs.getTimestamp(7).toInstant();
    String cause = rs.getString(9);
    double stated = rs.getDouble(11);
    Double said = rs.wasNull() ? null : stated;
    Optional<Instant> back = Optional.ofNullable(rs.getTimestamp(13)).map(Timestamp::toInstant);
    return new Row(
        rs.getString(1),
        rs.getString(2) + " " + rs.getString(3),
        rs.getString(2),
        rs.getLong(4),
        rs.getString(5),
        rs.getTimestamp(6).toInstant(),
        endedAt,
        rs.getString(8),
        cause == null ? null : now.cause(cause).map(Cause::name).orElse(cause),
        rs.getString(10),
        said,
        ComesBack.held(endedAt, back, clock.instant()).orElse(null),
        rs.getString(12),
        rs.getDouble(14),
        rs.getInt(15),
        rs.getInt(16));
  }

  private static ReliabilityView reliability(List<Row> rows) {
    List<Stated> told =
        rows.stream()
            .filter(row -> row.stated() != null && row.held() != null)
            .map(row -> new Stated(row.stated(), row.held()))
            .toList();
    Reliability all = Reliability.of(told);
    return new ReliabilityView(
        all.bins().stream()
            .map(b -> new BinView(b.said(), b.held(), b.low(), b.high(), b.jobs()))
            .toList(),
        all.brier(),
        told.size());
  }
}

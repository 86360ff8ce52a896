package tekmerion.server.knowhow;

import io.swagger.v3.oas.annotations.media.Schema;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.server.account.Person;

/** What the shop took over from its own jobs. */
@Component
class OwnLikelihoods {
  private final JdbcClient jdbc;
  private final Clock clock;
  private final Instant startedAt;

  /**
   * @param link by level
   * @param jobs that it rests on
   * @param inForce whether this server weighs by it; if not, it will from its next start
   */
  @Schema(name = "OwnLikelihood")
  record Decided(
      String sign,
      String cause,
      List<Double> link,
      int jobs,
      String reason,
      String by,
      Instant at,
      boolean inForce) {}

  OwnLikelihoods(JdbcClient jdbc, Clock clock) {
    this.jdbc = jdbc;
    this.clock = clock;
    startedAt = clock.instant();
  }

  /** Oldest first, as they replace each other. */
  List<KnowHow.Own> all() {
    return decided().stream()
        .map(
            d ->
                new KnowHow.Own(
                    d.sign(),
                    d.cause(),
                    d.link(),
                    "%d jobs of this shop, taken over by %s: %s"
                        .formatted(d.jobs(), d.by(), d.reason())))
        .toList();
  }

  List<Decided> decided() {
    return jdbc.sql(
            "SELECT l.sign_id, l.cause_id, l.link, l.jobs, l.reason, a.display_name, l.decided_at"
                + " FROM own_likelihood l JOIN account a ON a.id = l.decided_by ORDER BY l.id")
        .query(
            (rs, n) -> {
              Instant at = rs.getTimestamp(7).toInstant();
              return new Decided(
                  rs.getString(1),
                  rs.getString(2),
                  Arrays.stream(rs.getString(3).split(" ")).map(Double::valueOf).toList(),
                  rs.getInt(4),
                  rs.getString(5),
                  rs.getString(6),
                  at,
                  at.isBefore(startedAt));
            })
        .list();
  }

  void keep(String sign, String cause, List<Double> link, int jobs, String reason, Person by) {
    jdbc.sql(
            "INSERT INTO own_likelihood (sign_id, cause_id, link, jobs, reason, decided_by,"
                + " decided_at) VALUES (?, ?, ?, ?, ?, ?, ?)")
        .params(
            sign,
            cause,
            link.stream().map(String::valueOf).collect(Collectors.joining(" ")),
            jobs,
            reason,
            by.id(),
            Timestamp.from(clock.instant()))
        .update();
  }
}

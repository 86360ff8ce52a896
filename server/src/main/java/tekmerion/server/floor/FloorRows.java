package tekmerion.server.floor;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import tekmerion.server.floor.FloorController.Span;
import tekmerion.server.floor.FloorController.SpanKind;
import tekmerion.server.person.Person;

/** What the floor reads of all jobs that are in the shop: one statement for each question. */
@Service
class FloorRows {
  private final JdbcClient jdbc;

  FloorRows(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  private record Stretch(long job, Span span) {}

  /** The jobs that are shared with somebody. */
  Set<Long> sharedWith(Person person) {
    return new HashSet<>(
        jdbc.sql("SELECT job_id FROM job_share WHERE account_id = ?")
            .param(person.id())
            .query(Long.class)
            .list());
  }

  /** By job, what was tested, done by hand and waited for, in the order of time. */
  Map<Long, List<Span>> stretches() {
    return jdbc
        .sql(
            "SELECT r.job_id, 'TEST', r.asked_at, r.ended_at FROM read_request r"
                + " JOIN job j ON j.id = r.job_id WHERE j.ended_at IS NULL"
                + " UNION ALL SELECT d.job_id, 'TEST', d.asked_at,"
                + " IF(d.state = 'PAUSED', COALESCE(d.told_at, d.asked_at), e.ended_at)"
                + " FROM run d LEFT JOIN run_result e ON e.run_id = d.id"
                + " JOIN job j ON j.id = d.job_id WHERE j.ended_at IS NULL"
                + " UNION ALL SELECT c.job_id, 'HANDS', c.opened_at, c.closed_at FROM job_change c"
                + " JOIN job j ON j.id = c.job_id WHERE j.ended_at IS NULL"
                + " UNION ALL SELECT w.job_id, 'WAITS_OUTSIDE', w.since, w.until_at FROM job_wait w"
                + " JOIN job j ON j.id = w.job_id WHERE j.ended_at IS NULL"
                + " UNION ALL SELECT id, 'WAITS_OUTSIDE', waits_since, NULL FROM job"
                + " WHERE ended_at IS NULL AND waits_for IS NOT NULL"
                + " ORDER BY 3")
        .query(
            (rs, n) ->
                new Stretch(
                    rs.getLong(1),
                    new Span(
                        SpanKind.valueOf(rs.getString(2)),
                        rs.getTimestamp(3).toInstant(),
                        rs.getTimestamp(4) == null ? null : rs.getTimestamp(4).toInstant())))
        .list()
        .stream()
        .collect(
            Collectors.groupingBy(
                Stretch::job, Collectors.mapping(Stretch::span, Collectors.toList())));
  }

  /** By job, the families of its complaint, in their order. */
  Map<Long, List<String>> families() {
    record OfJob(long job, String family) {}
    return jdbc
        .sql(
            "SELECT f.job_id, f.family_id FROM job_family f JOIN job j ON j.id = f.job_id"
                + " WHERE j.ended_at IS NULL ORDER BY f.job_id, f.position")
        .query((rs, n) -> new OfJob(rs.getLong(1), rs.getString(2)))
        .list()
        .stream()
        .collect(
            Collectors.groupingBy(
                OfJob::job, Collectors.mapping(OfJob::family, Collectors.toList())));
  }
}

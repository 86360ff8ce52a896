package tekmerion.server.isolate;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import tekmerion.core.isolate.StartOutcome;
import tekmerion.server.isolate.Layout.Thing;
import tekmerion.server.person.Person;
import tools.jackson.databind.json.JsonMapper;

/**
 * The rows of isolations. Only ever added to: what was said last of a sort stands, and starts made
 * under what was said before count no more.
 */
@Service
class Starts {
  private final JdbcClient jdbc;
  private final JsonMapper json;
  private final Clock clock;

  /** What somebody said there is. */
  record Setup(long id, Sort sort, Layout layout) {}

  Starts(JdbcClient jdbc, JsonMapper json, Clock clock) {
    this.jdbc = jdbc;
    this.json = json;
    this.clock = clock;
  }

  Optional<Setup> setup(long jobId, Sort sort) {
    return jdbc.sql(
            "SELECT id, things FROM isolation_setup WHERE job_id = ? AND sort = ? ORDER BY id DESC"
                + " LIMIT 1")
        .params(jobId, sort.name())
        .query(
            (rs, n) ->
                new Setup(
                    rs.getLong(1),
                    sort,
                    sort.layout(Arrays.asList(json.readValue(rs.getString(2), Thing[].class)))))
        .optional();
  }

  void setUp(long jobId, Sort sort, List<Thing> things, Person by) {
    jdbc.sql(
            "INSERT INTO isolation_setup (job_id, sort, things, set_by, set_at)"
                + " VALUES (?, ?, ?, ?, ?)")
        .params(
            jobId,
            sort.name(),
            json.writeValueAsString(things),
            by.id(),
            Timestamp.from(clock.instant()))
        .update();
  }

  /** Those that stand, in the order in which they were made. */
  List<Start> of(Setup setup) {
    record Row(Start start, Long takesBack) {}
    List<Row> rows =
        jdbc.sql(
                "SELECT s.id, s.arrangement, s.outcome, s.note, a.display_name, s.made_at,"
                    + " s.takes_back FROM isolation_start s JOIN account a ON a.id = s.made_by"
                    + " WHERE s.setup_id = ? ORDER BY s.id")
            .param(setup.id())
            .query(
                (rs, n) ->
                    new Row(
                        new Start(
                            rs.getLong(1),
                            numbers(rs.getString(2)),
                            StartOutcome.valueOf(rs.getString(3)),
                            rs.getString(4),
                            rs.getString(5),
                            rs.getTimestamp(6).toInstant()),
                        rs.getObject(7, Long.class)))
            .list();
    List<Long> back = rows.stream().map(Row::takesBack).filter(Objects::nonNull).toList();
    return rows.stream()
        .filter(row -> row.takesBack() == null && !back.contains(row.start().id()))
        .map(Row::start)
        .toList();
  }

  private static List<Integer> numbers(String joined) {
    return Stream.of(joined.split(",")).filter(n -> !n.isEmpty()).map(Integer::valueOf).toList();
  }

  /**
   * @param takesBack the start that counts no more by this row; null for a start that was made
   */
  void add(
      Setup setup,
      List<Integer> arrangement,
      StartOutcome outcome,
      String note,
      Long takesBack,
      Person by) {
    jdbc.sql(
            "INSERT INTO isolation_start (setup_id, arrangement, outcome, note, takes_back,"
                + " made_by, made_at) VALUES (?, ?, ?, ?, ?, ?, ?)")
        .params(
            setup.id(),
            arrangement.stream().map(String::valueOf).collect(Collectors.joining(",")),
            outcome.name(),
            note.strip(),
            takesBack,
            by.id(),
            Timestamp.from(clock.instant()))
        .update();
  }
}

package tekmerion.server.floor;

import static tekmerion.words.Words.say;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.AbstractMap.SimpleEntry;
import java.util.HashMap;
import java.util.Map;
import java.util.Map.Entry;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.RowMapper;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import tekmerion.core.replace.Supply.Happened;
import tekmerion.link.RunKind;
import tekmerion.server.job.Changes.ComplaintNow;
import tekmerion.server.run.RunWords;

/** What the work on jobs is at, in a few words; two statements for all of them. */
@Service
class WorkLines {
  static String begin() {
    return say("floor.decided-do-the-work");
  }

  private final JdbcClient jdbc;

  WorkLines(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** By job; one of which nothing is begun is not in it. */
  Map<Long, String> now() {
    Map<Long, String> lines = new HashMap<>(steps());
    lines.putAll(begunTests()); // what stands still half done goes before the step it is of
    return lines;
  }

  /** Runs that stand still until somebody goes on, and isolations between two starts. */
  private Map<Long, String> begunTests() {
    return byJob(
        "SELECT j.id, r.kind, r.share, s.starts FROM job j"
            + " LEFT JOIN run r ON r.id = (SELECT MAX(p.id) FROM run p"
            + " WHERE p.job_id = j.id AND p.state = 'PAUSED')"
            + " LEFT JOIN (SELECT u.job_id, COUNT(*) - 2 * COUNT(t.takes_back) starts"
            + " FROM isolation_start t JOIN isolation_setup u ON u.id = t.setup_id"
            + " JOIN job o ON o.id = u.job_id WHERE o.ended_at IS NULL"
            + " AND NOT EXISTS (SELECT 1 FROM isolation_setup v"
            + " WHERE v.job_id = u.job_id AND v.sort = u.sort AND v.id > u.id)"
            + " GROUP BY u.job_id) s ON s.job_id = j.id"
            + " WHERE j.ended_at IS NULL AND (r.id IS NOT NULL"
            + " OR j.stage = 'READ' AND s.starts > 0)",
        WorkLines::begun);
  }

  private Map<Long, String> byJob(String sql, RowMapper<Entry<Long, String>> row) {
    return jdbc.sql(sql).query(row).list().stream()
        .collect(Collectors.toMap(Entry::getKey, Entry::getValue));
  }

  private static Entry<Long, String> begun(ResultSet rs, int n) throws SQLException {
    String kind = rs.getString(2);
    if (kind == null) {
      int next = rs.getInt(4) + 1;
      return new SimpleEntry<>(
          rs.getLong(1), say("floor.go-on-with-the-isolation-start", "next", next));
    }
    double share = rs.getDouble(3);
    return new SimpleEntry<>(
        rs.getLong(1),
        say(
            "floor.go-on-with-the-run",
            "paused",
            RunWords.paused(RunKind.valueOf(kind), rs.wasNull() ? null : share)));
  }

  /** Of decided jobs. */
  private Map<Long, String> steps() {
    return byJob(
        "SELECT j.id, (SELECT c.result FROM job_change c WHERE c.job_id = j.id AND c.remedy IS"
            + " NOT NULL AND c.opened_at >= d.signed_at ORDER BY c.id DESC LIMIT 1),"
            + " s.happened, s.words FROM job j"
            + " JOIN decision d ON d.id = (SELECT MAX(id) FROM decision WHERE job_id = j.id)"
            + " LEFT JOIN part_supply s ON s.id ="
            + " (SELECT MAX(id) FROM part_supply WHERE job_id = j.id)"
            + " WHERE j.ended_at IS NULL AND j.stage = 'WORK'",
        WorkLines::row);
  }

  private static Entry<Long, String> row(ResultSet rs, int n) throws SQLException {
    return new SimpleEntry<>(
        rs.getLong(1), words(rs.getString(2), rs.getString(3), rs.getString(4)));
  }

  /**
   * @param result of the last step that was begun; null if none was
   * @param happened last to a part of the job; null if none is needed
   */
  private static String words(String result, String happened, String part) {
    if (ComplaintNow.GONE.name().equals(result)) {
      return say("floor.show-that-it-is-gone");
    }
    boolean isHere =
        Happened.CAME.name().equals(happened) || Happened.TAKEN_FROM_STOCK.name().equals(happened);
    if (isHere && result == null) {
      return say("floor.its-part-is-here-fit", "part", part);
    }
    return result == null ? begin() : say("floor.go-on-with-the-plan");
  }
}

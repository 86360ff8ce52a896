package tekmerion.server.floor;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.AbstractMap.SimpleEntry;
import java.util.Map;
import java.util.Map.Entry;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import tekmerion.core.replace.Supply.Happened;
import tekmerion.server.job.Changes.ComplaintNow;

/** What the work of decided jobs is at, in a few words; one statement for all of them. */
@Service
class WorkLines {
  static final String BEGIN = "Decided: do the work";

  private final JdbcClient jdbc;

  WorkLines(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** By job; one that stands elsewhere is not in it. */
  Map<Long, String> now() {
    return jdbc
        .sql(
            "SELECT j.id, (SELECT c.result FROM job_change c WHERE c.job_id = j.id AND c.remedy IS"
                + " NOT NULL AND c.opened_at >= d.signed_at ORDER BY c.id DESC LIMIT 1),"
                + " s.happened, s.words FROM job j"
                + " JOIN decision d ON d.id = (SELECT MAX(id) FROM decision WHERE job_id = j.id)"
                + " LEFT JOIN part_supply s ON s.id ="
                + " (SELECT MAX(id) FROM part_supply WHERE job_id = j.id)"
                + " WHERE j.ended_at IS NULL AND j.stage = 'WORK'")
        .query(WorkLines::row)
        .list()
        .stream()
        .collect(Collectors.toMap(Entry::getKey, Entry::getValue));
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
      return "Show that it is gone";
    }
    boolean isHere =
        Happened.CAME.name().equals(happened) || Happened.TAKEN_FROM_STOCK.name().equals(happened);
    if (isHere && result == null) {
      return "Its part is here: fit " + part;
    }
    return result == null ? BEGIN : "Go on with the plan";
  }
}

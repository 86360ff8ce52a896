package tekmerion.server.run;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.permit.PartIdentity;
import tekmerion.link.CopyOrder;
import tekmerion.link.DriveSeen;
import tekmerion.link.LinkEvent;
import tekmerion.link.RunKind;
import tekmerion.link.RunResult;
import tekmerion.words.Words;
import tools.jackson.databind.json.JsonMapper;

/**
 * How a stored run is read: the columns, and what is made of a row. Why it ended and what it waits
 * for are messages, and read here in the language that is spoken. Orders and results stay as they
 * were told: they hold names of files and folders, which are nobody's messages. Whoever puts a
 * result's words into a sentence reads them there.
 */
@Component
class RunRows {
  static final String SELECT =
      "SELECT d.*, r.started_at, r.ended_at, r.received_at, r.ended, r.why,"
          + " r.drive_model, r.drive_serial, r.drive_bytes,"
          + " COALESCE(r.result, d.result) AS found, j.data_status"
          + " FROM run d JOIN job j ON j.id = d.job_id LEFT JOIN run_result r ON r.run_id = d.id ";

  /** The same without the profiles, which the floor does not draw. */
  static final String SELECT_PLAIN =
      "SELECT d.*, NULL AS started_at, NULL AS ended_at, NULL AS received_at, NULL AS ended,"
          + " NULL AS why, NULL AS drive_model, NULL AS drive_serial, NULL AS drive_bytes,"
          + " NULL AS found, j.data_status"
          + " FROM run d JOIN job j ON j.id = d.job_id ";

  private final JsonMapper json;

  RunRows(JsonMapper json) {
    this.json = json;
  }

  Run of(ResultSet rs, int n) throws SQLException {
    String ended = rs.getString("ended");
    String order = rs.getString("copy_order");
    String named = rs.getString("named_drive");
    String found = rs.getString("found");
    return new Run(
        UUID.fromString(rs.getString("id")),
        rs.getLong("job_id"),
        rs.getObject("part_id", Long.class),
        UUID.fromString(rs.getString("probe_id")),
        rs.getString("part_key"),
        RunKind.valueOf(rs.getString("kind")),
        rs.getBoolean("gentle"),
        order == null ? null : json.readValue(order, CopyOrder.class),
        Optional.ofNullable(named).map(text -> json.readValue(text, DriveSeen.class).identity()),
        rs.getLong("asked_by"),
        DataStatus.valueOf(rs.getString("data_status")),
        Run.State.valueOf(rs.getString("state")),
        rs.getTimestamp("asked_at").toInstant(),
        instant(rs.getTimestamp("told_at")),
        rs.getObject("share", Double.class),
        rs.getObject("seconds_left", Double.class),
        rs.getObject("spread_s", Double.class),
        rs.getObject("at_byte", Long.class),
        found == null ? null : json.readValue(found, RunResult.class),
        Words.read(rs.getString("waits")),
        ended == null
            ? null
            : new Run.Ending(
                rs.getTimestamp("started_at").toInstant(),
                rs.getTimestamp("ended_at").toInstant(),
                LinkEvent.End.valueOf(ended),
                Words.read(rs.getString("why")),
                rs.getTimestamp("received_at").toInstant(),
                PartIdentity.of(
                    rs.getString("drive_model"),
                    rs.getString("drive_serial"),
                    rs.getLong("drive_bytes"))),
        instant(rs.getTimestamp("copy_missing_at")),
        instant(rs.getTimestamp("copy_found_at")),
        rs.getBoolean("from_elsewhere"));
  }

  private static Instant instant(Timestamp timestamp) {
    return timestamp == null ? null : timestamp.toInstant();
  }
}

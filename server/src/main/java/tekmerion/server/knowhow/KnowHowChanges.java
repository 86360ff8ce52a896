package tekmerion.server.knowhow;

import static tekmerion.words.Words.say;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tekmerion.core.knowhow.Edit;
import tekmerion.core.knowhow.Edit.EntryKind;
import tekmerion.server.person.Person;
import tekmerion.server.problem.Refusal;
import tools.jackson.databind.json.JsonMapper;

/** What the shop changed of its know-how; only added to. */
@Component
public class KnowHowChanges {
  private static final String SELECT =
      "SELECT c.id, c.subject, c.entry, c.version, c.body, c.reason, a.display_name, c.decided_at"
          + " FROM know_how_change c JOIN account a ON a.id = c.decided_by ";
  private final JdbcClient jdbc;
  private final JsonMapper json;
  private final Clock clock;

  /**
   * @param version of the entry; the first change is 1, what ships is 0
   */
  public record Kept(
      long id,
      EntryKind subject,
      String entry,
      int version,
      KnowHowChange change,
      String reason,
      String by,
      Instant at) {
    /** With its reason as the source of its numbers. */
    public Edit.Noted noted() {
      return new Edit.Noted(
          change.edit(),
          say(
              "knowhow.set-by-on",
              "by",
              by,
              "ofInstant",
              LocalDate.ofInstant(at, ZoneOffset.UTC),
              "reason",
              reason));
    }
  }

  KnowHowChanges(JdbcClient jdbc, JsonMapper json, Clock clock) {
    this.jdbc = jdbc;
    this.json = json;
    this.clock = clock;
  }

  /** In the order they were made. */
  public List<Kept> all() {
    return query(jdbc.sql(SELECT + "ORDER BY c.id"));
  }

  public List<Kept> of(EntryKind subject, String entry) {
    return query(
        jdbc.sql(SELECT + "WHERE c.subject = ? AND c.entry = ? ORDER BY c.id")
            .params(subject.name(), entry));
  }

  private List<Kept> query(JdbcClient.StatementSpec statement) {
    return statement
        .query(
            (rs, n) ->
                new Kept(
                    rs.getLong(1),
                    EntryKind.valueOf(rs.getString(2)),
                    rs.getString(3),
                    rs.getInt(4),
                    json.readValue(rs.getString(5), KnowHowChange.class),
                    rs.getString(6),
                    rs.getString(7),
                    rs.getTimestamp(8).toInstant()))
        .list();
  }

  /** How often each entry was changed. */
  public Map<EntryKind, Map<String, Integer>> versions() {
    Map<EntryKind, Map<String, Integer>> versions = new EnumMap<>(EntryKind.class);
    jdbc.sql("SELECT subject, entry, COUNT(*) FROM know_how_change GROUP BY subject, entry")
        .query(
            rs -> {
              versions
                  .computeIfAbsent(EntryKind.valueOf(rs.getString(1)), s -> new HashMap<>())
                  .put(rs.getString(2), rs.getInt(3));
            });
    return versions;
  }

  /** Id of the newest, 0 if there is none. */
  long newest() {
    return jdbc.sql("SELECT COALESCE(MAX(id), 0) FROM know_how_change").query(Long.class).single();
  }

  /**
   * @param before version that the person saw
   * @throws Refusal 409 if it has another by now
   */
  public void keep(KnowHowChange change, int before, String reason, Person by) {
    Edit edit = change.edit();
    try {
      if (of(edit.subject(), edit.id()).size() != before) {
        throw elsewhere();
      }
      jdbc.sql(
              "INSERT INTO know_how_change (subject, entry, version, body, reason, decided_by,"
                  + " decided_at) VALUES (?, ?, ?, ?, ?, ?, ?)")
          .params(
              edit.subject().name(),
              edit.id(),
              before + 1,
              json.writeValueAsString(change),
              reason,
              by.id(),
              Timestamp.from(clock.instant()))
          .update();
    } catch (DuplicateKeyException e) {
      throw elsewhere();
    }
  }

  private static Refusal elsewhere() {
    return Refusal.conflict(
        say("knowhow.somebody-changed-this-entry-since-you"),
        say("knowhow.open-it-again-and-look-at"));
  }
}

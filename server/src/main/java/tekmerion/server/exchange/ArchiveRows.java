package tekmerion.server.exchange;

import static tekmerion.words.Words.say;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Component;
import tekmerion.server.account.Secrets;
import tekmerion.server.job.JobNumbers;
import tekmerion.server.job.Jobs;
import tekmerion.server.problem.Refusal;

/**
 * Puts an archive's rows into the tables, each pointing to what the archive's rows became here.
 * What it says of people and probes makes new ones that can neither sign in nor connect.
 */
@Component
class ArchiveRows {
  private static final String ELSEWHERE = " (elsewhere)";

  /** A number that is much higher than ours is not taken: the next ones would follow it. */
  private static final long MAX_AHEAD = 1_000_000;

  private final JdbcClient jdbc;
  private final Columns columns;
  private final Jobs jobs;
  private final JobNumbers numbers;
  private final Clock clock;

  ArchiveRows(JdbcClient jdbc, Columns columns, Jobs jobs, JobNumbers numbers, Clock clock) {
    this.jdbc = jdbc;
    this.columns = columns;
    this.jobs = jobs;
    this.numbers = numbers;
    this.clock = clock;
  }

  /**
   * @param tables that were checked
   * @return the job's number here
   */
  String keep(Map<String, List<Map<String, Object>>> tables) {
    Keeping keeping = new Keeping();
    try {
      for (ArchiveTable table : ArchiveTable.ALL) {
        keeping.keep(table, tables.getOrDefault(table.name(), List.of()));
      }
    } catch (DataAccessException e) {
      throw ArchiveFiles.unfit(say("exchange.a-row-of-it-does-not"));
    } catch (IllegalArgumentException | ClassCastException | IndexOutOfBoundsException e) {
      throw ArchiveFiles.unfit(say("exchange.a-value-of-it-does-not"));
    }
    return keeping.number;
  }

  /** One archive on its way into the tables. */
  private final class Keeping {
    private final Map<String, List<Object>> ids = new HashMap<>();
    private final Map<String, Long> people = new HashMap<>();
    private String number;

    void keep(ArchiveTable table, List<Map<String, Object>> rows) {
      Map<String, Columns.Kind> kinds = columns.of(table.name());
      List<Object> here = new ArrayList<>();
      ids.put(table.name(), here);
      for (Map<String, Object> row : rows) {
        Map<String, Object> values = values(table, kinds, row);
        if (table.name().equals("job")) {
          number = freeNumber((String) values.get("number"));
          values.put("number", number);
        }
        if (kinds.containsKey("from_elsewhere")) {
          values.put("from_elsewhere", true);
        }
        here.add(ArchiveRows.this.keep(table, kinds, values));
      }
    }

    private Map<String, Object> values(
        ArchiveTable table, Map<String, Columns.Kind> kinds, Map<String, Object> row) {
      Map<String, Object> values = new LinkedHashMap<>();
      row.forEach(
          (column, value) -> {
            String into = table.pointsInto(column);
            if (into != null) {
              values.put(column, ids.get(into).get(((Number) value).intValue()));
            } else if (ArchiveTable.PEOPLE.contains(column)) {
              values.put(column, people.computeIfAbsent((String) value, ArchiveRows.this::person));
            } else {
              values.put(column, value(kinds.get(column), value));
            }
          });
      return values;
    }
  }

  private static Object value(Columns.Kind kind, Object value) {
    return switch (kind) {
      case TIME -> Timestamp.from(Instant.parse((String) value));
      case BYTES -> HexFormat.of().parseHex((String) value);
      case BOOLEAN -> (Boolean) value;
      case WHOLE -> ((Number) value).longValue();
      case DECIMAL -> ((Number) value).doubleValue();
      default -> (String) value;
    };
  }

  /**
   * Somebody who cannot sign in here, marked as being from elsewhere: never one of the shop's own
   * people, whoever bears the same name.
   */
  private long person(String name) {
    Timestamp now = Timestamp.from(clock.instant());
    String marked = name.endsWith(ELSEWHERE) ? name : name + ELSEWHERE;
    return inserted(
        "account",
        new LinkedHashMap<>(
            Map.of(
                "sign_in_name",
                "elsewhere-" + UUID.randomUUID(),
                "display_name",
                marked,
                "role",
                "TECHNICIAN",
                "password_hash",
                "{noop-never}" + UUID.randomUUID(),
                "created_at",
                now,
                "disabled_at",
                now)));
  }

  private String freeNumber(String wanted) {
    if (wanted == null || !wanted.matches("J-[1-9]\\d{0,8}")) {
      throw ArchiveFiles.unfit(say("exchange.it-has-no-number-of-a"));
    }
    long n = Long.parseLong(wanted.substring(2));
    long next = jdbc.sql("SELECT next FROM counter WHERE name = 'job'").query(Long.class).single();
    if (n > next + MAX_AHEAD || jobs.findByNumber(wanted).isPresent()) {
      return numbers.next();
    }
    // What is given out next must not be one that came from elsewhere.
    jdbc.sql("UPDATE counter SET next = GREATEST(next, ?) WHERE name = 'job'")
        .param(n + 1)
        .update();
    return wanted;
  }

  /** What is here already under another number is taken, so that its history goes on. */
  private Object keep(
      ArchiveTable table, Map<String, Columns.Kind> kinds, Map<String, Object> values) {
    Optional<Long> known = known(table.name(), values);
    if (known.isPresent()) {
      return known.get();
    }
    if (table.name().equals("probe")) {
      return probe(values);
    }
    if (kinds.get("id") == Columns.Kind.TEXT) {
      mustBeNew(table.name(), (String) values.get("id"));
    }
    if (kinds.get("id") == Columns.Kind.ID) {
      return inserted(table.name(), values);
    }
    insert(table.name(), values);
    return values.get("id");
  }

  private void mustBeNew(String table, String id) {
    boolean there =
        jdbc.sql("SELECT COUNT(*) FROM %s WHERE id = ?".formatted(table))
                .param(id)
                .query(Integer.class)
                .single()
            > 0;
    if (there) {
      throw Refusal.notPossibleNow(
          say("exchange.this-job-is-here-already-or"), say("exchange.look-for-it-by-a-serial"));
    }
  }

  private Optional<Long> known(String table, Map<String, Object> v) {
    return switch (table) {
      case "machine" ->
          bySerial(
              "SELECT MIN(id) FROM machine WHERE serial_plain = ? AND maker = ? AND model = ?",
              v.get("serial_plain"),
              v.get("maker"),
              v.get("model"));
      case "part" ->
          bySerial(
              "SELECT MIN(id) FROM part WHERE serial_plain = ? AND kind = ? AND model = ?",
              v.get("serial_plain"),
              v.get("kind"),
              v.get("model"));
      case "part_place" ->
          jdbc.sql(
                  "SELECT MIN(id) FROM part_place WHERE part_id = ? AND machine_id = ? AND since = ?")
              .params(v.get("part_id"), v.get("machine_id"), v.get("since"))
              .query(Long.class)
              .optional();
      case "customer" ->
          v.containsKey("phone") || v.containsKey("email")
              ? jdbc.sql(
                      "SELECT MIN(id) FROM customer WHERE display_name = ? AND phone <=> ? AND email"
                          + " <=> ? AND erased_at IS NULL")
                  .params(Arrays.asList(v.get("display_name"), v.get("phone"), v.get("email")))
                  .query(Long.class)
                  .optional()
              : Optional.empty();
      default -> Optional.empty();
    };
  }

  private Optional<Long> bySerial(String sql, Object serial, Object... more) {
    if (serial == null) {
      return Optional.empty();
    }
    List<Object> all = new ArrayList<>(List.of(serial));
    all.addAll(Arrays.asList(more));
    return jdbc.sql(sql).params(all).query(Long.class).optional();
  }

  /** One that can never connect, and never one of the shop's own, whatever it is called. */
  private Object probe(Map<String, Object> values) {
    String told = (String) values.get("id");
    boolean there =
        jdbc.sql("SELECT COUNT(*) FROM probe WHERE id = ?")
                .param(told)
                .query(Integer.class)
                .single()
            > 0;
    String id = there ? UUID.randomUUID().toString() : told;
    values.put("id", id);
    values.put("bay_id", jdbc.sql("SELECT MIN(id) FROM bay").query(Long.class).single());
    values.put("outbox_id", UUID.randomUUID().toString());
    values.put("token_hash", Secrets.hash(UUID.randomUUID().toString()));
    values.put("revoked_at", Timestamp.from(clock.instant()));
    values.put("online", false);
    values.put("received_through", 0);
    insert("probe", values);
    return id;
  }

  private long inserted(String table, Map<String, Object> values) {
    GeneratedKeyHolder key = new GeneratedKeyHolder();
    statement(table, values).update(key, "id");
    return key.getKey().longValue();
  }

  private void insert(String table, Map<String, Object> values) {
    statement(table, values).update();
  }

  /** Names of tables and columns are this installation's own, never the archive's. */
  private JdbcClient.StatementSpec statement(String table, Map<String, Object> values) {
    String names = String.join(", ", values.keySet());
    String marks = String.join(", ", Collections.nCopies(values.size(), "?"));
    return jdbc.sql("INSERT INTO %s (%s) VALUES (%s)".formatted(table, names, marks))
        .params(new ArrayList<>(values.values()));
  }
}

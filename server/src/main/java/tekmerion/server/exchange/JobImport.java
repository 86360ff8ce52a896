package tekmerion.server.exchange;

import jakarta.persistence.EntityManager;
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
import java.util.concurrent.Semaphore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import tekmerion.core.page.RawPage;
import tekmerion.server.account.Person;
import tekmerion.server.account.Secrets;
import tekmerion.server.audit.Audit;
import tekmerion.server.job.Job;
import tekmerion.server.job.JobNumbers;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.Tell;
import tekmerion.server.job.TraceEntry;
import tekmerion.server.photo.Photos;
import tekmerion.server.problem.Refusal;
import tekmerion.server.search.SearchIndex;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.json.JsonMapper;

/**
 * Takes a job in from its archive. All of it or nothing, and every value is checked before the
 * first is stored. What comes in is told and proves nothing here: its runs are ended and on no
 * probe of the shop's, its copies count for none, its signatures bind nobody, its people cannot
 * sign in.
 */
@Service
class JobImport {
  private static final Logger LOG = LoggerFactory.getLogger(JobImport.class);
  private static final int MAX_ROWS = 20_000;
  private static final int MAX_NAME = 120;
  private static final String ELSEWHERE = " (elsewhere)";

  /** A number that is much higher than ours is not taken: the next ones would follow it. */
  private static final long MAX_AHEAD = 1_000_000;

  /** One at a time: what an archive takes of memory is bounded, and so is what all take. */
  private final Semaphore turn = new Semaphore(1);

  private final JdbcClient jdbc;
  private final Columns columns;
  private final Jobs jobs;
  private final JobNumbers numbers;
  private final SearchIndex search;
  private final Photos photos;
  private final ArchiveRules rules;
  private final OwnMovesInArchive ownMoves;
  private final Audit audit;
  private final Tell tell;
  private final TransactionTemplate transaction;
  private final EntityManager entities;
  private final List<Shown> views;
  private final Clock clock;
  private final JsonMapper json =
      JsonMapper.builder(
              JsonFactory.builder()
                  .streamReadConstraints(
                      StreamReadConstraints.builder()
                          .maxNestingDepth(8)
                          .maxStringLength(ArchiveFiles.MAX_TABLES_BYTES)
                          .maxDocumentLength(ArchiveFiles.MAX_TABLES_BYTES)
                          .build())
                  .build())
          .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
          .build();

  JobImport(
      JdbcClient jdbc,
      Columns columns,
      Jobs jobs,
      JobNumbers numbers,
      SearchIndex search,
      Photos photos,
      ArchiveRules rules,
      OwnMovesInArchive ownMoves,
      Audit audit,
      Tell tell,
      TransactionTemplate transaction,
      EntityManager entities,
      List<Shown> views,
      Clock clock) {
    this.jdbc = jdbc;
    this.columns = columns;
    this.jobs = jobs;
    this.numbers = numbers;
    this.search = search;
    this.photos = photos;
    this.rules = rules;
    this.ownMoves = ownMoves;
    this.audit = audit;
    this.tell = tell;
    this.transaction = transaction;
    this.entities = entities;
    this.views = views;
    this.clock = clock;
  }

  /**
   * @param by who brings it
   * @return the job's number here: the one it had, unless another job has it
   * @throws Refusal 400 if it is no archive of ours, 409 if the job is here already, or another one
   *     is being read
   */
  public String read(byte[] zip, Person by) {
    if (!turn.tryAcquire()) {
      throw Refusal.notPossibleNow("Another archive is being read.", "Try again in a moment.");
    }
    try {
      Map<String, byte[]> files = ArchiveFiles.unpack(zip);
      JobArchive archive = parsed(files.get(JobArchive.JOB_FILE));
      check(archive);
      check(files);
      return transaction.execute(status -> keep(files, archive, by));
    } finally {
      turn.release();
    }
  }

  private String keep(Map<String, byte[]> files, JobArchive archive, Person by) {
    keepPages(files);
    keepPhotos(files);
    Keeping keeping = new Keeping();
    Map<String, List<Map<String, Object>>> tables = ownMoves.here(archive.tables());
    try {
      for (ArchiveTable table : ArchiveTable.ALL) {
        keeping.keep(table, tables.getOrDefault(table.name(), List.of()));
      }
    } catch (DataAccessException e) {
      throw ArchiveFiles.unfit("A row of it does not fit the others.");
    } catch (IllegalArgumentException | ClassCastException | IndexOutOfBoundsException e) {
      throw ArchiveFiles.unfit("A value of it does not fit.");
    }
    Job job = jobs.findByNumber(keeping.number).orElseThrow();
    jdbc.sql("UPDATE job SET imported_at = ? WHERE id = ?")
        .params(Timestamp.from(clock.instant()), job.id())
        .update();
    search.note(job);
    tell.trace(
        job,
        TraceEntry.Kind.INTAKE,
        "Brought in from an archive",
        "what was signed, copied and tested elsewhere is told here and counts for nothing",
        by);
    audit.of(Audit.Kind.JOB_IMPORTED, by, keeping.number, "");
    mustBeShown(keeping.number);
    return keeping.number;
  }

  private void mustBeShown(String number) {
    entities.flush();
    entities.clear();
    for (Shown view : views) {
      try {
        view.mustShow(number);
      } catch (RuntimeException e) {
        LOG.info("an archive was refused: {} cannot show it", view.getClass().getSimpleName(), e);
        throw ArchiveFiles.unfit("It does not hold together.");
      }
    }
  }

  private JobArchive parsed(byte[] bytes) {
    JobArchive archive;
    try {
      archive = json.readValue(bytes, JobArchive.class);
    } catch (JacksonException e) {
      throw ArchiveFiles.unfit("Its %s cannot be read.".formatted(JobArchive.JOB_FILE));
    }
    if (archive == null
        || !JobArchive.FORMAT.equals(archive.format())
        || archive.version() != JobArchive.VERSION
        || archive.tables() == null) {
      throw ArchiveFiles.unfit("It is of another format, or of a newer version.");
    }
    return archive;
  }

  /** Every table, row and value, before the first is stored. */
  private void check(JobArchive archive) {
    long rows = 0;
    for (Map.Entry<String, List<Map<String, Object>>> entry : archive.tables().entrySet()) {
      ArchiveTable table =
          ArchiveTable.ALL.stream()
              .filter(t -> t.name().equals(entry.getKey()))
              .findFirst()
              .orElseThrow(() -> ArchiveFiles.unfit("It has a table that is not known here."));
      if (entry.getValue() == null) {
        throw ArchiveFiles.unfit("The table %s is missing.".formatted(table.name()));
      }
      rows += entry.getValue().size();
      if (table.name().equals(OwnMovesInArchive.DEFINED)
          && entry.getValue().size() > OwnMovesInArchive.MAX) {
        throw ArchiveFiles.unfit("It holds more moves of a shop's own than any job does.");
      }
      if (rows > MAX_ROWS) {
        throw ArchiveFiles.unfit("It holds more than any job does.");
      }
      Map<String, Columns.Kind> kinds = columns.of(table.name());
      entry.getValue().forEach(row -> check(table, kinds, row, archive));
    }
    for (String one : List.of("job", "machine", "customer")) {
      if (archive.tables().getOrDefault(one, List.of()).size() != 1) {
        throw ArchiveFiles.unfit("There is not just one %s in it.".formatted(one));
      }
    }
  }

  private void check(
      ArchiveTable table,
      Map<String, Columns.Kind> kinds,
      Map<String, Object> row,
      JobArchive archive) {
    if (row == null) {
      throw ArchiveFiles.unfit("A row of %s is missing.".formatted(table.name()));
    }
    Instant now = clock.instant();
    row.forEach(
        (column, value) -> {
          Columns.Kind kind = kinds.get(column);
          String name = table.name() + "." + column;
          if (kind == null || kind == Columns.Kind.ID || table.left().contains(column)) {
            throw ArchiveFiles.unfit("It has a column that is not known here.");
          }
          String into = table.pointsInto(column);
          boolean fits =
              into != null
                  ? value instanceof Integer at
                      && at >= 0
                      && at < archive.tables().getOrDefault(into, List.of()).size()
                  : ArchiveTable.PEOPLE.contains(column)
                      ? value instanceof String person && person.length() <= MAX_NAME
                      : column.equals("id")
                          ? value instanceof String id && isUuid(id)
                          : rules.allows(name, kind, value, now);
          if (!fits) {
            throw ArchiveFiles.unfit("A value of %s does not fit.".formatted(name));
          }
        });
    if (!rules.allows(table.name(), row)) {
      throw ArchiveFiles.unfit("A row of %s does not fit.".formatted(table.name()));
    }
  }

  private static boolean isUuid(String text) {
    try {
      return UUID.fromString(text).toString().equals(text);
    } catch (IllegalArgumentException e) {
      return false;
    }
  }

  private void check(Map<String, byte[]> files) {
    files.forEach(
        (name, bytes) -> {
          int slash = name.indexOf('/');
          if (slash > 0) {
            checked(name.substring(slash + 1), bytes);
          }
        });
  }

  private void keepPages(Map<String, byte[]> files) {
    files.forEach(
        (name, bytes) -> {
          if (name.startsWith(JobArchive.PAGES)) {
            byte[] hash = checked(name.substring(JobArchive.PAGES.length()), bytes);
            jdbc.sql("INSERT IGNORE INTO raw_page (sha256, bytes) VALUES (?, ?)")
                .params(hash, bytes)
                .update();
          }
        });
  }

  private void keepPhotos(Map<String, byte[]> files) {
    files.forEach(
        (name, bytes) -> {
          if (name.startsWith(JobArchive.PHOTOS)) {
            photos.keep(checked(name.substring(JobArchive.PHOTOS.length()), bytes), bytes);
          }
        });
  }

  /** Its hash, if it is the one that its name says. */
  private static byte[] checked(String sha, byte[] bytes) {
    byte[] hash = new RawPage(bytes).sha256();
    if (!HexFormat.of().formatHex(hash).equals(sha)) {
      throw ArchiveFiles.unfit("A file of it is not what its name says: " + sha);
    }
    return hash;
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
        here.add(JobImport.this.keep(table, kinds, values));
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
              values.put(column, people.computeIfAbsent((String) value, JobImport.this::person));
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
      throw ArchiveFiles.unfit("It has no number of a job.");
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
          "This job is here already, or a part of it is.", "Look for it by a serial.");
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

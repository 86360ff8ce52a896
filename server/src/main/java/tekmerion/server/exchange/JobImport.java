package tekmerion.server.exchange;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.time.format.DateTimeParseException;
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
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.page.RawPage;
import tekmerion.server.account.Secrets;
import tekmerion.server.job.Job;
import tekmerion.server.job.JobNumbers;
import tekmerion.server.job.Jobs;
import tekmerion.server.photo.Photos;
import tekmerion.server.problem.Refusal;
import tekmerion.server.search.SearchIndex;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * Takes a job in from its archive. All of it or nothing; what comes in is believed only as far as
 * it fits: tables and columns that are known here, pages whose content is what their name says.
 */
@Service
class JobImport {
  private static final int MOST_ENTRIES = 5_000;
  private static final long MOST_BYTES = 256L << 20;
  private static final int MOST_ROWS = 100_000;
  private static final String WHAT_TO_DO = "Export it again where it comes from.";

  private final JdbcClient jdbc;
  private final Columns columns;
  private final Jobs jobs;
  private final JobNumbers numbers;
  private final SearchIndex search;
  private final Photos photos;
  private final Clock clock;
  private final JsonMapper json = JsonMapper.builder().build();

  JobImport(
      JdbcClient jdbc,
      Columns columns,
      Jobs jobs,
      JobNumbers numbers,
      SearchIndex search,
      Photos photos,
      Clock clock) {
    this.jdbc = jdbc;
    this.columns = columns;
    this.jobs = jobs;
    this.numbers = numbers;
    this.search = search;
    this.photos = photos;
    this.clock = clock;
  }

  /**
   * @return the job's number here: the one it had, unless another job has it
   * @throws Refusal 400 if it is no archive of ours, 409 if the job is here already
   */
  @Transactional
  public String read(byte[] zip) {
    Map<String, byte[]> files = unpacked(zip);
    JobArchive archive = parsed(files.get(JobArchive.JOB_FILE));
    keepPages(files);
    keepPhotos(files);
    Map<String, List<Object>> ids = new HashMap<>();
    String number = null;
    try {
      for (ArchiveTable table : ArchiveTable.ALL) {
        Map<String, Columns.Kind> kinds = columns.of(table.name());
        List<Object> here = new ArrayList<>();
        ids.put(table.name(), here);
        for (Map<String, Object> row : archive.tables().getOrDefault(table.name(), List.of())) {
          Map<String, Object> values = values(table, kinds, row, ids);
          if (table.name().equals("job")) {
            number = freeNumber((String) values.get("number"));
            values.put("number", number);
          }
          here.add(keep(table, kinds, values));
        }
      }
    } catch (DataAccessException e) {
      throw unfit("A row of it does not fit: " + e.getMostSpecificCause().getMessage());
    } catch (IllegalArgumentException
        | ClassCastException
        | DateTimeParseException
        | IndexOutOfBoundsException e) {
      throw unfit("A value of it does not fit: " + e.getMessage());
    }
    if (number == null) {
      throw unfit("There is no job in it.");
    }
    Job job = jobs.findByNumber(number).orElseThrow();
    search.note(job);
    return number;
  }

  private static Map<String, byte[]> unpacked(byte[] zip) {
    Map<String, byte[]> files = new LinkedHashMap<>();
    long bytes = 0;
    try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
      for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
        byte[] content = in.readNBytes((int) Math.min(Integer.MAX_VALUE, MOST_BYTES - bytes + 1));
        bytes += content.length;
        if (bytes > MOST_BYTES || files.size() >= MOST_ENTRIES) {
          throw unfit("It holds more than any job does.");
        }
        files.put(entry.getName(), content);
      }
    } catch (IOException | IllegalArgumentException e) {
      throw unfit("It is no archive, or is damaged: " + e.getMessage());
    }
    if (!files.containsKey(JobArchive.JOB_FILE)) {
      throw unfit("There is no %s in it.".formatted(JobArchive.JOB_FILE));
    }
    return files;
  }

  private JobArchive parsed(byte[] bytes) {
    JobArchive archive;
    try {
      archive = json.readValue(bytes, JobArchive.class);
    } catch (JacksonException e) {
      throw unfit("Its %s cannot be read.".formatted(JobArchive.JOB_FILE));
    }
    if (!JobArchive.FORMAT.equals(archive.format())
        || archive.version() != JobArchive.VERSION
        || archive.tables() == null) {
      throw unfit("It is of another format, or of a newer version.");
    }
    archive
        .tables()
        .forEach(
            (table, rows) -> {
              if (ArchiveTable.ALL.stream().noneMatch(t -> t.name().equals(table))
                  || rows.size() > MOST_ROWS) {
                throw unfit("It has a table that is not known here: " + table);
              }
            });
    return archive;
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
      throw unfit("A file of it is not what its name says: " + sha);
    }
    return hash;
  }

  private Map<String, Object> values(
      ArchiveTable table,
      Map<String, Columns.Kind> kinds,
      Map<String, Object> row,
      Map<String, List<Object>> ids) {
    Map<String, Object> values = new LinkedHashMap<>();
    row.forEach(
        (column, value) -> {
          Columns.Kind kind = kinds.get(column);
          if (kind == null || kind == Columns.Kind.ID || table.left().contains(column)) {
            throw unfit(
                "It has a column that is not known here: %s.%s".formatted(table.name(), column));
          }
          String into = table.pointsInto(column);
          if (into != null) {
            values.put(column, ids.get(into).get(((Number) value).intValue()));
          } else if (ArchiveTable.PEOPLE.contains(column)) {
            values.put(column, person((String) value));
          } else {
            values.put(column, value(kind, value));
          }
        });
    return values;
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

  /** Somebody of this name, or somebody who cannot sign in here. */
  private long person(String name) {
    Optional<Long> known =
        jdbc.sql("SELECT MIN(id) FROM account WHERE display_name = ?")
            .param(name)
            .query(Long.class)
            .optional();
    if (known.isPresent()) {
      return known.get();
    }
    Timestamp now = Timestamp.from(clock.instant());
    return inserted(
        "account",
        new LinkedHashMap<>(
            Map.of(
                "sign_in_name",
                "elsewhere-" + UUID.randomUUID(),
                "display_name",
                name,
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
    if (!wanted.matches("J-\\d{1,9}")) {
      throw unfit("It has no number of a job.");
    }
    long n = Long.parseLong(wanted.substring(2));
    if (jobs.findByNumber(wanted).isPresent()) {
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

  /** One that can never connect: its token stays where it is. */
  private Object probe(Map<String, Object> values) {
    String id = (String) values.get("id");
    boolean there =
        jdbc.sql("SELECT COUNT(*) FROM probe WHERE id = ?").param(id).query(Integer.class).single()
            > 0;
    if (!there) {
      values.put("bay_id", jdbc.sql("SELECT MIN(id) FROM bay").query(Long.class).single());
      values.put("outbox_id", UUID.randomUUID().toString());
      values.put("token_hash", Secrets.hash(UUID.randomUUID().toString()));
      values.put("revoked_at", Timestamp.from(clock.instant()));
      values.put("online", false);
      values.put("received_through", 0);
      insert("probe", values);
    }
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

  private static Refusal unfit(String what) {
    return Refusal.badRequest(what, WHAT_TO_DO);
  }
}

package tekmerion.server.exchange;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.io.OutputStream;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.photo.Photos;
import tekmerion.server.problem.Refusal;
import tekmerion.server.report.ReportFile;
import tekmerion.server.run.Run;
import tekmerion.server.run.Runs;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Writes a job's archive. The same job gives the same bytes, but for the date on its report. */
@Service
class JobExport {
  private static final LocalDateTime NO_TIME = LocalDateTime.of(2000, 1, 1, 0, 0);

  /** Of an intake's answers: they number what is the installation's own. */
  private static final Set<String> OWN_ANSWERS = Set.of("customerId", "machineId");

  private final JdbcClient jdbc;
  private final Columns columns;
  private final Jobs jobs;
  private final Runs runs;
  private final Photos photos;
  private final ReportFile report;
  private final ArchiveSchema schema;
  private final OwnMovesInArchive ownMoves;
  private final JsonMapper json =
      JsonMapper.builder()
          .enable(SerializationFeature.INDENT_OUTPUT)
          .enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
          .build();

  JobExport(
      JdbcClient jdbc,
      Columns columns,
      Jobs jobs,
      Runs runs,
      Photos photos,
      ReportFile report,
      ArchiveSchema schema,
      OwnMovesInArchive ownMoves) {
    this.jdbc = jdbc;
    this.columns = columns;
    this.jobs = jobs;
    this.runs = runs;
    this.photos = photos;
    this.report = report;
    this.schema = schema;
    this.ownMoves = ownMoves;
  }

  /**
   * @throws Refusal 404 if there is no such job, 409 while a run of it goes on
   */
  @Transactional(readOnly = true)
  public void write(String number, OutputStream out) throws IOException {
    Job job = jobs.named(number);
    if (runs.ofJob(job.id()).stream().anyMatch(r -> r.state() != Run.State.ENDED)) {
      throw Refusal.notPossibleNow(
          say("exchange.a-run-of-this-job-goes"), say("exchange.wait-for-its-end-or-end"));
    }
    Map<String, List<Map<String, Object>>> tables = tables(job);
    try (ZipOutputStream zip = new ZipOutputStream(out)) {
      put(
          zip,
          JobArchive.JOB_FILE,
          json.writeValueAsBytes(new JobArchive(JobArchive.FORMAT, JobArchive.VERSION, tables)));
      put(zip, JobArchive.SCHEMA, json.writeValueAsBytes(schema.schema()));
      for (String sha : shas(tables.get("reading_page"))) {
        byte[] bytes =
            jdbc.sql("SELECT bytes FROM raw_page WHERE sha256 = ?")
                .param(HexFormat.of().parseHex(sha))
                .query((rs, n) -> rs.getBytes(1))
                .single();
        put(zip, JobArchive.PAGES + sha, bytes);
      }
      for (String sha : shas(tables.get("photo"))) {
        put(zip, JobArchive.PHOTOS + sha, photos.kept(HexFormat.of().parseHex(sha)));
      }
      put(zip, JobArchive.REPORT, report.pdf(number));
    }
  }

  private static Set<String> shas(List<Map<String, Object>> rows) {
    Set<String> shas = new TreeSet<>();
    rows.stream()
        .filter(r -> !r.containsKey("gone_at"))
        .map(r -> (String) r.get("sha256"))
        .filter(s -> s != null)
        .forEach(shas::add);
    return shas;
  }

  private static void put(ZipOutputStream zip, String name, byte[] bytes) throws IOException {
    ZipEntry entry = new ZipEntry(name);
    entry.setTimeLocal(NO_TIME);
    zip.putNextEntry(entry);
    zip.write(bytes);
    zip.closeEntry();
  }

  private Map<String, List<Map<String, Object>>> tables(Job job) {
    Map<String, Map<String, Integer>> places = new HashMap<>();
    Map<String, List<Map<String, Object>>> tables = new LinkedHashMap<>();
    for (ArchiveTable table : ArchiveTable.ALL) {
      Map<String, Columns.Kind> kinds = columns.of(table.name());
      Map<String, Integer> placesHere = new HashMap<>();
      places.put(table.name(), placesHere);
      List<Map<String, Object>> rows = new ArrayList<>();
      jdbc.sql(
              "SELECT * FROM %s WHERE %s ORDER BY %s"
                  .formatted(table.name(), table.rows(), table.order()))
          .param("job", job.id())
          .param("machine", job.machine().id())
          .query(
              (rs, n) -> {
                if (kinds.containsKey("id")) {
                  placesHere.put(rs.getString("id"), rows.size());
                }
                rows.add(row(table, kinds, rs, places));
                return 0;
              })
          .list();
      tables.put(table.name(), rows);
    }
    ownMoves.define(tables);
    return tables;
  }

  private Map<String, Object> row(
      ArchiveTable table,
      Map<String, Columns.Kind> kinds,
      ResultSet rs,
      Map<String, Map<String, Integer>> places)
      throws SQLException {
    Map<String, Object> row = new LinkedHashMap<>();
    for (Map.Entry<String, Columns.Kind> column : kinds.entrySet()) {
      String name = column.getKey();
      if (column.getValue() == Columns.Kind.ID
          || table.left().contains(name)
          || rs.getObject(name) == null) {
        continue;
      }
      String into = table.pointsInto(name);
      if (into != null) {
        row.put(name, places.get(into).get(rs.getString(name)));
      } else if (ArchiveTable.PEOPLE.contains(name)) {
        row.put(name, person(rs.getLong(name)));
      } else if (table.name().equals("intake")
          && (name.equals("answers") || name.equals("applied"))) {
        row.put(name, withoutOwn(rs.getString(name)));
      } else {
        row.put(name, value(column.getValue(), name, rs));
      }
    }
    return row;
  }

  private static Object value(Columns.Kind kind, String name, ResultSet rs) throws SQLException {
    return switch (kind) {
      case TIME -> rs.getTimestamp(name).toInstant().toString();
      case BYTES -> HexFormat.of().formatHex(rs.getBytes(name));
      case BOOLEAN -> rs.getBoolean(name);
      case WHOLE -> rs.getLong(name);
      case DECIMAL -> rs.getDouble(name);
      default -> rs.getString(name);
    };
  }

  private String person(long account) {
    return jdbc.sql("SELECT display_name FROM account WHERE id = ?")
        .param(account)
        .query(String.class)
        .optional()
        .orElse("");
  }

  private String withoutOwn(String answers) {
    JsonNode node = json.readTree(answers);
    if (node instanceof ObjectNode object) {
      object.remove(OWN_ANSWERS);
      return json.writer().without(SerializationFeature.INDENT_OUTPUT).writeValueAsString(object);
    }
    return answers;
  }
}

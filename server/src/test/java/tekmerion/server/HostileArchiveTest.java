package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.launch.ShopClient;
import tekmerion.link.RescueResult;
import tekmerion.link.RunKind;
import tekmerion.link.SurveyResult;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Archives that somebody made to do harm. Each is refused, or brought in and harmless: it opens no
 * lock, runs nothing, signs for nobody, and everything else answers as before.
 */
@ExtendWith(RunningServer.class)
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class HostileArchiveTest {
  private static final int BAY = 6;
  private static final JsonMapper JSON = JsonMapper.builder().build();
  private static final long MEMORY_BYTES = 200L << 20;

  private RunningServer.Shop shop;
  private ShopClient mara;
  private BenchJob bench;
  private Map<String, byte[]> good;

  /** A job with a copied and verified drive, a decision that erases, and everything else. */
  @BeforeAll
  void makeAGoodOne(RunningServer.Shop running) throws Exception {
    shop = running;
    mara = shop.signedIn("mara");
    bench = BenchJob.begin(shop, BAY, "Archived Aagaard", "drive-a");
    bench.read("drive-a", "sound-drive");
    SurveyResult survey =
        new SurveyResult(
            TestDrive.GB_240,
            "mbr",
            "healthy",
            "sound",
            "copy it",
            0,
            List.of(
                new SurveyResult.VolumeNote(
                    1,
                    "",
                    1 << 20,
                    1L << 30,
                    "exFAT",
                    false,
                    null,
                    null,
                    null,
                    List.of(),
                    true,
                    5,
                    300,
                    List.of(new SurveyResult.FolderNote("Scores", 5, 300, true)),
                    List.of())),
            List.of());
    bench.run("drive-a", RunKind.SURVEY, survey, bench.drive);
    bench.run("drive-a", RunKind.RESCUE_IN_USE, rescue(null), bench.drive);
    bench.run("drive-a", RunKind.VERIFY_IMAGE, rescue(true), bench.drive);
    assertThat(bench.status()).isEqualTo("COPY_VERIFIED");
    assertThat(bench.decide("CLEAN_INSTALL").status()).isEqualTo(201);
    good = unpacked(mara.download(bench.path() + "/archive.zip").orElseThrow());
  }

  @AfterAll
  void end() {
    bench.close();
  }

  private static RescueResult rescue(Boolean verified) {
    return new RescueResult(
        "ended",
        true,
        "+",
        "+",
        TestDrive.GB_240,
        5_000,
        5_000,
        0,
        0,
        List.of(),
        0L,
        1.0,
        "aa",
        verified,
        "x");
  }

  private static Map<String, byte[]> unpacked(byte[] zip) throws IOException {
    Map<String, byte[]> files = new LinkedHashMap<>();
    try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
      for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
        files.put(e.getName(), in.readAllBytes());
      }
    }
    return files;
  }

  private static byte[] packed(Map<String, byte[]> files) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(out)) {
      for (Map.Entry<String, byte[]> file : files.entrySet()) {
        zip.putNextEntry(new ZipEntry(file.getKey()));
        zip.write(file.getValue());
      }
    }
    return out.toByteArray();
  }

  /** The good one with other ids, so that it could come in; then changed. */
  private byte[] with(Consumer<ObjectNode> change) throws IOException {
    String text = new String(good.get("job.json"), StandardCharsets.UTF_8);
    ObjectNode archive = (ObjectNode) JSON.readTree(text);
    ObjectNode tables = (ObjectNode) archive.get("tables");
    for (String table : List.of("intake", "reading", "run", "photo")) {
      for (JsonNode row : tables.withArray(table)) {
        String fresh = UUID.randomUUID().toString();
        String old = row.get("id").stringValue();
        ((ObjectNode) row).put("id", fresh);
        for (String other : List.of("reading_page", "run_result")) {
          for (JsonNode there : tables.withArray(other)) {
            for (String column : List.of("reading_id", "run_id")) {
              if (there.has(column)
                  && there.get(column).isString()
                  && there.get(column).stringValue().equals(old)) {
                ((ObjectNode) there).put(column, fresh);
              }
            }
          }
        }
      }
    }
    change.accept(archive);
    Map<String, byte[]> files = new LinkedHashMap<>(good);
    files.put("job.json", JSON.writeValueAsBytes(archive));
    return packed(files);
  }

  /** Refused with a reason; or in, and then it opens and runs nothing. */
  private int bring(String what, byte[] zip) throws Exception {
    ShopClient.Answer answer = mara.upload("/api/jobs/import", "application/zip", zip);
    assertThat(answer.status()).as("%s: %s", what, answer.body()).isIn(201, 400, 409, 413);
    if (answer.status() != 201) {
      assertThat(answer.body().get("toDo").stringValue()).as(what).isNotBlank();
      return answer.status();
    }
    String number = answer.body().get("number").stringValue();
    mustBeHarmless(what, number);
    return 201;
  }

  private void mustBeHarmless(String what, String number) throws Exception {
    JsonNode view = mara.get("/api/jobs/" + number).body();
    assertThat(view.at("/data/status").stringValue()).as(what).isEqualTo("NOT_ASKED");
    Map<String, Object> decision = new HashMap<>();
    decision.put("version", view.get("version").longValue());
    decision.put("courses", List.of("CLEAN_INSTALL"));
    decision.put("reason", "as it was decided elsewhere");
    ShopClient.Answer decided = mara.post("/api/jobs/%s/decisions".formatted(number), decision);
    assertThat(decided.body().get("lock").stringValue())
        .as(what)
        .isIn("DATA_NOT_SAFE", "DRIVE_NOT_IDENTIFIED");
    ShopClient.Answer data = mara.get("/api/jobs/%s/parts/drive-a/data".formatted(number));
    // Its drive may have come in under another key: then there is none of this.
    assertThat(data.status()).as(what).isIn(200, 404);
    assertThat(data.status() == 404 || data.body().at("/copy").isNull()).as(what).isTrue();
    String job = "(SELECT id FROM job WHERE number = '%s')".formatted(number);
    assertThat(
            shop.count(
                "SELECT COUNT(*) FROM run WHERE job_id = "
                    + job
                    + " AND (state <> 'ENDED' OR NOT from_elsewhere OR named_drive IS NOT NULL)"))
        .as(what)
        .isZero();
    assertThat(
            shop.count(
                "SELECT COUNT(*) FROM run d JOIN probe p ON p.id = d.probe_id WHERE d.job_id = "
                    + job
                    + " AND p.revoked_at IS NULL"))
        .as(what)
        .isZero();
    assertThat(
            shop.count(
                "SELECT COUNT(*) FROM decision r JOIN account a ON a.id = r.signed_by WHERE r.job_id = "
                    + job
                    + " AND (a.disabled_at IS NULL OR NOT r.from_elsewhere)"))
        .as(what)
        .isZero();
    assertThat(view.get("holder").isNull()).as(what).isTrue();
    assertThat(view.get("journal").toString()).as(what).contains("Brought in from an archive");
  }

  /** The job that they all pretend to be goes on as before, and the floor answers. */
  private void everythingElseAnswers() throws Exception {
    assertThat(bench.status()).isEqualTo("COPY_VERIFIED");
    assertThat(mara.get("/api/floor").status()).isEqualTo(200);
    bench.hello("drive-a"); // nothing else is asked of its probe
  }

  @Test
  void theGoodOneComesInAndProvesNothing() throws Exception {
    assertThat(bring("the good one", with(archive -> {}))).isEqualTo(201);
    everythingElseAnswers();
  }

  /**
   * Each erased or opened something once: a run to be carried out, on the shop's own live probe.
   */
  @Test
  void aRunThatIsNotEndedIsRefused() throws Exception {
    for (String state : List.of("RUNNING", "PAUSED", "ENDING")) {
      for (RunKind kind : List.of(RunKind.ERASE_COPY, RunKind.ERASE, RunKind.MEND)) {
        byte[] zip =
            with(
                a -> {
                  ObjectNode run = (ObjectNode) a.at("/tables/run/0");
                  run.put("kind", kind.name());
                  run.put("state", state);
                });
        assertThat(bring(kind + " " + state, zip)).isEqualTo(400);
      }
    }
    everythingElseAnswers();
  }

  @Test
  void aWildValueInEveryColumnIsRefusedOrHarmless() throws Exception {
    assertThat(bringWildValues(15, 1)).isGreaterThanOrEqualTo(100);
  }

  @Test
  @Tag("nightly")
  void moreWildValuesInEveryColumnAreRefusedOrHarmless() throws Exception {
    assertThat(bringWildValues(16, 3)).isGreaterThanOrEqualTo(300);
  }

  /**
   * Every column of every table with values that no row of ours has.
   *
   * @return how many archives were tried
   */
  private int bringWildValues(long seed, int timesEach) throws Exception {
    List<Object> wild =
        Arrays.asList(
            "DROPPED",
            "",
            "\u0000",
            "x".repeat(70_000),
            "+99999-01-01T00:00:00Z",
            "0001-01-01T00:00:00Z",
            -1,
            99_999,
            Long.MAX_VALUE,
            1e300,
            true,
            null,
            List.of(),
            Map.of("a", 1),
            "../../etc/passwd");
    JsonNode tables = JSON.readTree(good.get("job.json")).get("tables");
    Random random = new Random(seed);
    int tried = 0;
    for (String table : tables.propertyNames()) {
      if (tables.get(table).isEmpty()) {
        continue;
      }
      bench.hello("drive-a"); // a probe that is silent for 45 seconds is cut off
      for (String column : tables.get(table).get(0).propertyNames()) {
        // Those that could open or run something are tried oftener.
        boolean opens = Set.of("run", "run_result", "job", "decision").contains(table);
        for (int i = 0; i < (opens ? 2 * timesEach : timesEach); i++) {
          Object value = wild.get(random.nextInt(wild.size()));
          byte[] zip =
              with(
                  a ->
                      ((ObjectNode) a.at("/tables/" + table + "/0"))
                          .set(column, JSON.valueToTree(value)));
          bring("%s.%s = %s".formatted(table, column, shortened(value)), zip);
          tried++;
        }
      }
    }
    everythingElseAnswers();
    return tried;
  }

  private static String shortened(Object value) {
    String text = String.valueOf(value);
    return text.length() > 40 ? text.substring(0, 40) : text;
  }

  @Test
  void whatIsNoArchiveOfOursIsRefused() throws Exception {
    List<Map.Entry<String, byte[]>> corpus = new ArrayList<>();
    byte[] whole = packed(good);
    for (int i = 1; i < 20; i++) {
      corpus.add(
          Map.entry("cut at %d of 20".formatted(i), Arrays.copyOf(whole, whole.length * i / 20)));
    }
    for (String name :
        List.of(
            "../evil", "pages/../x", "pages/" + "g".repeat(64), "photos/short", "a.sh", "/etc/x")) {
      Map<String, byte[]> files = new LinkedHashMap<>(good);
      files.put(name, new byte[] {1});
      corpus.add(Map.entry("a file " + name, packed(files)));
    }
    for (String json :
        List.of(
            "",
            "null",
            "[]",
            "{}",
            "{\"format\":1}",
            "[".repeat(100_000),
            "{\"a\":".repeat(5_000),
            "{\"format\":\"tekmerion job\",\"version\":1,\"tables\":{\"job\":null}}",
            "{\"format\":\"tekmerion job\",\"version\":1,\"tables\":{\"job\":[null]}}")) {
      Map<String, byte[]> files = new LinkedHashMap<>(good);
      files.put("job.json", json.getBytes(StandardCharsets.UTF_8));
      corpus.add(Map.entry("job.json = " + shortened(json), packed(files)));
    }
    for (Map.Entry<String, byte[]> entry : corpus) {
      assertThat(bring(entry.getKey(), entry.getValue())).as(entry.getKey()).isEqualTo(400);
    }
    everythingElseAnswers();
  }

  /** Moves of a shop's own are checked as if a lead here made them, and never pass for ours. */
  @Test
  void ownMovesFromElsewhereAreRefusedOrHarmless() throws Exception {
    String good =
        """
        {"words":{"name":"Tap","purpose":"It rattles.","handsOnMinutes":1,"waitingMinutes":0,\
        "families":[],"needs":[],"steps":["Tap."]},"act":"OBSERVE","place":"power",\
        "of":"machine","bootStage":"nothing","invasiveness":"LOOKS_ONLY","loads":[],"looksAt":"Sound",\
        "levels":["No","Yes"],"leak":[0.9,0.1],"links":{"fan-failed":[0.1,0.9]}}""";
    Map<String, String> bad = new LinkedHashMap<>();
    bad.put("nothing", "{}");
    bad.put("null", "null");
    bad.put("erases", good.replace("LOOKS_ONLY", "ERASES"));
    bad.put("no such act", good.replace("OBSERVE", "ERASE"));
    bad.put("no distribution", good.replace("[0.1,0.9]}", "[0.5,0.9]}"));
    bad.put("cannot leak", good.replace("[0.9,0.1]", "[1.0,0.0]"));
    bad.put("no such cause", good.replace("fan-failed", "witchcraft"));
    bad.put("more than there is", good.replace("\"act\"", "\"risk\":0,\"act\""));
    bad.put("a long name", good.replace("Tap\"", "x".repeat(70_000) + "\""));
    for (Map.Entry<String, String> one : bad.entrySet()) {
      assertThat(one.getValue()).as(one.getKey()).isNotEqualTo(good);
      assertThat(bring(one.getKey(), with(a -> define(a, "own.tap", one.getValue()))))
          .as(one.getKey())
          .isEqualTo(400);
    }
    for (String id : List.of("smart", "own.", "own.A", "own." + "x".repeat(60), "own.a/../b")) {
      assertThat(bring(id, with(a -> define(a, id, good)))).as(id).isEqualTo(400);
    }
    assertThat(
            bring(
                "101 of them",
                with(
                    a -> {
                      for (int i = 0; i <= 100; i++) {
                        define(a, "own.tap-" + i, good.replace("Tap\"", "Tap " + i + "\""));
                      }
                    })))
        .isEqualTo(400);
    assertThat(
            bring(
                "a finding of a move that nothing is told of",
                with(
                    a -> {
                      ((ObjectNode) a.get("tables"))
                          .withArray("job_finding")
                          .addObject()
                          .put("job_id", 0)
                          .put("part", "machine")
                          .put("origin", "move")
                          .put("finding_id", "own.tap.seen")
                          .put("level", "seen-99")
                          .put("words", "It rattles")
                          .put("said_at", "2026-11-01T08:00:00Z");
                    })))
        .isEqualTo(201);
    assertThat(bring("a good one", with(a -> define(a, "own.tap", good)))).isEqualTo(201);
    everythingElseAnswers();
  }

  private static void define(ObjectNode archive, String id, String body) {
    ((ObjectNode) archive.get("tables"))
        .withArray("job_own_move")
        .addObject()
        .put("job_id", 0)
        .put("move_id", id)
        .put("body", body);
  }

  /**
   * 256 MiB of zeros in a quarter of a megabyte: refused before it takes what the server has not.
   */
  @Test
  void aSmallArchiveNeverTakesMuchMemory() throws Exception {
    for (String name :
        List.of("job.json", "report.pdf", "pages/" + "0".repeat(64), "photos/" + "0".repeat(64))) {
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      try (ZipOutputStream zip = new ZipOutputStream(out)) {
        zip.putNextEntry(new ZipEntry(name));
        byte[] zeros = new byte[1 << 20];
        for (int i = 0; i < 256; i++) {
          zip.write(zeros);
        }
      }
      System.gc();
      long before = used();
      assertThat(bring("256 MiB as " + name, out.toByteArray())).isEqualTo(400);
      assertThat(used() - before).as(name).isLessThan(MEMORY_BYTES);
    }
    everythingElseAnswers();
  }

  private static long used() {
    return Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory();
  }
}

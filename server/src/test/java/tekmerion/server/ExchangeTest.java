package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.UnaryOperator;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import picocli.CommandLine;
import tekmerion.core.port.PageKind;
import tekmerion.launch.LinkPeer;
import tekmerion.launch.ShopClient;
import tekmerion.link.LinkEvent;
import tekmerion.link.PageNote;
import tekmerion.link.RunKind;
import tekmerion.link.SurfaceScanResult;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tekmerion.probe.instrument.SaveCommand;
import tekmerion.sim.SimMachines;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;

/** A job out of one installation, into an empty one, and out again. */
@ExtendWith(RunningServer.class)
class ExchangeTest {
  private static final int BAY = 6;

  /**
   * One with everything: readings, a run, data status, moves, a decision, trials, a photo-less
   * journal.
   */
  private static String job(RunningServer.Shop shop) throws Exception {
    ShopClient ines = shop.signedIn();
    String job =
        Talk.begin(shop.signedIn("joao"))
            .of("Harbour master's office", "Ostrel", "17 laptop", "It freezes; the drive clicks")
            .takeIn();
    String path = "/api/jobs/" + job;
    long version = JobVersion.of(ines, path);
    ines.post(path + "/bay", Map.of("version", version, "bay", BAY));
    String token = LinkPeer.enrol(ines, BAY, UUID.randomUUID());
    try (LinkPeer peer = new LinkPeer(shop.address(), token)) {
      peer.hello(0);
      peer.next(ToProbe.Welcome.class);
      ines.post(path + "/readings", Map.of("partKey", "drive-a"));
      UUID asked = peer.next(ToProbe.ReadPart.class).requestId();
      var pages = new SimMachines().open("sim:worn-disk,0").orElseThrow().drives().get(0).pages();
      peer.send(
          new ToServer.Event(
              1,
              new LinkEvent.PartRead(
                  asked,
                  UUID.randomUUID(),
                  "drive-a",
                  Instant.now(),
                  pages.kinds().stream().map(k -> PageNote.of(k, pages.read(k))).toList())));
      peer.next(ToProbe.Acknowledge.class);
      ines.post(path + "/parts/drive-a/runs", Map.of("kind", "SURFACE_SAMPLE"));
      UUID run = peer.next(ToProbe.StartRun.class).requestId();
      Instant now = Instant.now();
      peer.send(
          new ToServer.Event(
              2,
              new LinkEvent.RunEnded(
                  run,
                  "drive-a",
                  RunKind.SURFACE_SAMPLE,
                  now.minusSeconds(9),
                  now,
                  LinkEvent.End.COMPLETE,
                  "",
                  new SurfaceScanResult(
                      1_000_204_886_016L,
                      512,
                      10,
                      0.1,
                      100,
                      1_000,
                      1,
                      0.005,
                      List.of(new SurfaceScanResult.ZoneNote(3, 6_100, 9_000, 14_000, 1, 2)),
                      List.of(),
                      List.of(new SurfaceScanResult.BadNote(5_900_000, 2))))));
      peer.next(ToProbe.Acknowledge.class);
    }
    say(ines, path, "/data-status", Map.of("dataStatus", "WANTED"));
    say(
        ines,
        path,
        "/decisions",
        Map.of("courses", List.of("REPLACE_PART"), "reason", "it clicks"));
    say(ines, path, "/changes", Map.of("what", "new drive"));
    say(ines, path, "/check", Map.of("complaint", "GONE", "note", ""));
    Map<String, Object> out = new HashMap<>();
    out.put("bay", null);
    say(ines, path, "/bay", out);
    return job;
  }

  private static void say(ShopClient who, String path, String what, Map<String, Object> more) {
    Map<String, Object> body = new LinkedHashMap<>(more);
    body.put("version", JobVersion.of(who, path));
    who.post(path + what, body);
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

  private static String text(Map<String, byte[]> files, String name) {
    return new String(files.get(name), StandardCharsets.UTF_8);
  }

  private static JsonNode withoutImport(Map<String, byte[]> files) {
    JsonNode archive = JsonMapper.builder().build().readTree(files.get("job.json"));
    ArrayNode journal = (ArrayNode) archive.at("/tables/journal_entry");
    for (int i = journal.size() - 1; i >= 0; i--) {
      if (journal
          .get(i)
          .get("title")
          .stringValue()
          .contains("exchange.brought-in-from-an-archive")) {
        journal.remove(i);
      }
    }
    return archive;
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

  private static ShopClient.Answer bring(ShopClient lead, byte[] zip) {
    return lead.upload("/api/jobs/import", "application/zip", zip);
  }

  @Test
  void comesOutOfAnEmptyInstallationAsItWentIn(RunningServer.Shop shop) throws Exception {
    String number = job(shop);
    byte[] first =
        shop.signedIn().download("/api/jobs/%s/archive.zip".formatted(number)).orElseThrow();
    Map<String, byte[]> files = unpacked(first);
    JsonNode tables = JsonMapper.builder().build().readTree(files.get("job.json")).get("tables");
    for (String table :
        List.of(
            "customer",
            "machine",
            "part",
            "part_place",
            "probe",
            "job",
            "job_family",
            "intake",
            "job_finding",
            "job_change",
            "data_status_entry",
            "decision",
            "journal_entry",
            "reading",
            "reading_page",
            "run",
            "run_result")) {
      assertThat(tables.get(table).size()).as(table).isPositive();
    }
    assertThat(files.keySet()).filteredOn(n -> n.startsWith("pages/")).hasSizeGreaterThan(5);
    Schema schema =
        SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
            .getSchema(text(files, "job.schema.json"), InputFormat.JSON);
    assertThat(schema.validate(text(files, "job.json"), InputFormat.JSON)).isEmpty();

    try (RunningServer.Shop other = RunningServer.Shop.empty()) {
      ShopClient lead = other.firstLead();
      ShopClient.Answer answer = bring(lead, first);
      assertThat(answer.status()).as(answer.body().toString()).isEqualTo(201);
      assertThat(answer.body().get("number").stringValue()).isEqualTo(number);
      Map<String, byte[]> again =
          unpacked(lead.download("/api/jobs/%s/archive.zip".formatted(number)).orElseThrow());

      assertThat(again.keySet()).isEqualTo(files.keySet());
      // Its people are not the shop's own, whoever bears the same name; the import is in its
      // history.
      assertThat(withoutImport(again).toString().replace(" (elsewhere)", ""))
          .isEqualTo(withoutImport(files).toString());
      files.forEach(
          (name, bytes) -> {
            if (name.startsWith("pages/")) {
              assertThat(again.get(name)).isEqualTo(bytes);
            }
          });
      // It is weighed there as it was here, and found by its serial.
      assertThat(lead.get("/api/jobs/" + number).body().at("/weighed/headline"))
          .isEqualTo(shop.signedIn().get("/api/jobs/" + number).body().at("/weighed/headline"));
      assertThat(lead.get("/api/search?q=44019").body().toString()).contains(number);
      // Once is enough.
      assertThat(bring(lead, first).status()).isEqualTo(409);
    }
  }

  /**
   * A move of the shop's own goes with the job that it was made in. Elsewhere it is told and not
   * weighed, also where another move has its name, until a lead takes it over.
   */
  @Test
  void movesOfTheShopsOwnGoWithTheJob(RunningServer.Shop shop) throws Exception {
    String first = tapped(shop, "Crane yard");
    byte[] archive = archive(shop, first);
    String second = tapped(shop, "Rope walk");
    assertThat(firstCause(shop.signedIn(), first)).isEqualTo("fan-failed");

    try (RunningServer.Shop other = RunningServer.Shop.empty()) {
      ShopClient lead = other.firstLead();
      addMove(lead, "own.tap", tap("The colour", Map.of("supply-unit", List.of(0.02, 0.98))));
      ShopClient.Answer brought = bring(lead, archive);
      assertThat(brought.status()).as(brought.body().toString()).isEqualTo(201);

      JsonNode made = lead.get("/api/jobs/" + first).body().at("/made/0");
      assertThat(made.get("title").stringValue()).isEqualTo("Tap the fan");
      assertThat(made.get("words").stringValue()).isEqualTo("The sound: rattles");
      assertThat(made.get("known").booleanValue()).isFalse();
      assertThat(firstCause(lead, first)).isNotIn("fan-failed", "supply-unit");
      JsonNode told = lead.get("/api/know-how/from-elsewhere").body();
      assertThat(told.size()).isOne();
      assertThat(told.at("/0/job").stringValue()).isEqualTo(first);
      String id = told.at("/0/id").stringValue();
      assertThat(id).matches("own\\.tap-[0-9a-f]{8}").isEqualTo(made.get("move").stringValue());
      // What goes on from here is the same.
      byte[] further = lead.download("/api/jobs/%s/archive.zip".formatted(first)).orElseThrow();
      assertThat(text(unpacked(further), "job.json"))
          .contains("Salt makes it rattle.", id + ".seen");

      addMove(lead, id, JsonMapper.builder().build().convertValue(told.at("/0/move"), Map.class));
      assertThat(firstCause(lead, first)).isEqualTo("fan-failed");
      assertThat(lead.get("/api/know-how/from-elsewhere").body().isEmpty()).isTrue();
      assertThat(bring(lead, archive(shop, second)).status()).isEqualTo(201);
      assertThat(firstCause(lead, second)).isEqualTo("fan-failed");
    }
  }

  /** A job in which the shop's own move speaks for the fan. */
  private static String tapped(RunningServer.Shop shop, String customer) {
    ShopClient mara = shop.signedIn("mara");
    if (mara.get("/api/know-how/entries/MOVE/own.tap").status() == 404) {
      addMove(mara, "own.tap", tap("The sound", Map.of("fan-failed", List.of(0.02, 0.98))));
    }
    String number =
        Talk.begin(shop.signedIn("joao"))
            .of(customer, "Ostrel", "16 laptop", "It is loud and hot")
            .takeIn();
    say(
        shop.signedIn(),
        "/api/jobs/" + number,
        "/moves/own.tap/outcome",
        Map.of("part", "machine", "levels", Map.of("own.tap.seen", "seen-1"), "note", ""));
    return number;
  }

  private static void addMove(ShopClient lead, String id, Map<?, ?> move) {
    ShopClient.Answer answer =
        lead.post(
            "/api/know-how/changes",
            Map.of(
                "change",
                Map.of("what", "OWN_MOVE", "id", id, "ownMove", move),
                "version",
                0,
                "reason",
                "harbour air"));
    assertThat(answer.status()).as(answer.body().toString()).isEqualTo(204);
  }

  private static Map<String, Object> tap(String looksAt, Map<String, List<Double>> links) {
    Map<String, Object> words = new HashMap<>();
    words.put("name", "Tap the fan");
    words.put("purpose", "Salt makes it rattle.");
    words.put("handsOnMinutes", 1);
    words.put("waitingMinutes", 0);
    words.put("families", List.of());
    words.put("needs", List.of());
    words.put("steps", List.of("Tap it."));
    Map<String, Object> move = new HashMap<>();
    move.put("words", words);
    move.put("act", "OBSERVE");
    move.put("place", "power");
    move.put("of", "machine");
    move.put("bootStage", "nothing");
    move.put("invasiveness", "LOOKS_ONLY");
    move.put("loads", List.of());
    move.put("looksAt", looksAt);
    move.put("levels", List.of("Nothing", "Rattles"));
    move.put("leak", List.of(0.99, 0.01));
    move.put("links", links);
    return move;
  }

  private static byte[] archive(RunningServer.Shop shop, String number) {
    return shop.signedIn().download("/api/jobs/%s/archive.zip".formatted(number)).orElseThrow();
  }

  private static String firstCause(ShopClient who, String number) {
    return who.get("/api/jobs/" + number).body().at("/weighing/causes/0/cause").stringValue();
  }

  @Test
  void whatDoesNotFitIsRefusedWholly(RunningServer.Shop shop) throws Exception {
    ShopClient mara = shop.signedIn("mara");
    byte[] good = shop.signedIn().download("/api/jobs/J-2290/archive.zip").orElseThrow();
    long jobs = shop.count("SELECT COUNT(*) FROM job");

    assertThat(bring(mara, "no archive".getBytes(StandardCharsets.UTF_8)).status()).isEqualTo(400);
    for (UnaryOperator<String> change :
        List.<UnaryOperator<String>>of(
            s -> s.replaceFirst("\"version\" : 1\\b(?!.*\"version\")", "\"version\" : 2"),
            s -> s.replace("\"job_finding\"", "\"account\""),
            s -> s.replace("\"complaint\"", "\"password_hash\""),
            s -> s.replaceFirst("\"taken_in_at\" : \"[^\"]*\"", "\"taken_in_at\" : \"soon\""),
            s -> s.replaceFirst("\"machine_id\" : 0", "\"machine_id\" : 7"))) {
      Map<String, byte[]> files = unpacked(good);
      String before = new String(files.get("job.json"), StandardCharsets.UTF_8);
      String changed = change.apply(before);
      assertThat(changed).isNotEqualTo(before);
      files.put("job.json", changed.getBytes(StandardCharsets.UTF_8));
      assertThat(bring(mara, packed(files)).status()).isEqualTo(400);
    }
    Map<String, byte[]> files = unpacked(good);
    files.put("pages/" + "0".repeat(64), new byte[512]);
    assertThat(bring(mara, packed(files)).body().toString()).contains("not what its name says");
    assertThat(shop.count("SELECT COUNT(*) FROM job")).isEqualTo(jobs);
    assertThat(bring(shop.signedIn(), good).status()).isEqualTo(403);
  }

  /** Without their names, and as one file that a probe without a server wrote. */
  @Test
  void pagesThatAreDroppedBecomeAReading(RunningServer.Shop shop) throws Exception {
    ShopClient ines = shop.signedIn();
    String job =
        Talk.begin(shop.signedIn("joao"))
            .of("Customs house", "Ostrel", "17 laptop", "It hangs")
            .takeIn();
    var drive = new SimMachines().open("sim:worn-disk,0").orElseThrow().drives().get(0);
    List<Map<String, String>> files = new ArrayList<>();
    for (PageKind kind : drive.pages().kinds()) {
      drive
          .pages()
          .read(kind)
          .bytes()
          .ifPresent(raw -> files.add(dropped("capture-" + files.size(), raw.bytes())));
    }
    files.add(dropped("holiday.bin", new byte[] {1, 2, 3}));

    JsonNode taken =
        ines.post(
                "/api/jobs/%s/captures".formatted(job),
                Map.of("partKey", "drive-a", "files", files))
            .body();

    assertThat(taken.toString()).contains("IDENTIFY DEVICE").contains("SMART READ DATA");
    assertThat(taken.get(files.size() - 1).get("words").stringValue())
        .isEqualTo("nothing that is known here");
    assertThat(ines.get("/api/jobs/" + job).body().toString())
        .contains("OS7K-44019-B")
        .contains("sectors are pending");

    Path saved = Files.createTempDirectory("stick").resolve("capture.json");
    assertThat(
            new CommandLine(new SaveCommand())
                .execute("--machine", "sim:busy-drive,0", "--out", saved.toString()))
        .isZero();
    Map<String, Object> file =
        Map.of(
            "partKey",
            "drive-a",
            "files",
            List.of(dropped("capture.json", Files.readAllBytes(saved))));
    JsonNode whole = ines.post("/api/jobs/%s/captures".formatted(job), file).body();
    assertThat(whole.get(0).get("words").stringValue())
        .isEqualTo("a probe's file: 2 readings and 0 runs taken in");
    JsonNode again = ines.post("/api/jobs/%s/captures".formatted(job), file).body();
    assertThat(again.get(0).get("words").stringValue())
        .isEqualTo("a probe's file: 0 readings and 0 runs taken in, 2 known already");
    assertThat(ines.get("/api/jobs/%s/memory".formatted(job)).body().toString())
        .contains("5D01C004");
  }

  private static Map<String, String> dropped(String name, byte[] bytes) {
    return Map.of("name", name, "content", Base64.getEncoder().encodeToString(bytes));
  }

  @Test
  void givesEveryNumberOfItsDrivesAsCsv(RunningServer.Shop shop) throws Exception {
    String number = job(shop);

    String csv =
        new String(
            shop.signedIn().download("/api/jobs/%s/series.csv".formatted(number)).orElseThrow(),
            StandardCharsets.UTF_8);

    assertThat(csv.lines().findFirst().orElseThrow())
        .startsWith("drive,model,serial,taken_at,power_on_hours,number,name,value,unit");
    assertThat(csv).contains("drive-a,HELM-1000S,OS7K-44019-B,").contains(",197,");
  }
}

package tekmerion.probe.devices;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.io.TempDir;
import tekmerion.probe.devices.TestDisk.Kind;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Every instrument on every kind of device, compared with the truth. */
@EnabledIfSystemProperty(named = "tekmerion.devices", matches = "true")
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class DevicesTest {
  private static final int BAD_SECTORS = 6;
  private static final int SLOW = 6 << 20;
  private static final JsonMapper JSON = JsonMapper.builder().build();

  @TempDir static Path folder;

  /** Each of its kind, with sectors that cannot be read. */
  private final List<TestDisk> disks = new ArrayList<>();

  /** Slow ones that are pulled while they are read. */
  private final List<TestDisk> pulled = new ArrayList<>();

  private final DeviceTable table = new DeviceTable();
  private Guest guest;
  private RunsInGuest runs;

  @BeforeAll
  void start() throws Exception {
    for (Kind kind : Kind.values()) {
      disks.add(TestDisk.make(folder, kind, disks.size(), BAD_SECTORS, errno(kind)));
    }
    for (Kind kind : List.of(Kind.AHCI_512N, Kind.NVME_512, Kind.SCSI_512N, Kind.USB_512)) {
      int number = disks.size() + pulled.size();
      pulled.add(TestDisk.make(folder, kind, number, 2, errno(kind)).slowedTo(SLOW));
    }
    List<TestDisk> all = new ArrayList<>(disks);
    all.addAll(pulled);
    guest = Guest.start(GuestParts.built(), folder, all);
    runs = new RunsInGuest(guest);
  }

  /** ATA and NVMe have no medium error in this emulation; the kernel gives EIO for theirs. */
  private static int errno(Kind kind) {
    return kind.bus.equals("ata") || kind.bus.equals("nvme") ? TestDisk.EIO : TestDisk.ENODATA;
  }

  @AfterAll
  void stop() throws IOException {
    System.out.println(table.text());
    if (guest != null) {
      guest.close();
    }
  }

  @Test
  @Order(1)
  void listsEachDriveWithItsModelAndSerialAndNoOpticalOne() throws IOException {
    JsonNode drives = guest.tekmerion("probe", "list").json().get("drives");
    for (TestDisk disk : disks) {
      String device = guest.device(disk);
      JsonNode mine = byDevice(drives, device);
      table.row(
          disk.label(),
          "list",
          List.of(disk.kind().bus, disk.serial(), TestDisk.SIZE),
          List.of(
              mine.path("bus").asString(""),
              mine.path("serial").asString(""),
              mine.path("sizeBytes").asInt()));
    }
    assertThat(drives.toString()).doesNotContain("/dev/sr");
    table.mustHold("list");
  }

  private static JsonNode byDevice(JsonNode drives, String device) {
    for (JsonNode drive : drives) {
      if (drive.get("device").stringValue().equals(device)) {
        return drive;
      }
    }
    return JSON.createObjectNode();
  }

  @Test
  @Order(2)
  void readsWhoEachIs() throws IOException {
    for (TestDisk disk : disks) {
      Guest.Result read =
          guest.tekmerion("probe", "read", guest.device(disk), "--out", "/tmp/read");
      JsonNode json = JSON.readTree(guest.sh("cat /tmp/read/reading.json").out());
      table.row(
          disk.label(),
          "read",
          disk.serial(),
          read.exit() == 0 ? json.at("/identity/serial").asString("none") : read.all());
    }
    table.mustHold("read");
  }

  @Test
  @Order(3)
  void findsEveryBadSectorAndInventsNone() throws IOException {
    for (TestDisk disk : disks) {
      Guest.Result result = guest.tekmerion("surface", "--quiet", guest.device(disk));
      table.row(
          disk.label(),
          "surface",
          disk.badSectors(),
          result.exit() == 0 ? bad(result.json()) : result.all());
    }
    table.mustHold("surface");
  }

  @Test
  @Order(4)
  void aSampleInventsNone() throws IOException {
    for (TestDisk disk : disks) {
      Guest.Result result = guest.tekmerion("surface", "--sampled", "--quiet", guest.device(disk));
      TreeSet<Long> invented = result.exit() == 0 ? bad(result.json()) : new TreeSet<>();
      invented.removeAll(disk.badSectors());
      String end = result.exit() == 0 ? result.json().get("end").stringValue() : result.all();
      table.row(disk.label(), "sampled", "complete []", end + " " + invented);
    }
    table.mustHold("sampled");
  }

  @Test
  @Order(5)
  void surveysWhatIsOnIt() throws IOException {
    for (TestDisk disk : disks) {
      Guest.Result result = guest.tekmerion("survey", guest.device(disk));
      table.row(
          disk.label(),
          "survey",
          "gpt, foreign-file-system, ext4 PAPERS, damage 0",
          result.exit() == 0 ? survey(result.json()) : result.all());
    }
    table.mustHold("survey");
  }

  private static String survey(JsonNode json) {
    JsonNode part = json.at("/parts/0");
    return "%s, %s, %s %s, damage %d"
        .formatted(
            json.path("scheme").asString(""),
            json.path("reason").asString(""),
            part.path("content").asString(""),
            part.path("label").asString(""),
            json.path("damage").size());
  }

  @Test
  @Order(6)
  void rescuesAllButTheBadSectors() throws IOException {
    for (TestDisk disk : disks) {
      guest.sh("rm -f /scratch/r.img /scratch/r.map");
      Guest.Result result =
          guest.tekmerion(
              "rescue", guest.device(disk), "/scratch/r.img", "--map", "/scratch/r.map");
      long lost = (long) disk.badSectors().size() * disk.kind().sectorBytes;
      table.row(
          disk.label(),
          "rescue",
          "%d lost, %s".formatted(lost, disk.expectedSha256()),
          result.out().isEmpty()
              ? result.all()
              : "%d lost, %s"
                  .formatted(
                      result.json().path("lostBytes").asLong(-1), runs.sha256("/scratch/r.img")));
    }
    guest.sh("rm -f /scratch/r.img /scratch/r.map");
    table.mustHold("rescue");
  }

  @Test
  @Order(7)
  void listsItsFiles() throws IOException {
    for (TestDisk disk : disks) {
      Guest.Result result = guest.tekmerion("files", guest.device(disk));
      int found = 0;
      for (String name : TestDisk.fileNames()) {
        found += result.out().contains(name) ? 1 : 0;
      }
      table.row(
          disk.label(),
          "files",
          TestDisk.fileNames().size(),
          result.exit() == 0 ? found : result.all());
    }
    table.mustHold("files");
  }

  @Test
  @Order(8)
  void aPulledDriveIsWaitedForAndLosesNothing() throws Exception {
    for (TestDisk disk : pulled) {
      for (String kind : List.of("SURFACE_SCAN", "RESCUE_WHOLE")) {
        String id = runs.start(kind, disk);
        runs.waitFor(id, RunsInGuest::isOnItsWay);
        guest.pull(disk);
        JsonNode away = runs.waitFor(id, RunsInGuest::isWaiting);
        guest.plugIn(disk);
        JsonNode ended = runs.end(id);
        table.row(
            disk.label(),
            "pull " + kind,
            "waits, COMPLETE, %d bad".formatted(disk.badSectors().size()),
            "%s, %s, %d bad%s"
                .formatted(
                    away.path("waits").isString() ? "waits" : "did not wait",
                    ended.path("end").asString(""),
                    kind.equals("SURFACE_SCAN")
                        ? badSectors(ended)
                        : ended.at("/result/lostBytes").asInt(-1) / disk.kind().sectorBytes,
                    ended.path("why").asString("").isEmpty()
                        ? ""
                        : ": " + ended.path("why").asString("")));
      }
      table.row(disk.label(), "pull image", disk.expectedSha256(), runs.imageSha256(disk));
    }
    table.mustHold("pull SURFACE", "pull RESCUE_WHOLE", "pull image");
  }

  /** A program that is killed with no warning, in its first seconds and later. */
  @Test
  @Order(9)
  void aKilledRescueGoesOn() throws Exception {
    for (TestDisk disk : pulled) {
      guest.sh("rm -f /scratch/k.img /scratch/k.map");
      for (String seconds : List.of("9", "12")) {
        guest.sh(
            ("java -XX:TieredStopAtLevel=1 -XX:+UseSerialGC -Xmx128m -cp '/tools/classes:/tools/lib/*'"
                    + " tekmerion.probe.Tekmerion rescue %s /scratch/k.img --map /scratch/k.map"
                    + " >/tmp/k.log 2>&1 & p=$!; sleep %s; kill -9 $p; wait $p")
                .formatted(guest.device(disk), seconds));
      }
      Guest.Result result =
          guest.tekmerion(
              "rescue", guest.device(disk), "/scratch/k.img", "--map", "/scratch/k.map");
      table.row(
          disk.label(),
          "kill and resume",
          disk.expectedSha256(),
          result.out().isEmpty() ? result.all() : runs.sha256("/scratch/k.img"));
    }
    guest.sh("rm -f /scratch/k.img /scratch/k.map");
    table.mustHold("kill and resume");
  }

  @Test
  @Order(10)
  void selfTestsRunOrSayWhyNot() throws Exception {
    Map<Kind, String> expected = new LinkedHashMap<>();
    expected.put(Kind.AHCI_512N, "COMPLETE");
    expected.put(Kind.AHCI_512E, "COMPLETE");
    expected.put(Kind.IDE_512, "COMPLETE");
    for (TestDisk disk : disks) {
      String id = runs.start("SELF_TEST_SHORT", disk);
      JsonNode ended = runs.end(id);
      // The other emulated ones have no self-test.
      table.row(
          disk.label(),
          "self-test",
          expected.getOrDefault(disk.kind(), "COULD_NOT_RUN"),
          ended.path("end").asString("")
              + (ended.path("end").asString("").equals("COMPLETE")
                      || !expected.containsKey(disk.kind())
                  ? ""
                  : ": " + ended.path("why").asString("")));
    }
    table.mustHold("self-test");
  }

  @Test
  @Order(20)
  void erasesTheReleasedDriveAndNoOther() throws Exception {
    List<TestDisk> all = new ArrayList<>(disks);
    all.addAll(pulled);
    for (TestDisk disk : all) {
      table.row(disk.label(), "writes", 0L, guest.writes(disk));
    }
    for (TestDisk disk : List.of(disks.get(0), disks.get(2), disks.get(4), disks.get(7))) {
      guest.run("release", "none");
      guest.sh("blockdev --setro " + guest.device(disk)); // as the stick sets every drive
      JsonNode refused = runs.end(runs.start("ERASE", disk));
      guest.run("release", runs.key(disk));
      JsonNode ended = runs.end(runs.start("ERASE", disk));
      table.row(
          disk.label(),
          "erase",
          "COULD_NOT_RUN without, COMPLETE with, all zero: true, read-only again: 1",
          "%s without, %s with, all zero: %s, read-only again: %s"
              .formatted(
                  refused.path("end").asString(""),
                  ended.path("end").asString("") + ended.path("why").asString(""),
                  disk.isAllZero(),
                  guest.sh("blockdev --getro " + guest.device(disk)).out().strip()));
      all.remove(disk);
      for (TestDisk other : all) {
        if (guest.writes(other) != 0) {
          table.row(other.label(), "writes", 0L, guest.writes(other));
        }
      }
    }
    table.mustHold("writes", "erase");
    Files.writeString(
        Path.of(System.getProperty("tekmerion.home"), ".tekmerion/devices.md"), table.text());
  }

  private static int badSectors(JsonNode ended) {
    int bad = 0;
    for (JsonNode range : ended.at("/result/bad")) {
      bad += range.get("sectors").intValue();
    }
    return bad;
  }

  static TreeSet<Long> bad(JsonNode surface) {
    TreeSet<Long> found = new TreeSet<>();
    for (JsonNode range : surface.get("bad")) {
      long first = range.get("firstSector").longValue();
      for (long s = 0; s < range.get("sectors").longValue(); s++) {
        found.add(first + s);
      }
    }
    return found;
  }
}

package tekmerion.probe.devices;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.io.TempDir;
import tekmerion.probe.devices.TestDisk.Kind;
import tools.jackson.databind.JsonNode;

/**
 * Drives whose names change, that tell another serial, that come later: two of one model, and no
 * name worldwide, told apart by their serials only.
 */
@EnabledIfSystemProperty(named = "tekmerion.devices", matches = "true")
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class MovingDevicesTest {
  private static final int SLOW = 6 << 20;

  @TempDir static Path folder;

  private final List<TestDisk> disks = new ArrayList<>();
  private Guest guest;
  private RunsInGuest runs;

  @BeforeAll
  void start() throws Exception {
    for (Kind kind : List.of(Kind.SCSI_512N, Kind.SCSI_512N, Kind.USB_512)) {
      disks.add(TestDisk.make(folder, kind, disks.size(), 2, TestDisk.ENODATA).slowedTo(SLOW));
    }
    guest = Guest.start(GuestParts.built(), folder, disks);
    runs = new RunsInGuest(guest);
  }

  @AfterAll
  void stop() throws IOException {
    if (guest != null) {
      guest.close();
    }
  }

  @Test
  void twoThatSwapNamesWhileTheProbeIsOffKeepTheirOwn() throws Exception {
    boolean inOrder = guest.device(disks.get(0)).compareTo(guest.device(disks.get(1))) < 0;
    TestDisk first = disks.get(inOrder ? 0 : 1);
    TestDisk second = disks.get(inOrder ? 1 : 0); // the kernel gives the lowest free name
    String surface = runs.start("SURFACE_SCAN", first);
    runs.waitFor(surface, RunsInGuest::isOnItsWay);
    String copy = runs.start("RESCUE_WHOLE", second);
    runs.waitFor(copy, RunsInGuest::isOnItsWay);
    String nameOfFirst = guest.device(first);
    String nameOfSecond = guest.device(second);

    guest.run("off");
    guest.pull(first);
    guest.pull(second);
    guest.plugIn(second);
    guest.plugIn(first);
    assertThat(guest.device(second)).as("else nothing is shown").isEqualTo(nameOfFirst);
    assertThat(guest.device(first)).isEqualTo(nameOfSecond);
    guest.run("on");

    JsonNode ofFirst = runs.end(surface);
    assertThat(ofFirst.path("end").asString("")).as(ofFirst.toString()).isEqualTo("COMPLETE");
    assertThat(ofFirst.at("/drive/serial").asString("")).isEqualTo(first.serial());
    assertThat(ofFirst.at("/result/bad/0/firstSector").longValue())
        .isEqualTo(first.badSectors().first());
    assertThat(ofFirst.at("/result/bad").size()).isEqualTo(first.badSectors().size());
    JsonNode ofSecond = runs.end(copy);
    assertThat(ofSecond.path("end").asString("")).as(ofSecond.toString()).isEqualTo("COMPLETE");
    assertThat(ofSecond.at("/drive/serial").asString("")).isEqualTo(second.serial());
    assertThat(runs.imageSha256(second)).isEqualTo(second.expectedSha256());
  }

  /** A change of firmware, or another drive in its shell: nobody can know, so nothing goes on. */
  @Test
  void aDriveThatComesBackWithAnotherSerialIsNotGoneOnWith() throws Exception {
    TestDisk disk = disks.get(2);
    String copy = runs.start("RESCUE_WHOLE", disk);
    runs.waitFor(copy, RunsInGuest::isOnItsWay);
    guest.pull(disk);
    runs.waitFor(copy, RunsInGuest::isWaiting);

    guest.plugInAs(disk, 77);
    Thread.sleep(10_000);
    assertThat(runs.state(copy).path("waits").asString("")).isNotEmpty();
    JsonNode drives = guest.tekmerion("probe", "list").json().get("drives");
    assertThat(drives.toString()).contains("TEKD0077").doesNotContain(disk.serial());

    guest.pullFrom(disk, 77);
    guest.plugIn(disk);
    JsonNode ended = runs.end(copy);
    assertThat(ended.path("end").asString("")).as(ended.toString()).isEqualTo("COMPLETE");
    assertThat(runs.imageSha256(disk)).isEqualTo(disk.expectedSha256());
  }

  /** Within two seconds after the system has it. */
  @Test
  void oneThatIsPluggedInLaterIsThere() throws Exception {
    TestDisk disk = disks.get(1);
    guest.pull(disk);
    assertThat(guest.run("keys").json().toString()).doesNotContain(disk.serial());

    guest.plugIn(disk);
    long seen = System.nanoTime();

    assertThat(guest.run("keys").json().toString()).contains(disk.serial());
    assertThat((System.nanoTime() - seen) / 1e9).isLessThan(2);
  }
}

package tekmerion.probe.devices;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.io.TempDir;
import tekmerion.probe.devices.TestDisk.Kind;
import tools.jackson.databind.JsonNode;

/** Every instrument on every kind of device, compared with the truth. */
@EnabledIfSystemProperty(named = "tekmerion.devices", matches = "true")
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class DevicesTest {
  @TempDir static Path folder;

  private final List<TestDisk> disks = new ArrayList<>();
  private Guest guest;

  @BeforeAll
  void start() throws Exception {
    Path home = Path.of(System.getProperty("tekmerion.home"));
    GuestParts parts =
        GuestParts.in(
            home.resolve(".tekmerion/devices").toAbsolutePath(),
            List.of(
                home.resolve("core/target/classes").toAbsolutePath(),
                home.resolve("link/target/classes").toAbsolutePath(),
                home.resolve("sim/target/classes").toAbsolutePath(),
                home.resolve("probe/target/classes").toAbsolutePath(),
                home.resolve("probe/target/test-classes").toAbsolutePath()),
            List.of(home.resolve("probe/target/lib").toAbsolutePath()));
    int number = 0;
    for (Kind kind : Kind.values()) {
      int errno =
          kind.bus.equals("scsi") || kind.bus.equals("usb") ? TestDisk.ENODATA : TestDisk.EIO;
      disks.add(TestDisk.make(folder, kind, number, 6, errno));
      number++;
    }
    guest = Guest.start(parts, folder, disks);
  }

  @AfterAll
  void stop() throws IOException {
    if (guest != null) {
      guest.close();
    }
  }

  @Test
  void everyBadSectorIsFoundAndNoneInvented() throws IOException {
    System.out.println(guest.sh("cat /proc/partitions; ls -l /dev/disk; cat /proc/uptime").all());
    System.out.println(guest.tekmerion("probe", "list").all());
    for (TestDisk disk : disks) {
      String device = guest.device(disk);
      System.out.println(disk.label() + " " + device);
      long began = System.nanoTime();
      Guest.Result result = guest.tekmerion("surface", "--quiet", device);
      System.out.println(
          (System.nanoTime() - began) / 1_000_000 + " ms, exit " + result.exit() + result.err());
      if (result.exit() == 0) {
        System.out.println("found " + bad(result.json()) + " expected " + disk.badSectors());
      } else {
        System.out.println(result.all());
      }
    }
    System.out.println(guest.sh("dmesg | tail -60").out());
  }

  private static TreeSet<Long> bad(JsonNode surface) {
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

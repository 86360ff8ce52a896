package tekmerion.probe.linux;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tekmerion.core.battery.AdapterReport;
import tekmerion.core.battery.BatteryReport;
import tekmerion.core.battery.SupplyBattery;
import tekmerion.core.load.LoadInterval;
import tekmerion.core.load.LoadSnapshot;
import tekmerion.core.memory.identity.MemoryRecords;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;

/** Folders laid out as the kernel lays them out; and this computer's own counters. */
class LinuxPartsTest {
  @TempDir Path sys;

  private void file(String path, String content) throws IOException {
    Files.createDirectories(sys.resolve(path).getParent());
    Files.writeString(sys.resolve(path), content + "\n");
  }

  @Test
  void readsBatteryAndAdapterFromTheirFolders() throws IOException {
    file("BAT1/type", "Battery");
    file("BAT1/charge_full_design", "4000000");
    file("BAT1/charge_full", "3000000");
    file("BAT1/status", "Discharging");
    file("BAT1/uevent", "POWER_SUPPLY_NAME=BAT1");
    file("AC/type", "Mains");
    file("AC/online", "0");
    LinuxBattery battery = LinuxBattery.find(sys).orElseThrow();

    BatteryReport report =
        SupplyBattery.decode(battery.read(PageKind.BATTERY_SUPPLY).bytes().orElseThrow())
            .decoded()
            .orElseThrow();
    AdapterReport adapter =
        AdapterReport.decode(battery.read(PageKind.ADAPTER_SUPPLY).bytes().orElseThrow())
            .decoded()
            .orElseThrow();

    assertThat(report.health()).hasValue(0.75);
    assertThat(adapter.plugged()).contains(false);
    assertThat(LinuxBattery.find(sys.resolve("none"))).isEmpty();
  }

  @Test
  void readsTwoPacksTellsAnEmptyBayAndLeavesAMouseOut() throws IOException {
    file("BAT0/type", "Battery");
    file("BAT0/present", "0");
    file("BAT1/type", "Battery");
    file("BAT1/present", "1");
    file("BAT1/charge_full", "3000000");
    file("hid-mouse/type", "Battery");
    file("hid-mouse/scope", "Device");
    LinuxBattery battery = LinuxBattery.find(sys).orElseThrow();

    assertThat(battery.kinds()).contains(PageKind.BATTERY_SUPPLY, PageKind.BATTERY_SUPPLY_2);
    assertThat(battery.read(PageKind.BATTERY_SUPPLY).bytes()).isPresent(); // the one that is there
    assertThat(battery.read(PageKind.BATTERY_SUPPLY_2))
        .isEqualTo(new PageAnswer.NotReported("its bay is empty: no battery sits in BAT0"));

    file("BAT1/present", "0");
    assertThat(battery.read(PageKind.BATTERY_SUPPLY)).isInstanceOf(PageAnswer.NotReported.class);
  }

  @Test
  void readsCountersOfMemoryErrors() throws IOException {
    String module = "devices/system/edac/mc/mc0/dimm3/";
    file(module + "dimm_label", "SLOT_2");
    file(module + "dimm_ce_count", "12");
    file(module + "dimm_ue_count", "0");
    LinuxBoard board = new LinuxBoard(sys, LocalDrives.RING);

    PageAnswer answer = board.read(PageKind.MEMORY_RECORDS);

    MemoryRecords records =
        MemoryRecords.decode(answer.bytes().orElseThrow()).decoded().orElseThrow();
    assertThat(records.errors(true)).hasValue(12);
    assertThat(records.worst()).contains("SLOT_2");
    assertThat(board.read(PageKind.SMBIOS)).isInstanceOf(PageAnswer.NotReported.class);
  }

  /** Whatever this computer is doing, it can be told. */
  @Test
  void samplesThisComputer() throws InterruptedException {
    LinuxLoad source = new LinuxLoad(Path.of("/proc"));

    LoadSnapshot a = LoadSnapshot.parse(source.snapshot());
    Thread.sleep(300);
    long[] late = source.lateness(20);
    LoadSnapshot b = LoadSnapshot.parse(source.snapshot());

    Optional<LoadInterval> between = LoadInterval.between(a, b);
    assertThat(between).isPresent();
    assertThat(between.get().seconds()).isBetween(0.25, 30.0);
    assertThat(between.get().cpu()).isBetween(0.0, 1.0);
    assertThat(b.programs()).isNotEmpty();
    assertThat(late).hasSize(20);
  }
}

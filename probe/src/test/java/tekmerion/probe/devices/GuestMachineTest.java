package tekmerion.probe.devices;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.TreeSet;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/**
 * What is no drive of a kind: the firmware's table, batteries of ACPI, the kernel's own emulated
 * disk with medium errors, a loop device, and how fast a pass is beside plain direct reads.
 */
@EnabledIfSystemProperty(named = "tekmerion.devices", matches = "true")
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class GuestMachineTest {
  /** Two packs that count charge, an empty bay, and an adapter that is off. */
  private static final String ACPI =
      """
      DefinitionBlock ("", "SSDT", 2, "TEKMER", "POWER", 1) {
        Scope (\\_SB) {
          Device (BAT0) {
            Name (_HID, EisaId ("PNP0C0A")) Name (_UID, 1) Name (_STA, 0x1F)
            Method (_BIF) { Return (Package () {
              1, 4400, 2050, 1, 11400, 440, 220, 1, 1, "PM-3", "417", "LION", "Lodestar" }) }
            Method (_BST) { Return (Package () { 1, 1200, 1500, 11873 }) }
          }
          Device (BAT1) {
            Name (_HID, EisaId ("PNP0C0A")) Name (_UID, 2) Name (_STA, 0x1F)
            Method (_BIF) { Return (Package () {
              1, 2200, 1650, 1, 11400, 220, 110, 1, 1, "PM-1", "88", "LION", "Lodestar" }) }
            Method (_BST) { Return (Package () { 0, 0, 900, 11900 }) }
          }
          Device (BAT2) {
            Name (_HID, EisaId ("PNP0C0A")) Name (_UID, 3) Name (_STA, 0x0F)
            Method (_BIF) { Return (Package () {
              1, 0, 0, 1, 0, 0, 0, 1, 1, "", "", "", "" }) }
            Method (_BST) { Return (Package () { 0, 0, 0, 0 }) }
          }
          Device (ADP0) {
            Name (_HID, "ACPI0003") Name (_PCL, Package () { \\_SB })
            Method (_PSR) { Return (0) } Method (_STA) { Return (0x0F) }
          }
        }
      }
      """;

  private static final String UUID = "4b1d0e6c-7a52-4f0e-9b3e-2f6a3f0d7c11";
  private static final long BIG_BYTES = 1L << 30;

  @TempDir static Path folder;

  private Guest guest;

  @BeforeAll
  void start() throws Exception {
    Path source = folder.resolve("power.asl");
    Files.writeString(source, ACPI);
    Shell.run(folder, "iasl", "-p", "power", source.toString());
    guest =
        Guest.start(
            GuestParts.built(),
            folder,
            List.of(),
            "-blockdev",
            "driver=null-co,node-name=big,read-zeroes=on,size=" + BIG_BYTES,
            "-device",
            "nvme,drive=big,serial=BIG",
            "-acpitable",
            "file=" + folder.resolve("power.aml"),
            "-smbios",
            "type=0,vendor=Fjord firmware,version=1.42,date=03/15/2024",
            "-smbios",
            "type=1,manufacturer=Ostrel,product=14 laptop,version=v2,serial=OST14-7,uuid=" + UUID,
            "-smbios",
            "type=2,manufacturer=Ostrel,product=OB-14,serial=B-0071",
            "-smbios",
            "type=3,manufacturer=Ostrel,serial=C-0071",
            "-smbios",
            "type=17,loc_pfx=Slot,manufacturer=Harbour,part=HBR-1G,serial=S1,speed=3200");
  }

  @AfterAll
  void stop() throws IOException {
    if (guest != null) {
      guest.close();
    }
  }

  @Test
  void theFirmwaresTableTellsTheMachine() throws IOException {
    JsonNode told = guest.run("part", "board").json().get("smbios");

    assertThat(told.path("biosVersion").asString("")).isEqualTo("1.42");
    assertThat(told.path("biosDate").asString("")).isEqualTo("03/15/2024");
    assertThat(told.path("product").asString("")).isEqualTo("14 laptop");
    assertThat(told.path("serial").asString("")).isEqualTo("OST14-7");
    assertThat(told.path("uuid").asString("")).isEqualToIgnoringCase(UUID);
    assertThat(told.path("boardProduct").asString("")).isEqualTo("OB-14");
    assertThat(told.path("chassisSerial").asString("")).isEqualTo("C-0071");
    assertThat(told.at("/memorySlots/0/sizeBytes").longValue()).isEqualTo(1L << 30); // -m 1024
    assertThat(told.at("/memorySlots/0/partNumber").asString("")).isEqualTo("HBR-1G");
    assertThat(told.at("/memorySlots/0/ratedMillionTransfers").intValue()).isEqualTo(3200);
  }

  /** 2,050 of 4,400 mAh and 1,650 of 2,200. */
  @Test
  void bothPacksAreReadAndTheAdapterIsOff() throws IOException {
    Guest.Result result = guest.run("part", "battery");
    assertThat(result.out()).as(result.all()).isNotEmpty();
    JsonNode told = result.json();

    assertThat(told.at("/battery-supply/model").asString("")).isEqualTo("PM-3");
    assertThat(told.at("/battery-supply/health").doubleValue())
        .isCloseTo(2_050 / 4_400.0, within(1e-6));
    assertThat(told.at("/battery-supply/amperesOut").doubleValue()).isCloseTo(1.2, within(1e-6));
    assertThat(told.at("/battery-supply/chemistry").asString("")).isEqualTo("Li-ion");
    assertThat(told.at("/battery-supply-2/model").asString("")).isEqualTo("PM-1");
    assertThat(told.at("/battery-supply-2/health").doubleValue()).isCloseTo(0.75, within(1e-6));
    assertThat(told.at("/adapter-supply/plugged").booleanValue()).isFalse();
  }

  /** Sectors 16,384 to 16,387 give a medium error with sense data, all others answer. */
  @Test
  void theKernelsOwnDiskHasItsMediumErrorsAndNoOther() throws IOException {
    guest.sh(
        "for m in $(cat /modules/scsi_debug); do [ $m = scsi_debug.ko ] && a='dev_size_mb=32 opts=2"
            + " medium_error_start=16384 medium_error_count=4 ndelay=10000' || a=; insmod"
            + " /modules/$m $a 2>/dev/null; done; sleep 3");
    String device =
        guest
            .sh(
                "for d in /sys/block/sd*; do grep -qs scsi_debug $d/device/model && echo"
                    + " /dev/${d##*/}; done")
            .out()
            .strip();
    assertThat(device).startsWith("/dev/sd");

    Guest.Result surface = guest.tekmerion("surface", "--quiet", device);

    assertThat(surface.exit()).as(surface.all()).isZero();
    assertThat(DevicesTest.bad(surface.json()))
        .isEqualTo(new TreeSet<>(List.of(16_384L, 16_385L, 16_386L, 16_387L)));
    Guest.Result rescue =
        guest.tekmerion("rescue", device, "/scratch/d.img", "--map", "/scratch/d.map");
    assertThat(rescue.json().path("lostBytes").asLong(-1)).isEqualTo(4 * 512);
    guest.sh("rm -f /scratch/d.img /scratch/d.map");
  }

  @Test
  void aLoopDeviceIsReadWhole() throws IOException {
    guest.sh(
        "dd if=/dev/urandom of=/scratch/loop.img bs=1M count=16; losetup /dev/loop0"
            + " /scratch/loop.img");
    Guest.Result surface = guest.tekmerion("surface", "--quiet", "/dev/loop0");
    Guest.Result rescue =
        guest.tekmerion("rescue", "/dev/loop0", "/scratch/l.img", "--map", "/scratch/l.map");

    assertThat(surface.exit()).as(surface.all()).isZero();
    assertThat(surface.json().get("end").stringValue()).isEqualTo("complete");
    assertThat(surface.json().get("bad")).isEmpty();
    assertThat(rescue.exit()).as(rescue.all()).isZero();
    RunsInGuest runs = new RunsInGuest(guest);
    assertThat(runs.sha256("/scratch/l.img")).isEqualTo(runs.sha256("/scratch/loop.img"));
    guest.sh("losetup -d /dev/loop0; rm -f /scratch/loop.img /scratch/l.img /scratch/l.map");
  }

  /**
   * A measurement, not a check: interleaved, the median of nine. The processors are emulated, so
   * only the ratio says something. The drive is QEMU's own that costs no time.
   */
  @Test
  void measuresAPassBesidePlainDirectReads() throws IOException {
    String device =
        guest
            .sh(
                "for d in /sys/block/nvme*n1; do grep -qs BIG $d/device/serial && echo"
                    + " /dev/${d##*/}; done")
            .out()
            .strip();
    guest.tekmerion("surface", "--quiet", device); // compiled by then
    guest.run("plain", device);
    double[] ratios = new double[9];
    for (int i = 0; i < ratios.length; i++) {
      double plain = Double.parseDouble(guest.run("plain", device).out().strip());
      JsonNode pass = guest.tekmerion("surface", "--quiet", device).json();
      assertThat(pass.get("bytesRead").longValue()).isEqualTo(BIG_BYTES);
      ratios[i] = pass.get("bytesPerSecond").doubleValue() / plain;
    }
    Arrays.sort(ratios);
    System.out.printf(
        "A pass beside plain direct reads in the guest: median %.3f (%.3f to %.3f)%n",
        ratios[4], ratios[0], ratios[8]);
  }
}

package tekmerion.sim;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tekmerion.core.drive.PartReading;
import tekmerion.core.drive.ata.IdentifyDevice;
import tekmerion.core.drive.ata.SmartAttribute;
import tekmerion.core.drive.ata.SmartData;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.Fault;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.port.PageKind;
import tekmerion.core.port.PageSource;

class SimMachinesTest {
  private static final Instant START = Instant.parse("2026-11-23T08:00:00Z");

  /** A clock that is moved by hand. */
  private static final class Hand extends Clock {
    private Instant now = START;

    @Override
    public Instant instant() {
      return now;
    }

    @Override
    public ZoneOffset getZone() {
      return ZoneOffset.UTC;
    }

    @Override
    public Clock withZone(ZoneId zone) {
      return this;
    }
  }

  private final Hand clock = new Hand();

  private PageSource drive(String name) {
    MachineUnderTest machine = new SimMachines(clock).open("sim:" + name + ",0").orElseThrow();
    return machine.drives().get(0).pages();
  }

  private static SmartData smart(PageSource drive) {
    return drive
        .read(PageKind.ATA_SMART)
        .bytes()
        .map(SmartData::decode)
        .flatMap(Decoding::decoded)
        .orElseThrow();
  }

  private static long raw(SmartData smart, int id) {
    return smart.attribute(id).map(SmartAttribute::raw).orElseThrow();
  }

  @Test
  void saysWhoItIs() {
    IdentifyDevice identify =
        drive("worn-disk")
            .read(PageKind.ATA_IDENTIFY)
            .bytes()
            .map(IdentifyDevice::decode)
            .flatMap(Decoding::decoded)
            .orElseThrow();

    assertThat(identify.serialNumber()).isEqualTo("OS7K-44019-B");
    assertThat(identify.capacityBytes()).hasValue(1_000_204_886_016L); // IDEMA LBA1-03, 1,000 GB
    assertThat(identify.rotationRatePerMinute()).hasValue(5400);
  }

  @Test
  void damageBreedsDamageWhileItRuns() {
    PageSource worn = drive("worn-disk");
    SmartData before = smart(worn);
    clock.now = START.plus(Duration.ofHours(40));
    SmartData after = smart(worn);

    assertThat(raw(before, 197)).isPositive();
    assertThat(raw(after, 197) + raw(after, 5)).isGreaterThan(raw(before, 197) + raw(before, 5));
    assertThat(raw(after, 5)).isGreaterThanOrEqualTo(raw(before, 5));
    assertThat(raw(after, 9) & 0xFF_FFFF).isEqualTo((raw(before, 9) & 0xFF_FFFF) + 40);
  }

  @Test
  void aSoundDriveStaysSound() {
    PageSource sound = drive("sound-drive");
    clock.now = START.plus(Duration.ofDays(100));

    assertThat(raw(smart(sound), 197)).isZero();
    assertThat(raw(smart(sound), 5)).isZero();
  }

  @Test
  void theSameFateTwice() {
    assertThat(smart(drive("worn-disk"))).isEqualTo(smart(drive("worn-disk")));
  }

  @Test
  void theBadBridgeGarblesTheSelfReportOnly() {
    PageSource bridge = drive("bad-bridge");

    for (int i = 0; i < 200; i++) {
      PartReading reading =
          new PartReading(
              Map.of(
                  PageKind.ATA_SMART, bridge.read(PageKind.ATA_SMART),
                  PageKind.ATA_IDENTIFY, bridge.read(PageKind.ATA_IDENTIFY)));
      assertThat(reading.smart().flatMap(Decoding::damage))
          .map(Fault::kind)
          .hasValue(Fault.Kind.BAD_CHECKSUM);
      assertThat(reading.identify().flatMap(Decoding::damage)).isEmpty();
    }
  }

  @Test
  void knowsOnlyItsOwnNames() {
    assertThat(new SimMachines().open("sim:unheard-of")).isEmpty();
    assertThat(new SimMachines().open("/dev/sda")).isEmpty();
  }
}

package tekmerion.core.battery;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import tekmerion.core.page.Fault;
import tekmerion.core.page.RawPage;

/** Packs in both units and by both ways of asking, and what is no report of a pack. */
class BatteryReportTest {
  /** Numbers by the kernel's units: µAh, µV, µA, tenths of a degree. */
  private static final String CHARGE =
      """
      POWER_SUPPLY_NAME=BAT0
      POWER_SUPPLY_TYPE=Battery
      POWER_SUPPLY_STATUS=Discharging
      POWER_SUPPLY_TECHNOLOGY=Li-ion
      POWER_SUPPLY_CYCLE_COUNT=412
      POWER_SUPPLY_VOLTAGE_MIN_DESIGN=11400000
      POWER_SUPPLY_VOLTAGE_NOW=11873000
      POWER_SUPPLY_CURRENT_NOW=1204000
      POWER_SUPPLY_CHARGE_FULL_DESIGN=4385000
      POWER_SUPPLY_CHARGE_FULL=2631000
      POWER_SUPPLY_CHARGE_NOW=1973000
      POWER_SUPPLY_CAPACITY=75
      POWER_SUPPLY_TEMP=312
      POWER_SUPPLY_MODEL_NAME=PM-3
      POWER_SUPPLY_MANUFACTURER=Lodestar
      POWER_SUPPLY_SERIAL_NUMBER=00417
      """;

  @Test
  void aBusThatReachesNoPackIsNoPackWithAlarms() {
    byte[] ones = {
      0x16, 2, (byte) 0xFF, (byte) 0xFF,
      0x09, 2, (byte) 0xFF, (byte) 0xFF,
      0x0A, 2, (byte) 0xFF, (byte) 0xFF,
      0x18, 2, (byte) 0xFF, (byte) 0xFF
    };

    assertThat(SmartBattery.decode(new RawPage(ones)).damage().orElseThrow().kind())
        .isEqualTo(Fault.Kind.ALL_ONES);
  }

  @Test
  void readsAPackThatCountsCharge() {
    BatteryReport report = supply(CHARGE);

    assertThat(report.design()).contains(new Amount(4.385, Amount.Unit.AMPERE_HOURS));
    assertThat(report.health().orElseThrow()).isCloseTo(0.6, within(1e-9)); // 2,631 of 4,385
    assertThat(report.cycles()).hasValue(412);
    assertThat(report.amperes()).hasValue(1.204);
    assertThat(report.celsius().orElseThrow()).isCloseTo(31.2, within(1e-9));
    assertThat(report.doubts()).isEmpty();
    int at = CHARGE.indexOf("POWER_SUPPLY_CHARGE_FULL=");
    assertThat(report.span("CHARGE_FULL").orElseThrow().offset()).isEqualTo(at);
  }

  @Test
  void readsAPackThatCountsEnergyAndTellsItsPowerOnly() {
    BatteryReport report =
        supply(
            """
            POWER_SUPPLY_TYPE=Battery
            POWER_SUPPLY_STATUS=Charging
            POWER_SUPPLY_VOLTAGE_NOW=12000000
            POWER_SUPPLY_POWER_NOW=24000000
            POWER_SUPPLY_ENERGY_FULL_DESIGN=57000000
            POWER_SUPPLY_ENERGY_FULL=51300000
            POWER_SUPPLY_CYCLE_COUNT=0
            """);

    assertThat(report.full()).contains(new Amount(51.3, Amount.Unit.WATT_HOURS));
    assertThat(report.health().orElseThrow()).isCloseTo(0.9, within(1e-9));
    assertThat(report.amperes()).hasValue(-2); // 24 W at 12 V, into it
    assertThat(report.cycles()).as("0 is a pack that does not count").isEmpty();
    assertThat(report.left()).isEmpty();
  }

  @Test
  void tellsTheLimitAndTheTimeThatIsLeft() {
    BatteryReport report =
        supply(
            CHARGE
                + "POWER_SUPPLY_CHARGE_CONTROL_END_THRESHOLD=80\n"
                + "POWER_SUPPLY_TIME_TO_EMPTY_AVG=5400\n");

    assertThat(report.chargeLimit()).hasValue(0.8);
    assertThat(report.minutesLeft()).hasValue(90);
  }

  /** 100 µAh is no pack of a machine; and then nothing can be a share of it. */
  @Test
  void aDesignOfNearlyNothingIsADoubtAndGivesNoHealth() {
    BatteryReport report =
        supply(
            CHARGE
                .replace("FULL_DESIGN=4385000", "FULL_DESIGN=100")
                .replace("FULL=2631000", "FULL=100"));

    assertThat(report.design()).isEmpty();
    assertThat(report.health()).isEmpty();
    assertThat(report.doubts()).hasSize(2);
  }

  /** 4.385 + 2 Ah and 2.631 + 1 Ah: 3.631 of 6.385. */
  @Test
  void twoPacksAreSummedAndOneThatIsSilentLeavesNoSum() {
    BatteryReport first = supply(CHARGE);
    BatteryReport second =
        supply(
            "POWER_SUPPLY_TYPE=Battery\nPOWER_SUPPLY_CHARGE_FULL_DESIGN=2000000\n"
                + "POWER_SUPPLY_CHARGE_FULL=1000000\n");

    PackSum both = PackSum.of(List.of(first, second));

    assertThat(both.design().orElseThrow().value()).isCloseTo(6.385, within(1e-9));
    assertThat(both.health().orElseThrow()).isCloseTo(3.631 / 6.385, within(1e-9));
    assertThat(both.left()).as("the second does not tell it").isEmpty();
  }

  @Test
  void keepsWhatCannotBeAsADoubt() {
    BatteryReport report =
        supply(CHARGE.replace("TEMP=312", "TEMP=40000").replace("FULL=2631000", "FULL=many"));

    assertThat(report.celsius()).isEmpty();
    assertThat(report.full()).isEmpty();
    assertThat(report.health()).isEmpty();
    assertThat(report.doubts()).hasSize(2);
  }

  @Test
  void tellsAnAdapterFromABattery() {
    RawPage adapter =
        page(
            """
            POWER_SUPPLY_TYPE=USB
            POWER_SUPPLY_USB_TYPE=C [PD] PD_PPS
            POWER_SUPPLY_ONLINE=1
            POWER_SUPPLY_VOLTAGE_MAX=20000000
            POWER_SUPPLY_CURRENT_MAX=2250000
            """);

    assertThat(SupplyBattery.decode(adapter).damage().map(Fault::kind))
        .contains(Fault.Kind.WRONG_KIND);
    AdapterReport report = AdapterReport.decode(adapter).decoded().orElseThrow();
    assertThat(report.type()).isEqualTo("USB PD");
    assertThat(report.plugged()).contains(true);
    assertThat(report.mostWatts()).hasValue(45); // 20 V · 2.25 A
  }

  @Test
  void namesWhatIsNoText() {
    assertThat(fault(page(""))).isEqualTo(Fault.Kind.WRONG_SIZE);
    assertThat(fault(page("hello\n"))).isEqualTo(Fault.Kind.NOT_TEXT);
    assertThat(fault(new RawPage(new byte[40]))).isEqualTo(Fault.Kind.ALL_ZERO);
  }

  /** Clause 5.1: current scale 10^1, so 220 is 2,200 mAh; date 15 March 2023. */
  @Test
  void readsRegistersWithTheirScale() {
    int made = (2023 - 1980) << 9 | 3 << 5 | 15;
    RawPage page =
        new Registers()
            .word(0x03, 0x0000)
            .word(0x08, 3031) // 303.1 K
            .word(0x09, 11_870)
            .word(0x0A, -120 & 0xFFFF)
            .word(0x0D, 52)
            .word(0x0F, 110)
            .word(0x10, 220)
            .word(0x16, 0x00C0)
            .word(0x17, 301)
            .word(0x18, 440)
            .word(0x19, 11_400)
            .word(0x1A, 0x1031)
            .word(0x1B, made)
            .word(0x1C, 0x01A1)
            .text(0x21, "PM-3")
            .page();

    BatteryReport report = SmartBattery.decode(page).decoded().orElseThrow();

    assertThat(report.full()).contains(new Amount(220 * (10 / 1000.0), Amount.Unit.AMPERE_HOURS));
    assertThat(report.health().orElseThrow()).isCloseTo(0.5, within(1e-9));
    assertThat(report.amperes().orElseThrow()).isCloseTo(1.2, within(1e-9));
    assertThat(report.celsius().orElseThrow()).isCloseTo(29.95, within(1e-9)); // − 273.15
    assertThat(report.made()).contains(LocalDate.of(2023, 3, 15));
    assertThat(report.serial()).contains("01A1");
    assertThat(report.state()).contains("Discharging");
    assertThat(report.flags()).containsExactly("initialized"); // bit 7
    assertThat(report.alarms()).isEmpty();
  }

  /** Bit 15 of its mode: capacities in steps of 10 mWh. Bit 12 of its state: over temperature. */
  @Test
  void readsEnergyAndAlarms() {
    RawPage page =
        new Registers()
            .word(0x03, 0x8000)
            .word(0x10, 4_100)
            .word(0x16, 0x1040)
            .word(0x17, 0xFFFF)
            .word(0x18, 5_700)
            .page();

    BatteryReport report = SmartBattery.decode(page).decoded().orElseThrow();

    assertThat(report.full()).contains(new Amount(4_100 * 0.01, Amount.Unit.WATT_HOURS));
    assertThat(report.alarms()).containsExactly("over temperature");
    assertThat(report.cycles()).as("65,535 is more than it can count").isEmpty();
    assertThat(report.volts()).as("not asked for").isEmpty();
  }

  @Test
  void namesWhereARegisterListBreaksOff() {
    byte[] cut = {0x10, 0x02, 0x01, 0x02, 0x18, 0x02, 0x01};
    Fault fault = SmartBattery.decode(new RawPage(cut)).damage().orElseThrow();

    assertThat(fault.kind()).isEqualTo(Fault.Kind.WRONG_SIZE);
    assertThat(fault.offset()).isEqualTo(5); // the length that the rest cannot hold
  }

  private static BatteryReport supply(String text) {
    return SupplyBattery.decode(page(text)).decoded().orElseThrow();
  }

  private static Fault.Kind fault(RawPage page) {
    Optional<Fault> fault = SupplyBattery.decode(page).damage();
    return fault.orElseThrow().kind();
  }

  private static RawPage page(String text) {
    return new RawPage(text.getBytes(StandardCharsets.UTF_8));
  }

  private static final class Registers {
    private final ByteArrayOutputStream bytes = new ByteArrayOutputStream();

    Registers word(int command, int value) {
      bytes.write(command);
      bytes.write(2);
      bytes.write(value & 0xFF);
      bytes.write(value >> 8);
      return this;
    }

    Registers text(int command, String text) {
      bytes.write(command);
      bytes.write(text.length());
      bytes.writeBytes(text.getBytes(StandardCharsets.US_ASCII));
      return this;
    }

    RawPage page() {
      return new RawPage(bytes.toByteArray());
    }
  }
}

package tekmerion.core.drive.ata;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.entry;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.assertj.core.api.InstanceOfAssertFactories;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tekmerion.core.drive.Shown;
import tekmerion.core.page.Fault;
import tekmerion.core.page.RawPage;

/**
 * What is shown of each log, and beside which bytes: places by ACS-3, annex A, and for the general
 * logs by ACS-4 and Serial ATA 3.5.
 */
class AtaLogsShownTest {
  @Test
  void theSelfTestsOfBothLogs() {
    // Status 7 with 9 tenths left; 2710h = 10,000 h; 00AB54A9h = 11,228,329.
    SelfTestLog summary =
        SelfTestLog.decode(
                new Bytes()
                    .at(0, 1)
                    .at(2, 2, 0x79, 0x10, 0x27, 5, 0xA9, 0x54, 0xAB, 0)
                    .at(508, 1)
                    .sealed())
            .decoded()
            .orElseThrow();
    SelfTestLog extended =
        SelfTestLog.decodeExtended(
                new Bytes().at(0, 1).at(2, 1).at(4, 1, 0x00, 0x20, 0x27).sealed())
            .decoded()
            .orElseThrow();

    assertThat(Shown.fields(summary))
        .containsExactly(
            "newest @508+1 = 1",
            "test 1: test @2+1 = extended",
            "test 1: status @3+1 = completed; the read element failed",
            "test 1: remaining @3+1 = 90 %",
            "test 1: lifeTimestampHours @4+2 = 10000 h",
            "test 1: checkpoint @6+1 = 5",
            "test 1: firstFailingLba @7+4 = 11228329");
    assertThat(summary.json()).containsEntry("page", "SMART Self-Test log (06h)");
    assertThat(Shown.first(summary.json(), "entries"))
        .contains(
            entry("status", "FAILED_READ"),
            entry("remainingPercent", 90),
            entry("firstFailingLba", 11_228_329L));
    assertThat(Shown.fields(extended))
        .contains("newest @2+2 = 1", "test 1: firstFailingLba @9+6 = null");
    assertThat(extended.json()).containsEntry("page", "Extended SMART Self-Test log (07h)");
    assertThat(Shown.first(extended.json(), "entries")).containsEntry("firstFailingLba", null);
  }

  /** FFFFFFFFh and FFFFFFFFFFFFh: the test failed, and not at an address. */
  @Test
  void anAddressOfAllOnesIsNone() {
    RawPage summary =
        new Bytes().at(0, 1).at(2, 1, 0x70, 0, 0, 0, 255, 255, 255, 255).at(508, 1).sealed();
    RawPage extended =
        new Bytes().at(0, 1).at(2, 1).at(4, 1, 0x70, 0, 0, 0, 255, 255, 255, 255, 0, 0).sealed();

    assertThat(SelfTestLog.decode(summary).decoded().orElseThrow().entries().get(0))
        .extracting(e -> e.firstFailingLba().isPresent())
        .isEqualTo(false);
    // Thirty-two ones are an address where it has 48 bits.
    assertThat(
            SelfTestLog.decodeExtended(extended)
                .decoded()
                .orElseThrow()
                .entries()
                .get(0)
                .firstFailingLba())
        .hasValue(0xFFFF_FFFFL);
  }

  @Test
  void theErrorsOfBothLogs() {
    Bytes one = new Bytes().at(0, 1, 1).at(452, 0x2C, 0x01);
    one.at(2 + 48, 0, 0xAA, 8, 0x11, 0x22, 0x33, 0xE4, 0x25, 0x40, 0xE2, 0x01, 0x00);
    one.at(2 + 60, 0, 0x14, 8, 0x13, 0x22, 0x33, 0xE4, 0x51).at(2 + 60 + 27, 0x04, 0x39, 0x05);
    ErrorLog summary = ErrorLog.decode(one.sealed()).decoded().orElseThrow();
    Bytes two = new Bytes().at(0, 1).at(2, 1).at(500, 1);
    // Its last command: feature 0102h, count 0304h, LBA 060504030201h, device A0h, 25h, 00012345h
    // ms.
    two.at(4 + 72, 0, 2, 1, 4, 3, 1, 4, 2, 5, 3, 6, 0xA0, 0x25, 0, 0x45, 0x23, 1, 0);
    two.at(4 + 90, 0, 0x40, 1, 0, 1, 4, 2, 5, 3, 6, 0, 0x51).at(4 + 90 + 31, 2, 0x39, 5);
    ErrorLog extended = ErrorLog.decodeExtended(two.sealed()).decoded().orElseThrow();

    assertThat(Shown.fields(summary))
        .containsExactly(
            "newest @1+1 = 1",
            "error 1: commands @2+60 = 5",
            "error 1: error @63+1 = address not found, aborted",
            "error 1: lba @65+3 = 70459923", // 04332213h
            "error 1: state @89+1 = executing an off-line or self-test",
            "error 1: lifeTimestampHours @90+2 = 1337 h",
            "deviceErrorCount @452+2 = 300");
    assertThat(summary.json()).containsEntry("page", "Summary SMART Error log (01h)");
    assertThat(Shown.first(summary.json(), "entries"))
        .contains(
            entry("error", "14h"),
            entry("status", "51h"),
            entry("interfaceCrc", false),
            entry("uncorrectable", false),
            entry("idNotFound", true),
            entry("aborted", true),
            entry("count", 8));
    assertThat(Shown.fields(extended))
        .containsExactly(
            "newest @2+2 = 1",
            "error 1: commands @4+90 = 5",
            "error 1: error @95+1 = uncorrectable data",
            "error 1: lba @98+6 = 6618611909121", // 060504030201h
            "error 1: state @125+1 = standby",
            "error 1: lifeTimestampHours @126+2 = 1337 h",
            "deviceErrorCount @500+2 = 1");
    assertThat(extended.entries().get(0).commands().get(4))
        .isEqualTo(
            new LoggedError.LoggedCommand(
                0x25, 0x0102, 0x0304, 0x0605_0403_0201L, 0xA0, 0x0001_2345L));
    assertThat(Shown.first(extended.json(), "entries"))
        .extractingByKey("commands")
        .asInstanceOf(InstanceOfAssertFactories.LIST)
        .hasSize(5);
  }

  @ParameterizedTest(name = "state {0}: {1}")
  @CsvSource({
    "0, unknown",
    "1, sleep",
    "2, standby",
    "3, active or idle",
    "5, reserved",
    "10, reserved",
    "11, vendor specific",
    "15, vendor specific"
  })
  void whatTheDriveDid(int code, String words) {
    RawPage page = new Bytes().at(0, 1, 1).at(2 + 61, 0x40).at(2 + 87, 0xF0 | code).sealed();

    assertThat(ErrorLog.decode(page).decoded().orElseThrow().entries().get(0).state())
        .isEqualTo(words);
  }

  @Test
  void theDirectory() {
    LogDirectory logs =
        LogDirectory.decode(new Bytes().word(0, 1).word(4, 8).word(0xE0, 1).page())
            .decoded()
            .orElseThrow();

    assertThat(Shown.fields(logs))
        .containsExactly(
            "version @0+2 = 1", "log 04h: pages @8+2 = 8", "log E0h: pages @448+2 = 1");
    assertThat(logs.json())
        .contains(entry("version", 1), entry("pagesByLog", Map.of("04h", 8, "E0h", 1)));
  }

  @Test
  void theStatistics() {
    // Page 1: hours at 16, not valid now at 8, normalized at 40.
    DeviceStatistics page =
        DeviceStatistics.decode(
                new Bytes()
                    .at(0, 1, 0, 1)
                    .at(8, 9)
                    .at(15, 0x80)
                    .at(16, 0x74, 4)
                    .at(23, 0xC8)
                    .at(40, 7)
                    .at(47, 0xE0)
                    .page())
            .decoded()
            .orElseThrow();

    assertThat(Shown.fields(page))
        .containsExactly(
            "page number @2+1 = 1",
            "lifetimePowerOnResets @8+8 = null",
            "powerOnHours @16+8 = 1140 h",
            "logicalSectorsRead @40+8 = 7 sectors");
    assertThat(page.value(DeviceStatistic.LOGICAL_SECTORS_READ)).isEmpty();
    assertThat(page.json())
        .extractingByKey("statistics")
        .isEqualTo(
            Map.of(
                "lifetimePowerOnResets", said(null, "", false, false),
                "powerOnHours", said(1_140L, "h", false, true),
                "logicalSectorsRead", said(7L, "sectors", true, false)));
  }

  private static Map<String, Object> said(
      Long value, String unit, boolean normalized, boolean conditionMet) {
    Map<String, Object> said = new HashMap<>();
    said.put("value", value);
    said.put("unit", unit);
    said.put("valid", value != null);
    said.put("normalized", normalized);
    said.put("conditionMet", conditionMet);
    return said;
  }

  @Test
  void thePendingDefects() {
    PendingDefects log =
        PendingDefects.decode(
                new Bytes().at(0, 1).at(16, 0x3E, 0xA0).at(24, 0xC8, 0x0F, 0x5A).page())
            .decoded()
            .orElseThrow();

    assertThat(Shown.fields(log)).containsExactly("count @0+4 = 1", "lba @24+8 = 5902280");
    assertThat(log.json()).containsEntry("count", 1L);
    assertThat(Shown.first(log.json(), "entries"))
        .isEqualTo(Map.of("powerOnHours", 41_022L, "lba", 5_902_280L));
  }

  /** 65,535 pages of 32 entries less the header: 2,097,119. */
  @ParameterizedTest(name = "{0} entries")
  @CsvSource({"2097119, true", "2097120, false"})
  void aCountThatCannotBeIsNoPendingDefectsLog(long count, boolean good) {
    RawPage page =
        new Bytes().at(0, (int) count & 0xFF, (int) count >> 8 & 0xFF, (int) count >> 16).page();

    assertThat(PendingDefects.decode(page).damage().map(Fault::kind))
        .isEqualTo(good ? Optional.empty() : Optional.of(Fault.Kind.WRONG_KIND));
  }

  @Test
  void theCountersOfTheLink() {
    PhyEventCounters log =
        PhyEventCounters.decode(
                new Bytes().at(4, 0x01, 0x10, 0xFF, 0xFF).at(8, 0x0B, 0xA0, 3, 0, 1, 0).sealed())
            .decoded()
            .orElseThrow();

    assertThat(Shown.fields(log))
        .containsExactly(
            "commandFailedAndInterfaceCrcError @6+2 = 65535",
            "crcErrorsInHostToDeviceFis @10+4 = 65539"); // 3 + 65,536
    assertThat(Shown.first(log.json(), "counters"))
        .isEqualTo(
            Map.of(
                "identifier",
                "0001h",
                "name",
                "commandFailedAndInterfaceCrcError",
                "value",
                65_535L,
                "saturated",
                true));
  }

  /**
   * The last byte is the checksum's: a counter of 14 bytes that ends at 510 fits, one at 512 not.
   */
  @ParameterizedTest(name = "{0} counters of 14 bytes before one of {1}")
  @CsvSource({"31, 8, true", "31, 10, false", "0, 0, false"})
  void aCounterMustFit(int before, int bytes, boolean good) {
    Bytes page = new Bytes();
    int at = 4;
    for (int i = 0; i < before; i++, at += 16) {
      page.at(at, 1, 0xF0);
    }
    page.at(at, 1, 0x80 | bytes / 2 << 4);

    assertThat(PhyEventCounters.decode(page.sealed()).decoded().isPresent()).isEqualTo(good);
  }

  @Test
  void theSctStatus() {
    SctStatus status =
        SctStatus.decode(new Bytes().at(0, 3).at(200, 41).page()).decoded().orElseThrow();

    assertThat(Shown.fields(status))
        .contains("formatVersion @0+2 = 3", "currentTemperature @200+1 = 41 °C");
    assertThat(SctStatus.decode(new Bytes().at(0, 4).page()).damage())
        .map(Fault::kind)
        .hasValue(Fault.Kind.WRONG_KIND);
    assertThat(SctStatus.decode(new Bytes().at(0, 4).page()).damage())
        .map(Fault::found)
        .hasValue("0004h");
  }
}

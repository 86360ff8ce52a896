package tekmerion.core.drive.ata;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.entry;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import org.assertj.core.api.InstanceOfAssertFactories;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import tekmerion.core.drive.Shown;
import tekmerion.core.page.Fault;
import tekmerion.core.page.RawPage;

/**
 * What is shown of each page, and beside which bytes: places by ACS-3 (annex A and 7.42), SFF-8035i
 * and, for the general logs, ACS-4 and Serial ATA 3.5.
 */
class AtaPagesShownTest {
  /** Attribute 5 with flags 0033h, 98 of 97 at worst, raw 8, in the first entry. */
  private static Bytes report() {
    return new Bytes().at(0, 0x10, 0).at(2, 5, 0x33, 0, 98, 97, 8);
  }

  private static SmartData decoded(Bytes page) {
    return SmartData.decode(page.sealed()).decoded().orElseThrow();
  }

  @SuppressWarnings("unchecked")
  private static Map<String, Object> first(Map<String, Object> json, String list) {
    return ((List<Map<String, Object>>) json.get(list)).get(0);
  }

  @Test
  void aSelfReport() {
    SmartData report =
        decoded(report().at(362, 0x82, 0xF3, 0x58, 0x02).at(367, 0x5B, 3, 0, 1).at(372, 2, 110));

    assertThat(Shown.fields(report))
        .contains(
            "revision @0+2 = 16",
            "Reallocated sectors: ID @2+1 = 5",
            "Reallocated sectors: flags @3+2 = 0033h",
            "Reallocated sectors: value @5+1 = 98",
            "Reallocated sectors: worst @6+1 = 97",
            "Reallocated sectors: raw @7+6 = 8 count",
            "Reallocated sectors: reserved @13+1 = 0",
            "offlineDataCollectionStatus @362+1 = COMPLETED",
            "selfTestExecutionStatus @363+1 = in progress",
            "offlineDataCollectionTotalSeconds @364+2 = 600 s",
            "smartCapability @368+2 = 3",
            "shortSelfTestPollingMinutes @372+1 = 2 min",
            "extendedSelfTestPollingMinutes @373+1 = 110 min");
    assertThat(report.json())
        .contains(
            entry("thresholdsGiven", false),
            entry("automaticOfflineDataCollection", true),
            entry("selfTestRemainingPercent", 30),
            entry("extendedSelfTestPollingMinutes", 110),
            entry("conveyanceSelfTestPollingMinutes", null));
    assertThat(first(report.json(), "attributes"))
        .contains(
            entry("id", 5),
            entry("preFailure", true),
            entry("collectedOnline", true),
            entry("performance", false),
            entry("errorRate", false),
            entry("eventCount", true),
            entry("selfPreserving", true),
            entry("threshold", null),
            entry("thresholdState", null),
            entry("rawHex", "080000000000"))
        .extractingByKey("meaning")
        .isEqualTo(Map.of("value", 8L, "unit", "count", "rule", "COUNT_32", "also", Map.of()));
  }

  @Test
  void aSelfReportBesideItsLimits() {
    SmartThresholds limits =
        SmartThresholds.decode(new Bytes().at(0, 0x10).at(2, 5, 98).sealed())
            .decoded()
            .orElseThrow();

    assertThat(first(AtaJson.of(decoded(report()), Optional.of(limits)), "attributes"))
        .contains(entry("threshold", 98), entry("thresholdState", "FAILS_NOW"));
    assertThat(limits.json()).containsEntry("thresholdById", Map.of("5", 98));
    assertThat(Shown.fields(limits))
        .containsExactly("revision @0+2 = 16", "Reallocated sectors: threshold @3+1 = 98");
  }

  /** One bit of the table each, and what it says; every other one stays untrue. */
  private enum Capability {
    EXECUTE(367, 0x01, SmartData::executeOfflineImmediateSupported),
    ABORTED(367, 0x04, SmartData::offlineCollectionAbortedByCommand),
    READ_SCANNING(367, 0x08, SmartData::offlineReadScanningSupported),
    SELF_TEST(367, 0x10, SmartData::selfTestSupported),
    CONVEYANCE(367, 0x20, SmartData::conveyanceSelfTestSupported),
    SELECTIVE(367, 0x40, SmartData::selectiveSelfTestSupported),
    SAVES(368, 0x01, SmartData::savesDataBeforePowerSaving),
    AUTOSAVE(368, 0x02, SmartData::attributeAutosaveSupported),
    ERROR_LOG(370, 0x01, SmartData::errorLoggingSupported);

    private final int at;
    private final int bit;
    private final Predicate<SmartData> said;

    Capability(int at, int bit, Predicate<SmartData> said) {
      this.at = at;
      this.bit = bit;
      this.said = said;
    }
  }

  @ParameterizedTest
  @EnumSource(Capability.class)
  void aBitOfTheCapabilitiesSaysOneThing(Capability set) {
    SmartData with = decoded(report().at(set.at, set.bit));
    SmartData without = decoded(report().at(set.at, 0xFF & ~set.bit));

    for (Capability other : Capability.values()) {
      assertThat(other.said.test(with)).as(other.name()).isEqualTo(other == set);
    }
    assertThat(set.said.test(without)).isFalse();
  }

  @ParameterizedTest(name = "attribute flags {0}")
  @CsvSource({
    "1, preFailure",
    "2, collectedOnline",
    "4, performance",
    "8, errorRate",
    "16, eventCount",
    "32, selfPreserving"
  })
  void aFlagOfAnAttributeSaysOneThing(int flags, String name) {
    Map<String, Object> json = first(decoded(report().at(3, flags)).json(), "attributes");

    assertThat(
            List.of(
                "preFailure",
                "collectedOnline",
                "performance",
                "errorRate",
                "eventCount",
                "selfPreserving"))
        .filteredOn(flag -> json.get(flag).equals(true))
        .containsExactly(name);
  }

  @ParameterizedTest(name = "byte 362 = {0}")
  @CsvSource({
    "0x00, NEVER_STARTED", "0x80, NEVER_STARTED", "0x02, COMPLETED", "0x03, IN_PROGRESS",
    "0x83, RESERVED", "0x84, SUSPENDED", "0x05, ABORTED_BY_HOST", "0x86, ABORTED_BY_DEVICE",
    "0x07, RESERVED", "0x3F, RESERVED", "0xBF, RESERVED", "0x40, VENDOR_SPECIFIC",
    "0xC0, VENDOR_SPECIFIC", "0x7F, VENDOR_SPECIFIC"
  })
  void offLineCollection(String code, OfflineCollectionStatus status) {
    assertThat(OfflineCollectionStatus.of(Integer.decode(code))).isEqualTo(status);
  }

  @ParameterizedTest(name = "status {0}")
  @CsvSource({
    "0, false, 'completed without error, or none was ever run'",
    "1, false, aborted by the host",
    "3, false, '*'",
    "4, true, '*'",
    "7, true, completed; the read element failed",
    "8, true, 'completed; failed, handling damage is suspected'",
    "9, false, '*'",
    "15, false, in progress"
  })
  void whatASelfTestCameTo(int code, boolean failure, String words) {
    SelfTestStatus status = SelfTestStatus.of(code);

    assertThat(status.isFailure()).isEqualTo(failure);
    assertThat(status.words()).isNotBlank();
    if (!words.equals("*")) {
      assertThat(status.words()).isEqualTo(words);
    }
  }

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
    assertThat(first(summary.json(), "entries"))
        .contains(
            entry("status", "FAILED_READ"),
            entry("remainingPercent", 90),
            entry("firstFailingLba", 11_228_329L));
    assertThat(Shown.fields(extended))
        .contains("newest @2+2 = 1", "test 1: firstFailingLba @9+6 = null");
    assertThat(extended.json()).containsEntry("page", "Extended SMART Self-Test log (07h)");
    assertThat(first(extended.json(), "entries")).containsEntry("firstFailingLba", null);
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
    assertThat(first(summary.json(), "entries"))
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
    assertThat(first(extended.json(), "entries"))
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
    assertThat(first(log.json(), "entries"))
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
    assertThat(first(log.json(), "counters"))
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

  private static Bytes drive() {
    return new Bytes().word(0, 0x40).text(10, "OS7K-44019-B").text(27, "HELM-1000S");
  }

  /** Word 53: bit 1 says that words 64 to 70 hold something, bit 2 that word 88 does. */
  @ParameterizedTest(name = "word 53 = {0}")
  @CsvSource({"0, , ", "2, 120, ", "4, , 127", "6, 120, 127", "1, , "})
  void whatWord53SaysIsNotThere(int word53, Long cycleNs, Long modes) {
    IdentifyDevice identify =
        IdentifyDevice.decode(drive().word(53, word53).word(65, 120).word(88, 0x007F).page())
            .decoded()
            .orElseThrow();

    assertThat(identify.fields().get(IdentifyField.MINIMUM_MULTIWORD_DMA_CYCLE_TIME_NS))
        .isEqualTo(cycleNs);
    assertThat(identify.fields().get(IdentifyField.ULTRA_DMA_MODES_SUPPORTED)).isEqualTo(modes);
  }

  /** Word 76 of 0 or FFFFh: no Serial ATA device; word 255 counts with A5h in its low byte only. */
  @ParameterizedTest(name = "word 76 = {0}")
  @CsvSource({"0x0000, ", "0xFFFF, ", "0x0100, true", "0x0002, false"})
  void whatASerialAtaDeviceTells(String word76, Boolean queued) {
    IdentifyDevice identify =
        IdentifyDevice.decode(drive().word(76, Integer.decode(word76)).page())
            .decoded()
            .orElseThrow();

    assertThat(identify.fields().get(IdentifyField.NCQ_SUPPORTED)).isEqualTo(queued);
    assertThat(identify.fields().get(IdentifyField.INTEGRITY_CHECKSUM)).isNull();
  }

  /** Word 106: bits 15:14 are 01b where it holds something, bit 12 a long sector. */
  @ParameterizedTest(name = "word 106 = {0}")
  @CsvSource({"0x5000, 2048", "0x1000, ", "0x4000, ", "0xD000, "})
  void howLongASectorIs(String word106, Long words) {
    IdentifyDevice identify =
        IdentifyDevice.decode(drive().word(106, Integer.decode(word106)).word(117, 2_048).page())
            .decoded()
            .orElseThrow();

    assertThat(identify.fields().get(IdentifyField.LOGICAL_SECTOR_SIZE_WORDS)).isEqualTo(words);
  }

  @Test
  void whatIsNotReportedIsNullAndNeverNought() {
    Map<String, Object> json =
        AtaJson.of(IdentifyDevice.decode(drive().page()).decoded().orElseThrow());

    assertThat(json)
        .contains(
            entry("modelNumber", "HELM-1000S"),
            entry("serialNumber", "OS7K-44019-B"),
            entry("firmwareRevision", null),
            entry("capacityBytes", null),
            entry("logicalSectorBytes", 512L),
            entry("rotationRatePerMinute", null),
            entry("solidState", null),
            entry("nominalFormFactor", null),
            entry("normalSecurityEraseMinutes", null));
    assertThat(
            AtaJson.of(
                IdentifyDevice.decode(drive().word(60, 8).word(217, 7_200).word(168, 3).page())
                    .decoded()
                    .orElseThrow()))
        .contains(
            entry("capacityBytes", 4_096L), // 8 sectors of 512
            entry("rotationRatePerMinute", 7_200),
            entry("solidState", false));
  }
}

package tekmerion.core.drive.ata;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.entry;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import tekmerion.core.drive.Shown;

/**
 * What is shown of the identity and the self-report, and beside which bytes: places by ACS-3
 * (7.12.7 and 7.42) and SFF-8035i.
 */
class AtaPagesShownTest {
  /** Attribute 5 with flags 0033h, 98 of 97 at worst, raw 8, in the first entry. */
  private static Bytes report() {
    return new Bytes().at(0, 0x10, 0).at(2, 5, 0x33, 0, 98, 97, 8);
  }

  private static SmartData decoded(Bytes page) {
    return SmartData.decode(page.sealed()).decoded().orElseThrow();
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
    assertThat(Shown.first(report.json(), "attributes"))
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

    assertThat(Shown.first(AtaJson.of(decoded(report()), Optional.of(limits)), "attributes"))
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
    Map<String, Object> json = Shown.first(decoded(report().at(3, flags)).json(), "attributes");

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

package tekmerion.core.drive.ata;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.OptionalInt;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tekmerion.core.page.Fault;
import tekmerion.core.page.RawPage;

/** Offsets are those of ACS-3, "Device SMART data structure", and of SFF-8035i. */
class SmartDataTest {
  private static SmartData decoded(RawPage page) {
    return SmartData.decode(page).decoded().orElseThrow();
  }

  @Test
  void readsAnAttributeEntry() {
    // The third entry: 2 + 2 × 12 = 26. ID 197, flags 0032h, value 95, worst 90, raw 46.
    RawPage page = new Bytes().at(26, 197, 0x32, 0x00, 95, 90, 46, 0, 0, 0, 0, 0, 0).sealed();

    SmartAttribute attribute = decoded(page).attribute(197).orElseThrow();

    assertThat(attribute.offset()).isEqualTo(26);
    assertThat(attribute.value()).isEqualTo(95);
    assertThat(attribute.worst()).isEqualTo(90);
    assertThat(attribute.raw()).isEqualTo(46);
    assertThat(attribute.isPreFailure()).isFalse();
    assertThat(attribute.isCollectedOnline()).isTrue();
    assertThat(attribute.isEventCount()).isTrue();
    assertThat(attribute.isSelfPreserving()).isTrue();
    assertThat(attribute.entryHex()).isEqualTo("c532005f5a2e000000000000");
  }

  @Test
  void readsAllFortyEightRawBitsWithoutASign() {
    RawPage page =
        new Bytes().at(2, 241, 0, 0, 100, 100, 0xFF, 0xFF, 0xFF, 0xFF, 0xFF, 0xFF).sealed();

    assertThat(decoded(page).attribute(241).orElseThrow().raw()).isEqualTo(281_474_976_710_655L);
  }

  @Test
  void leavesOutUnusedEntriesAndKeepsTheOrder() {
    RawPage page = new Bytes().at(2, 9).at(14, 0).at(26, 5).at(350, 199).sealed();

    assertThat(decoded(page).attributes())
        .extracting(SmartAttribute::id)
        .containsExactly(9, 5, 199);
  }

  @ParameterizedTest(name = "byte 363 = {0}: {1}, {2} % to go")
  @CsvSource({
    "0x00, COMPLETED_OR_NEVER_RUN, ",
    "0x10, ABORTED_BY_HOST, 0",
    "0x73, FAILED_READ, 30",
    "0x80, SUSPECTED_HANDLING_DAMAGE, 0",
    "0x90, RESERVED, 0",
    "0xF4, IN_PROGRESS, 40"
  })
  void readsTheSelfTestStatus(String status, SelfTestStatus expected, Integer remainingPercent) {
    SmartData data = decoded(new Bytes().at(0, 0x10).at(363, Integer.decode(status)).sealed());

    assertThat(data.selfTestStatus()).isEqualTo(expected);
    assertThat(data.selfTestRemainingPercent())
        .isEqualTo(
            remainingPercent == null ? OptionalInt.empty() : OptionalInt.of(remainingPercent));
  }

  @ParameterizedTest(name = "byte 362 = {0}: {1}")
  @CsvSource({
    "0x80, NEVER_STARTED",
    "0x82, COMPLETED",
    "0x03, IN_PROGRESS",
    "0x84, SUSPENDED",
    "0x06, ABORTED_BY_DEVICE",
    "0x45, VENDOR_SPECIFIC",
    "0x0A, RESERVED"
  })
  void readsTheOfflineCollectionStatus(String status, OfflineCollectionStatus expected) {
    SmartData data = decoded(new Bytes().at(362, Integer.decode(status)).sealed());

    assertThat(data.offlineCollectionStatus()).isEqualTo(expected);
  }

  @Test
  void readsLongSelfTestsFromTheSixteenBitField() {
    SmartData longOne = decoded(new Bytes().at(373, 0xFF, 0, 0x2C, 0x01).sealed());
    SmartData shortOne = decoded(new Bytes().at(373, 0x9C, 0, 0x2C, 0x01).sealed());

    assertThat(longOne.extendedSelfTestMinutes()).hasValue(300); // 012Ch
    assertThat(shortOne.extendedSelfTestMinutes()).hasValue(156); // 9Ch
    assertThat(shortOne.conveyanceSelfTestMinutes()).isEmpty();
  }

  @Test
  void namesABadChecksumWithWhatItShouldBe() {
    RawPage page = new Bytes().at(0, 0x10).at(511, 0x01).page(); // 10h + F0h = 100h

    assertThat(SmartData.decode(page).damage())
        .hasValue(
            new Fault(
                Fault.Kind.BAD_CHECKSUM,
                "SMART READ DATA fails its own checksum",
                511,
                "F0h",
                "01h"));
  }

  @ParameterizedTest(name = "value {0}, worst {1}, threshold {2}: {3}")
  @CsvSource({
    "100, 100,    , NOT_REPORTED",
    "100, 100, 0  , ALWAYS_PASSES",
    "1  , 1  , 0  , ALWAYS_PASSES",
    "51 , 51 , 50 , PASSES",
    "50 , 50 , 50 , FAILS_NOW",
    "100, 50 , 50 , FAILED_BEFORE",
    "100, 0  , 50 , PASSES", // a worst of 00h is none
    "100, 100, 254, INVALID",
    "100, 100, 255, FAILS_NOW", // FFh: always failing
    "0  , 100, 50 , INVALID",
    "254, 100, 50 , INVALID"
  })
  void comparesWithTheThreshold(int value, int worst, Integer threshold, ThresholdState expected) {
    SmartAttribute attribute = new SmartAttribute(2, 5, 0x33, value, worst, 0, new Bytes().page());
    OptionalInt limit = threshold == null ? OptionalInt.empty() : OptionalInt.of(threshold);

    assertThat(ThresholdState.of(attribute, limit)).isEqualTo(expected);
  }

  @Test
  void readsThresholdsByIdNotByPlace() {
    RawPage page = new Bytes().at(2, 10, 97).at(38, 5, 36).sealed();

    SmartThresholds thresholds = SmartThresholds.decode(page).decoded().orElseThrow();

    assertThat(thresholds.thresholdOf(5)).hasValue(36);
    assertThat(thresholds.thresholdOf(10)).hasValue(97);
    assertThat(thresholds.thresholdOf(1)).isEmpty();
  }
}

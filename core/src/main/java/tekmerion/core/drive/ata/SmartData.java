package tekmerion.core.drive.ata;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import tekmerion.core.page.DecodedPage;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.Decoding.Decoded;
import tekmerion.core.page.Decoding.Malformed;
import tekmerion.core.page.Fault;
import tekmerion.core.page.FieldSpan;
import tekmerion.core.page.RawPage;

/**
 * SMART READ DATA (command B0h, feature D0h): ACS-3, table "Device SMART data structure"; inside
 * its vendor specific first 362 bytes the attribute table of SFF-8035i.
 *
 * <pre>
 * 0–1      revision of the attribute table (SFF-8035i)
 * 2–361    30 attributes of 12 bytes
 * 362      off-line data collection status
 * 363      self-test execution status
 * 364–365  total time to complete off-line data collection [s]
 * 367      off-line data collection capability
 * 368–369  SMART capability
 * 370      error logging capability
 * 372      short self-test polling time [min]
 * 373      extended self-test polling time [min]; FFh: see 375–376
 * 374      conveyance self-test polling time [min]
 * 375–376  extended self-test polling time [min], 16 bits
 * 511      checksum
 * </pre>
 *
 * @param attributes in the order of the page, unused entries left out
 */
public record SmartData(
    int revision,
    List<SmartAttribute> attributes,
    int offlineCollectionStatusCode,
    int selfTestExecutionStatus,
    int offlineCollectionTotalSeconds,
    int offlineCollectionCapability,
    int smartCapability,
    int errorLoggingCapability,
    int shortSelfTestPollingMinutes,
    int extendedSelfTestPollingMinutesByte,
    int conveyanceSelfTestPollingMinutes,
    int extendedSelfTestPollingMinutesWord)
    implements DecodedPage {
  static final int TABLE_OFFSET = 2;
  static final int ENTRIES = 30;
  private static final String NAME = "SMART READ DATA";

  public SmartData {
    attributes = List.copyOf(attributes);
  }

  /**
   * @param raw any bytes
   * @return malformed if not 512 bytes, all 00h or FFh, or if the checksum does not hold
   */
  public static Decoding<SmartData> decode(RawPage raw) {
    Optional<Fault> damage = AtaPage.damage(raw, NAME).or(() -> AtaPage.checksumDamage(raw, NAME));
    if (damage.isPresent()) {
      return new Malformed<>(raw, damage.get());
    }
    List<SmartAttribute> attributes = new ArrayList<>(ENTRIES);
    for (int i = 0; i < ENTRIES; i++) {
      int offset = TABLE_OFFSET + i * SmartAttribute.ENTRY_BYTES;
      if (raw.u8(offset) != 0) {
        attributes.add(SmartAttribute.at(raw, offset));
      }
    }
    return new Decoded<>(
        raw,
        new SmartData(
            raw.u16(0),
            attributes,
            raw.u8(362),
            raw.u8(363),
            raw.u16(364),
            raw.u8(367),
            raw.u16(368),
            raw.u8(370),
            raw.u8(372),
            raw.u8(373),
            raw.u8(374),
            raw.u16(375)));
  }

  /** The first entry with this ID; a page that has two keeps both in {@link #attributes}. */
  public Optional<SmartAttribute> attribute(int id) {
    return attributes.stream().filter(a -> a.id() == id).findFirst();
  }

  public SelfTestStatus selfTestStatus() {
    return SelfTestStatus.of(selfTestExecutionStatus >> 4);
  }

  /**
   * How much of the newest self-test was or is not done yet; empty if it completed well, or none
   * ran.
   */
  public OptionalInt selfTestRemainingPercent() {
    return selfTestStatus() != SelfTestStatus.COMPLETED_OR_NEVER_RUN
        ? OptionalInt.of((selfTestExecutionStatus & 0x0F) * 10)
        : OptionalInt.empty();
  }

  public OfflineCollectionStatus offlineCollectionStatus() {
    return OfflineCollectionStatus.of(offlineCollectionStatusCode);
  }

  public OptionalInt shortSelfTestMinutes() {
    return minutes(shortSelfTestPollingMinutes);
  }

  public OptionalInt extendedSelfTestMinutes() {
    return extendedSelfTestPollingMinutesByte == 0xFF
        ? minutes(extendedSelfTestPollingMinutesWord)
        : minutes(extendedSelfTestPollingMinutesByte);
  }

  public OptionalInt conveyanceSelfTestMinutes() {
    return minutes(conveyanceSelfTestPollingMinutes);
  }

  public boolean executeOfflineImmediateSupported() {
    return (offlineCollectionCapability & 1) != 0;
  }

  public boolean offlineCollectionAbortedByCommand() {
    return (offlineCollectionCapability & 1 << 2) != 0;
  }

  public boolean offlineReadScanningSupported() {
    return (offlineCollectionCapability & 1 << 3) != 0;
  }

  public boolean selfTestSupported() {
    return (offlineCollectionCapability & 1 << 4) != 0;
  }

  public boolean conveyanceSelfTestSupported() {
    return (offlineCollectionCapability & 1 << 5) != 0;
  }

  public boolean selectiveSelfTestSupported() {
    return (offlineCollectionCapability & 1 << 6) != 0;
  }

  public boolean savesDataBeforePowerSaving() {
    return (smartCapability & 1) != 0;
  }

  public boolean attributeAutosaveSupported() {
    return (smartCapability & 1 << 1) != 0;
  }

  public boolean errorLoggingSupported() {
    return (errorLoggingCapability & 1) != 0;
  }

  private static OptionalInt minutes(int value) {
    return value == 0 ? OptionalInt.empty() : OptionalInt.of(value);
  }

  /** Without thresholds: {@link AtaJson#of(SmartData, Optional)} takes them. */
  @Override
  public Map<String, Object> json() {
    return AtaJson.of(this, Optional.empty());
  }

  @Override
  public List<FieldSpan> spans() {
    List<FieldSpan> spans = new ArrayList<>();
    spans.add(new FieldSpan("revision", 0, 2, revision, ""));
    for (SmartAttribute a : attributes) {
      spans.addAll(a.spans());
    }
    spans.add(
        new FieldSpan("offlineDataCollectionStatus", 362, 1, offlineCollectionStatus().name(), ""));
    spans.add(new FieldSpan("selfTestExecutionStatus", 363, 1, selfTestStatus().words(), ""));
    spans.add(
        new FieldSpan(
            "offlineDataCollectionTotalSeconds", 364, 2, offlineCollectionTotalSeconds, "s"));
    spans.add(
        new FieldSpan("offlineDataCollectionCapability", 367, 1, offlineCollectionCapability, ""));
    spans.add(new FieldSpan("smartCapability", 368, 2, smartCapability, ""));
    spans.add(new FieldSpan("errorLoggingCapability", 370, 1, errorLoggingCapability, ""));
    spans.add(
        new FieldSpan("shortSelfTestPollingMinutes", 372, 1, shortSelfTestPollingMinutes, "min"));
    spans.add(
        new FieldSpan(
            "extendedSelfTestPollingMinutes", 373, 1, extendedSelfTestPollingMinutesByte, "min"));
    spans.add(
        new FieldSpan(
            "conveyanceSelfTestPollingMinutes", 374, 1, conveyanceSelfTestPollingMinutes, "min"));
    spans.add(
        new FieldSpan(
            "extendedSelfTestPollingMinutesWord",
            375,
            2,
            extendedSelfTestPollingMinutesWord,
            "min"));
    return spans;
  }
}

package tekmerion.core.drive.ata;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.OptionalLong;

/**
 * Decoded pages as plain maps in the order in which JSON shows them: docs/formats.md. A field that
 * the drive does not report is null, never 0.
 */
public final class AtaJson {
  private AtaJson() {}

  public static Map<String, Object> of(IdentifyDevice identify) {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("page", "IDENTIFY DEVICE");
    json.put("standard", "ACS-3");
    json.put("modelNumber", orNull(identify.modelNumber()));
    json.put("serialNumber", orNull(identify.serialNumber()));
    json.put("firmwareRevision", orNull(identify.firmwareRevision()));
    json.put("capacityBytes", orNull(identify.capacityBytes()));
    json.put("logicalSectorBytes", identify.logicalSectorBytes());
    json.put("physicalSectorBytes", identify.physicalSectorBytes());
    json.put("rotationRatePerMinute", orNull(identify.rotationRatePerMinute()));
    json.put("solidState", identify.isSolidState().orElse(null));
    json.put("nominalFormFactor", identify.nominalFormFactor().orElse(null));
    json.put("normalSecurityEraseMinutes", orNull(identify.normalSecurityEraseMinutes()));
    json.put("enhancedSecurityEraseMinutes", orNull(identify.enhancedSecurityEraseMinutes()));
    Map<String, Object> fields = new LinkedHashMap<>();
    for (IdentifyField field : IdentifyField.values()) {
      fields.put(field.jsonName(), identify.fields().get(field));
    }
    json.put("fields", fields);
    return json;
  }

  public static Map<String, Object> of(SmartData smart, Optional<SmartThresholds> thresholds) {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("page", "SMART READ DATA");
    json.put("standard", "ACS-3; attribute table: SFF-8035i 2.0");
    json.put("revision", smart.revision());
    json.put("thresholdsGiven", thresholds.isPresent());
    List<Map<String, Object>> attributes = new ArrayList<>();
    smart.attributes().forEach(a -> attributes.add(attribute(a, thresholds)));
    json.put("attributes", attributes);
    json.put("offlineDataCollectionStatus", smart.offlineCollectionStatus().name());
    json.put("offlineDataCollectionStatusCode", smart.offlineCollectionStatusCode());
    json.put("automaticOfflineDataCollection", (smart.offlineCollectionStatusCode() & 0x80) != 0);
    json.put("selfTestExecutionStatus", smart.selfTestStatus().name());
    json.put("selfTestExecutionStatusCode", smart.selfTestExecutionStatus());
    json.put("selfTestRemainingPercent", orNull(smart.selfTestRemainingPercent()));
    json.put("offlineDataCollectionTotalSeconds", smart.offlineCollectionTotalSeconds());
    json.put("executeOfflineImmediateSupported", smart.executeOfflineImmediateSupported());
    json.put("offlineCollectionAbortedByCommand", smart.offlineCollectionAbortedByCommand());
    json.put("offlineReadScanningSupported", smart.offlineReadScanningSupported());
    json.put("selfTestSupported", smart.selfTestSupported());
    json.put("conveyanceSelfTestSupported", smart.conveyanceSelfTestSupported());
    json.put("selectiveSelfTestSupported", smart.selectiveSelfTestSupported());
    json.put("savesDataBeforePowerSaving", smart.savesDataBeforePowerSaving());
    json.put("attributeAutosaveSupported", smart.attributeAutosaveSupported());
    json.put("errorLoggingSupported", smart.errorLoggingSupported());
    json.put("shortSelfTestPollingMinutes", orNull(smart.shortSelfTestMinutes()));
    json.put("extendedSelfTestPollingMinutes", orNull(smart.extendedSelfTestMinutes()));
    json.put("conveyanceSelfTestPollingMinutes", orNull(smart.conveyanceSelfTestMinutes()));
    return json;
  }

  private static Map<String, Object> attribute(
      SmartAttribute a, Optional<SmartThresholds> thresholds) {
    AttributeBook book = AttributeBook.shipped();
    OptionalInt threshold = thresholds.map(t -> t.thresholdOf(a.id())).orElse(OptionalInt.empty());
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("id", a.id());
    json.put("name", book.nameOf(a.id()).orElse(null));
    json.put("flags", a.flags());
    json.put("preFailure", a.isPreFailure());
    json.put("collectedOnline", a.isCollectedOnline());
    json.put("performance", a.isPerformance());
    json.put("errorRate", a.isErrorRate());
    json.put("eventCount", a.isEventCount());
    json.put("selfPreserving", a.isSelfPreserving());
    json.put("value", a.value());
    json.put("worst", a.worst());
    json.put("threshold", orNull(threshold));
    // Whether it is reported at all is known only of a page that was given.
    json.put(
        "thresholdState", thresholds.isPresent() ? ThresholdState.of(a, threshold).name() : null);
    json.put("raw", a.raw());
    json.put("rawHex", a.rawHex());
    json.put("entryHex", a.entryHex());
    json.put("meaning", book.meaningOf(a).map(AtaJson::meaning).orElse(null));
    return json;
  }

  private static Map<String, Object> meaning(RawMeaning m) {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("value", m.value());
    json.put("unit", m.unit());
    json.put("rule", m.rule().name());
    json.put("also", m.also());
    return json;
  }

  private static Object orNull(String text) {
    return text.isEmpty() ? null : text;
  }

  private static Object orNull(OptionalInt value) {
    return value.isPresent() ? value.getAsInt() : null;
  }

  private static Object orNull(OptionalLong value) {
    return value.isPresent() ? value.getAsLong() : null;
  }
}

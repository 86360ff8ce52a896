package tekmerion.core.drive.ata;

import java.util.Collections;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.TreeMap;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.Decoding.Decoded;
import tekmerion.core.page.Decoding.Malformed;
import tekmerion.core.page.Fault;
import tekmerion.core.page.RawPage;

/**
 * SMART READ THRESHOLDS (command B0h, feature D1h): SFF-8035i revision 2.0, "Device attribute
 * thresholds data structure". Obsolete in ACS-3, still answered by nearly every drive.
 *
 * <pre>
 * 0–1      revision
 * 2–361    30 entries of 12 bytes: ID, threshold, 10 reserved
 * 362–379  reserved
 * 380–510  vendor specific
 * 511      checksum
 * </pre>
 *
 * @param thresholdById the first threshold given for each attribute ID, 0–255
 */
public record SmartThresholds(int revision, Map<Integer, Integer> thresholdById) {
  private static final String NAME = "SMART READ THRESHOLDS";

  public SmartThresholds {
    thresholdById = Collections.unmodifiableMap(new TreeMap<>(thresholdById));
  }

  /**
   * @param raw any bytes
   * @return malformed if not 512 bytes, all 00h or FFh, or if the checksum does not hold
   */
  public static Decoding<SmartThresholds> decode(RawPage raw) {
    Optional<Fault> damage = AtaPage.damage(raw, NAME).or(() -> AtaPage.checksumDamage(raw, NAME));
    if (damage.isPresent()) {
      return new Malformed<>(raw, damage.get());
    }
    Map<Integer, Integer> byId = new TreeMap<>();
    for (int i = 0; i < SmartData.ENTRIES; i++) {
      int offset = SmartData.TABLE_OFFSET + i * SmartAttribute.ENTRY_BYTES;
      if (raw.u8(offset) != 0) {
        byId.putIfAbsent(raw.u8(offset), raw.u8(offset + 1));
      }
    }
    return new Decoded<>(raw, new SmartThresholds(raw.u16(0), byId));
  }

  public OptionalInt thresholdOf(int attributeId) {
    Integer threshold = thresholdById.get(attributeId);
    return threshold == null ? OptionalInt.empty() : OptionalInt.of(threshold);
  }
}

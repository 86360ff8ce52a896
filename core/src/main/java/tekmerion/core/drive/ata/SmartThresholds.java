package tekmerion.core.drive.ata;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.LinkedHashMap;
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
 * @param entries in the order of the page, unused ones left out
 */
public record SmartThresholds(int revision, List<Entry> entries) implements DecodedPage {
  private static final String NAME = "SMART READ THRESHOLDS";

  /**
   * One threshold.
   *
   * @param offset of the entry in the page
   * @param threshold 0–255
   */
  public record Entry(int offset, int id, int threshold) {}

  public SmartThresholds {
    entries = List.copyOf(entries);
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
    List<Entry> entries = new ArrayList<>(SmartData.ENTRIES);
    for (int i = 0; i < SmartData.ENTRIES; i++) {
      int offset = SmartData.TABLE_OFFSET + i * SmartAttribute.ENTRY_BYTES;
      if (raw.u8(offset) != 0) {
        entries.add(new Entry(offset, raw.u8(offset), raw.u8(offset + 1)));
      }
    }
    return new Decoded<>(raw, new SmartThresholds(raw.u16(0), entries));
  }

  /** The first threshold given for this attribute. */
  public OptionalInt thresholdOf(int attributeId) {
    return entries.stream()
        .filter(e -> e.id() == attributeId)
        .mapToInt(Entry::threshold)
        .findFirst();
  }

  @Override
  public Map<String, Object> json() {
    Map<String, Object> thresholds = new LinkedHashMap<>();
    entries.forEach(e -> thresholds.putIfAbsent(Integer.toString(e.id()), e.threshold()));
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("page", NAME);
    json.put("standard", "SFF-8035i 2.0");
    json.put("revision", revision);
    json.put("thresholdById", thresholds);
    return json;
  }

  @Override
  public List<FieldSpan> spans() {
    List<FieldSpan> spans = new ArrayList<>();
    spans.add(new FieldSpan("revision", 0, 2, revision, ""));
    for (Entry e : entries) {
      String name =
          AttributeBook.shipped().nameOf(e.id()).orElse(say("page.attribute", "id", e.id()));
      spans.add(new FieldSpan(name + ": threshold", e.offset() + 1, 1, e.threshold(), ""));
    }
    return spans;
  }
}

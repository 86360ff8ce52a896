package tekmerion.core.drive.ata;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tekmerion.core.page.DecodedPage;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.Decoding.Decoded;
import tekmerion.core.page.Decoding.Malformed;
import tekmerion.core.page.Fault;
import tekmerion.core.page.FieldSpan;
import tekmerion.core.page.Hex;
import tekmerion.core.page.RawPage;

/**
 * SATA Phy Event Counters log (11h): what went wrong on the link between drive and controller.
 * Serial ATA 3.x, 13.7.2. After 4 bytes come counters: an identifier (2 bytes, whose bits 14:12 are
 * the length of the value in words), then the value; identifier 0 ends the list, and the last byte
 * makes the sum of all 512 zero.
 *
 * @param counters in their order
 */
public record PhyEventCounters(List<Counter> counters) implements DecodedPage {
  private static final String NAME = "SATA Phy Event Counters log";
  private static final int FIRST = 4;
  private static final int CHECKSUM_AT = 511;

  /**
   * @param offset of its value
   * @param length of its value [bytes], 2 to 14
   * @param identifier without the bits of the length
   * @param saturated whether it stands at its highest value, so that more may have happened
   */
  public record Counter(int offset, int length, int identifier, long value, boolean saturated) {
    /** In the standard's words; "vendor specific" or "reserved" with its number else. */
    public String name() {
      return switch (identifier & 0x0FFF) {
        case 0x001 -> "commandFailedAndInterfaceCrcError";
        case 0x002 -> "rErrForDataFis";
        case 0x003 -> "rErrForDeviceToHostDataFis";
        case 0x004 -> "rErrForHostToDeviceDataFis";
        case 0x005 -> "rErrForNonDataFis";
        case 0x006 -> "rErrForDeviceToHostNonDataFis";
        case 0x007 -> "rErrForHostToDeviceNonDataFis";
        case 0x008 -> "deviceToHostNonDataFisRetries";
        case 0x009 -> "phyRdyToPhyNRdyTransitions";
        case 0x00A -> "comresetRegisterFis";
        case 0x00B -> "crcErrorsInHostToDeviceFis";
        case 0x00D -> "nonCrcErrorsInHostToDeviceFis";
        case 0x00F -> "crcErrorsInHostToDeviceDataFis";
        case 0x010 -> "nonCrcErrorsInHostToDeviceDataFis";
        case 0x012 -> "crcErrorsInHostToDeviceNonDataFis";
        case 0x013 -> "nonCrcErrorsInHostToDeviceNonDataFis";
        default -> "counter " + Hex.code(identifier, 4);
      };
    }
  }

  public PhyEventCounters {
    counters = List.copyOf(counters);
  }

  public static Decoding<PhyEventCounters> decode(RawPage raw) {
    Optional<Fault> damage = AtaPage.damage(raw, NAME).or(() -> AtaPage.checksumDamage(raw, NAME));
    if (damage.isPresent()) {
      return new Malformed<>(raw, damage.get());
    }
    List<Counter> counters = new ArrayList<>();
    int at = FIRST;
    while (at + 2 <= CHECKSUM_AT && raw.u16(at) != 0) {
      int identifier = raw.u16(at);
      int length = 2 * (identifier >> 12 & 7);
      if (length == 0 || at + 2 + length > CHECKSUM_AT) {
        return new Malformed<>(
            raw,
            new Fault(
                Fault.Kind.WRONG_SIZE,
                say("page.a-counter-does-not-fit", "page", NAME),
                at,
                say("page.a-length-before-byte-511"),
                say("page.bytes", "count", length)));
      }
      long value = raw.unsignedLe(at + 2, Math.min(length, 7));
      boolean saturated = raw.isFilledWith(0xFF, at + 2, length);
      counters.add(new Counter(at + 2, length, identifier & 0x8FFF, value, saturated));
      at += 2 + length;
    }
    return new Decoded<>(raw, new PhyEventCounters(counters));
  }

  @Override
  public Map<String, Object> json() {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("page", "SATA Phy Event Counters log (11h)");
    json.put("standard", "Serial ATA 3.5");
    List<Map<String, Object>> list = new ArrayList<>();
    for (Counter counter : counters) {
      Map<String, Object> one = new LinkedHashMap<>();
      one.put("identifier", Hex.code(counter.identifier(), 4));
      one.put("name", counter.name());
      one.put("value", counter.value());
      one.put("saturated", counter.saturated());
      list.add(one);
    }
    json.put("counters", list);
    return json;
  }

  @Override
  public List<FieldSpan> spans() {
    return counters.stream()
        .map(c -> new FieldSpan(c.name(), c.offset(), c.length(), c.value(), ""))
        .toList();
  }
}

package tekmerion.core.memory.identity;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import tekmerion.core.memory.identity.Smbios.Structure;

/**
 * A portable battery as the firmware has it (type 22).
 *
 * @param made as the maker wrote it, or year-month-day from the pack's own date
 * @param chemistry as the standard or the pack words it
 * @see "DMTF DSP0134 3.7, clause 7.23; Smart Battery Data Specification 1.1, 5.1.26 (date)"
 */
public record FirmwareBattery(
    Optional<String> name,
    Optional<String> maker,
    Optional<String> serial,
    Optional<String> made,
    Optional<String> chemistry,
    OptionalLong designMilliwattHours,
    OptionalLong designMillivolts) {

  static FirmwareBattery of(Structure s) {
    return new FirmwareBattery(
        s.text(0x08),
        s.text(0x05),
        s.text(0x07).or(() -> word(s, 0x10).map("%04X"::formatted)),
        s.text(0x06).or(() -> word(s, 0x12).map(FirmwareBattery::date)),
        Optional.ofNullable(chemistry(s.u8(0x09))).or(() -> s.text(0x14)),
        known(s.u16(0x0A) * (long) Math.max(1, s.u8(0x15))),
        known(s.u16(0x0C)));
  }

  /** What a Smart Battery told the firmware, where it wrote no text of its own; 0 is nothing. */
  private static Optional<Integer> word(Structure s, int at) {
    return Optional.of(s.u16(at)).filter(w -> w != 0);
  }

  private static OptionalLong known(long value) {
    return value == 0 ? OptionalLong.empty() : OptionalLong.of(value);
  }

  /** (year − 1980) · 512 + month · 32 + day. */
  private static String date(int packed) {
    return "%04d-%02d-%02d".formatted(1980 + (packed >> 9), packed >> 5 & 0xF, packed & 0x1F);
  }

  /** "Unknown" leaves it to the pack's own text. */
  private static String chemistry(int code) {
    return switch (code) {
      case 0x03 -> "lead acid";
      case 0x04 -> "nickel cadmium";
      case 0x05 -> "nickel metal hydride";
      case 0x06 -> "lithium-ion";
      case 0x07 -> "zinc air";
      case 0x08 -> "lithium polymer";
      default -> null;
    };
  }

  Map<String, Object> json() {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("name", name.orElse(null));
    json.put("maker", maker.orElse(null));
    json.put("serial", serial.orElse(null));
    json.put("made", made.orElse(null));
    json.put("chemistry", chemistry.orElse(null));
    json.put(
        "designMilliwattHours",
        designMilliwattHours.isPresent() ? designMilliwattHours.getAsLong() : null);
    json.put(
        "designMillivolts", designMillivolts.isPresent() ? designMillivolts.getAsLong() : null);
    return json;
  }
}

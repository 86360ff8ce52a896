package tekmerion.core.memory.identity;

import java.util.Map;
import java.util.Optional;

/**
 * Names behind the two identity bytes of a module's maker: how many continuation codes stand in
 * front (so the bank less one), and the maker's code, both with odd parity in bit 7. Only those
 * that make or sell memory modules and their chips are named here; any other keeps its number.
 *
 * @see "JEDEC JEP106, Standard Manufacturer's Identification Code"
 */
final class MemoryMaker {
  private static final Map<String, String> NAMES =
      Map.ofEntries(
          Map.entry("00:07", "Hitachi"),
          Map.entry("00:10", "NEC"),
          Map.entry("00:1C", "Mitsubishi"),
          Map.entry("00:2C", "Micron Technology"),
          Map.entry("00:98", "Kioxia"),
          Map.entry("00:AD", "SK hynix"),
          Map.entry("00:C1", "Infineon"),
          Map.entry("00:CE", "Samsung"),
          Map.entry("00:DA", "Winbond"),
          Map.entry("01:4F", "Transcend Information"),
          Map.entry("01:7A", "Apacer Technology"),
          Map.entry("01:94", "SMART Modular"),
          Map.entry("01:98", "Kingston"),
          Map.entry("02:9E", "Corsair"),
          Map.entry("02:FE", "Elpida"),
          Map.entry("03:0B", "Nanya Technology"),
          Map.entry("04:43", "Ramaxel Technology"),
          Map.entry("04:CB", "A-DATA Technology"),
          Map.entry("04:CD", "G.Skill"),
          Map.entry("04:EF", "Team Group"),
          Map.entry("05:02", "Patriot Memory"),
          Map.entry("05:51", "Qimonda"),
          Map.entry("05:9B", "Crucial Technology"));

  private MemoryMaker() {}

  /**
   * By its two bytes as they stand in the page; a code of 00 or FF is "not reported".
   *
   * @return "bank:code" in hex, parity of the bank taken off
   */
  static Optional<String> id(int continuations, int code) {
    return code == 0 || code == 0xFF
        ? Optional.empty()
        : Optional.of("%02X:%02X".formatted(continuations & 0x7F, code));
  }

  static Optional<String> name(String id) {
    return Optional.ofNullable(NAMES.get(id));
  }

  /** Every number that has a name. */
  static Iterable<String> known() {
    return NAMES.keySet();
  }
}

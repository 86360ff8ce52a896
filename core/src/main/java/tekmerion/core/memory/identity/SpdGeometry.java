package tekmerion.core.memory.identity;

import static tekmerion.core.page.OrNull.orNull;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.OptionalInt;
import java.util.function.IntUnaryOperator;
import tekmerion.core.memory.identity.Spd.Generation;
import tekmerion.core.page.RawPage;

/**
 * How a chip of the module is addressed. Empty where the code is reserved.
 *
 * @param bankGroups 1 where the generation has none
 * @param banksPerGroup of each group; of DDR3 all its banks
 * @param rowBits address bits of a row
 * @param columnBits address bits of a column
 */
public record SpdGeometry(
    OptionalInt bankGroups,
    OptionalInt banksPerGroup,
    OptionalInt rowBits,
    OptionalInt columnBits) {
  static SpdGeometry of(Generation generation, RawPage raw) {
    int address = raw.u8(5);
    return switch (generation) {
      case DDR3 ->
          new SpdGeometry(
              OptionalInt.of(1),
              upTo(raw.u8(4) >> 4 & 7, 3, code -> 8 << code),
              upTo(address >> 3 & 7, 4, code -> 12 + code),
              upTo(address & 7, 3, code -> 9 + code));
      case DDR4 ->
          new SpdGeometry(
              upTo(raw.u8(4) >> 6, 2, code -> 1 << code),
              upTo(raw.u8(4) >> 4 & 3, 1, code -> 4 << code),
              upTo(address >> 3 & 7, 6, code -> 12 + code),
              upTo(address & 7, 3, code -> 9 + code));
      case DDR5 ->
          new SpdGeometry(
              upTo(raw.u8(7) >> 5, 3, code -> 1 << code),
              upTo(raw.u8(7) & 7, 2, code -> 1 << code),
              upTo(address & 0x1F, 2, code -> 16 + code),
              upTo(address >> 5, 1, code -> 10 + code));
    };
  }

  private static OptionalInt upTo(int code, int last, IntUnaryOperator value) {
    return code <= last ? OptionalInt.of(value.applyAsInt(code)) : OptionalInt.empty();
  }

  Map<String, Object> json() {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("bankGroups", orNull(bankGroups));
    json.put("banksPerGroup", orNull(banksPerGroup));
    json.put("rowBits", orNull(rowBits));
    json.put("columnBits", orNull(columnBits));
    return json;
  }
}

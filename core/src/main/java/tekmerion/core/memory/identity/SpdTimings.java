package tekmerion.core.memory.identity;

import static tekmerion.core.page.OrNull.orNull;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import tekmerion.core.memory.identity.Spd.Generation;
import tekmerion.core.page.RawPage;

/**
 * How fast a module may be driven, at its shortest clock. All times in picoseconds; a 0 in the page
 * is "not reported". DDR3 counts in a medium time base with a fine correction, DDR4 in 125 ps with
 * a correction of 1 ps, DDR5 in picoseconds.
 *
 * @param clockPs shortest clock, tCK
 * @param casLatencies that the module supports, in clocks, rising
 * @param accessPs tAA
 * @param rowToColumnPs tRCD
 * @param prechargePs tRP
 * @param activeToPrechargePs tRAS
 * @param activeToActivePs tRC
 */
public record SpdTimings(
    OptionalLong clockPs,
    List<Integer> casLatencies,
    OptionalLong accessPs,
    OptionalLong rowToColumnPs,
    OptionalLong prechargePs,
    OptionalLong activeToPrechargePs,
    OptionalLong activeToActivePs) {
  private static final int DDR4_MEDIUM_PS = 125;

  public SpdTimings {
    casLatencies = List.copyOf(casLatencies);
  }

  static SpdTimings of(Generation generation, RawPage raw) {
    return switch (generation) {
      case DDR3 -> ofDdr3(raw);
      case DDR4 -> ofDdr4(raw);
      case DDR5 -> ofDdr5(raw);
    };
  }

  private static SpdTimings ofDdr3(RawPage raw) {
    double medium = 1000.0 * raw.u8(10) / Math.max(1, raw.u8(11));
    double fine = (raw.u8(9) >> 4) / (double) Math.max(1, raw.u8(9) & 0x0F);
    return new SpdTimings(
        known(medium * raw.u8(12) + fine * (byte) raw.u8(34)),
        cas(raw, 14, 15, 4, 1), // bit 15 is reserved
        known(medium * raw.u8(16) + fine * (byte) raw.u8(35)),
        known(medium * raw.u8(18) + fine * (byte) raw.u8(36)),
        known(medium * raw.u8(20) + fine * (byte) raw.u8(37)),
        known(medium * ((raw.u8(21) & 0x0F) << 8 | raw.u8(22))),
        known(medium * (raw.u8(21) >> 4 << 8 | raw.u8(23)) + fine * (byte) raw.u8(38)));
  }

  private static SpdTimings ofDdr4(RawPage raw) {
    boolean high = (raw.u8(23) & 0x80) != 0; // CL 23 and up instead of 7 and up
    return new SpdTimings(
        known(DDR4_MEDIUM_PS * raw.u8(18) + (byte) raw.u8(125)),
        cas(raw, 20, 30, high ? 23 : 7, 1),
        known(DDR4_MEDIUM_PS * raw.u8(24) + (byte) raw.u8(123)),
        known(DDR4_MEDIUM_PS * raw.u8(25) + (byte) raw.u8(122)),
        known(DDR4_MEDIUM_PS * raw.u8(26) + (byte) raw.u8(121)),
        known(DDR4_MEDIUM_PS * ((raw.u8(27) & 0x0F) << 8 | raw.u8(28))),
        known(DDR4_MEDIUM_PS * (raw.u8(27) >> 4 << 8 | raw.u8(29)) + (byte) raw.u8(120)));
  }

  private static SpdTimings ofDdr5(RawPage raw) {
    return new SpdTimings(
        known(raw.u16(20)),
        cas(raw, 24, 40, 20, 2),
        known(raw.u16(30)),
        known(raw.u16(32)),
        known(raw.u16(34)),
        known(raw.u16(36)),
        known(raw.u16(38)));
  }

  /** One bit for each latency, the lowest in bit 0. */
  private static List<Integer> cas(RawPage raw, int at, int bits, int first, int step) {
    List<Integer> latencies = new ArrayList<>();
    for (int bit = 0; bit < bits; bit++) {
      if ((raw.u8(at + bit / 8) >> bit % 8 & 1) != 0) {
        latencies.add(first + step * bit);
      }
    }
    return latencies;
  }

  private static OptionalLong known(double picoseconds) {
    return picoseconds > 0 ? OptionalLong.of(Math.round(picoseconds)) : OptionalLong.empty();
  }

  Map<String, Object> json() {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("clockPs", orNull(clockPs));
    json.put("casLatencies", casLatencies);
    json.put("accessPs", orNull(accessPs));
    json.put("rowToColumnPs", orNull(rowToColumnPs));
    json.put("prechargePs", orNull(prechargePs));
    json.put("activeToPrechargePs", orNull(activeToPrechargePs));
    json.put("activeToActivePs", orNull(activeToActivePs));
    return json;
  }
}

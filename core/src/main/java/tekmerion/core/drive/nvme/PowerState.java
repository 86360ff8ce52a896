package tekmerion.core.drive.nvme;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import tekmerion.core.page.RawPage;

/**
 * A power state descriptor of Identify Controller: NVM Express 2.0, figure 276.
 *
 * @param offset of its 32 bytes in the page
 * @param maximumWatt empty if it says 0
 * @param nonOperational whether the drive answers no reads and writes in it
 * @param entryLatencyMicros empty if it says 0
 * @param exitLatencyMicros empty if it says 0
 */
public record PowerState(
    int offset,
    OptionalDouble maximumWatt,
    boolean nonOperational,
    OptionalLong entryLatencyMicros,
    OptionalLong exitLatencyMicros) {
  static final int BYTES = 32;

  static PowerState at(RawPage raw, int at) {
    // Byte 3: bit 0 "max power scale", 0 hundredths of a watt, 1 ten-thousandths; bit 1 says
    // that the state is non-operational.
    double scale = (raw.u8(at + 3) & 1) == 0 ? 0.01 : 0.0001;
    return new PowerState(
        at,
        raw.u16(at) == 0 ? OptionalDouble.empty() : OptionalDouble.of(raw.u16(at) * scale),
        (raw.u8(at + 3) & 2) != 0,
        told(raw.unsignedLe(at + 4, 4)),
        told(raw.unsignedLe(at + 8, 4)));
  }

  private static OptionalLong told(long value) {
    return value == 0 ? OptionalLong.empty() : OptionalLong.of(value);
  }

  Map<String, Object> json() {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("maximumWatt", maximumWatt.isPresent() ? maximumWatt.getAsDouble() : null);
    json.put("nonOperational", nonOperational);
    json.put(
        "entryLatencyMicros",
        entryLatencyMicros.isPresent() ? entryLatencyMicros.getAsLong() : null);
    json.put(
        "exitLatencyMicros", exitLatencyMicros.isPresent() ? exitLatencyMicros.getAsLong() : null);
    return json;
  }
}

package tekmerion.core.drive.nvme;

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
import tekmerion.core.page.Fields;
import tekmerion.core.page.Hex;
import tekmerion.core.page.PageDamage;
import tekmerion.core.page.RawPage;

/**
 * Identify Controller: who the drive is. Power states follow from byte 2048, 32 bytes each.
 *
 * @param powerStates maximum power of each supported state [W]
 */
public record IdentifyController(Fields<ControllerField> fields, List<Double> powerStates)
    implements DecodedPage {
  public static final int PAGE_BYTES = 4096;
  private static final String NAME = "Identify Controller";
  private static final int STATES_OFFSET = 2048;
  private static final int STATE_BYTES = 32;
  private static final int MOST_STATES = 32;

  public IdentifyController {
    powerStates = List.copyOf(powerStates);
  }

  public static Decoding<IdentifyController> decode(RawPage raw) {
    return PageDamage.of(raw, NAME, PAGE_BYTES)
        .or(() -> textDamage(raw))
        .<Decoding<IdentifyController>>map(fault -> new Malformed<>(raw, fault))
        .orElseGet(() -> new Decoded<>(raw, read(raw)));
  }

  private static Optional<Fault> textDamage(RawPage raw) {
    for (int at = 4; at < 72; at++) {
      int b = raw.u8(at);
      if (b != 0 && (b < 0x20 || b > 0x7E)) {
        return Optional.of(
            new Fault(
                Fault.Kind.NOT_TEXT,
                "Serial, model or firmware is no text",
                at,
                "a printable ASCII character",
                Hex.code(b, 2)));
      }
    }
    return Optional.empty();
  }

  private static IdentifyController read(RawPage raw) {
    List<Double> watts = new ArrayList<>();
    int states = Math.min(raw.u8(263) + 1, MOST_STATES);
    for (int i = 0; i < states; i++) {
      int at = STATES_OFFSET + i * STATE_BYTES;
      // Byte 3 bit 0, "max power scale": 0 hundredths of a watt, 1 ten-thousandths.
      watts.add(raw.u16(at) * ((raw.u8(at + 3) & 1) == 0 ? 0.01 : 0.0001));
    }
    return new IdentifyController(Fields.read(ControllerField.class, raw, 0), watts);
  }

  public String modelNumber() {
    return fields.text(ControllerField.MODEL_NUMBER);
  }

  public String serialNumber() {
    return fields.text(ControllerField.SERIAL_NUMBER);
  }

  public String firmwareRevision() {
    return fields.text(ControllerField.FIRMWARE_REVISION);
  }

  @Override
  public Map<String, Object> json() {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("page", "Identify Controller (CNS 01h)");
    json.put("standard", "NVM Express 2.0");
    json.putAll(fields.json());
    json.put("powerStatesMaximumWatt", powerStates);
    return json;
  }

  @Override
  public List<FieldSpan> spans() {
    List<FieldSpan> spans = new ArrayList<>(fields.spans(""));
    for (int i = 0; i < powerStates.size(); i++) {
      spans.add(
          new FieldSpan(
              "power state %d: maximum power".formatted(i),
              STATES_OFFSET + i * STATE_BYTES,
              2,
              powerStates.get(i),
              "W"));
    }
    return spans;
  }
}

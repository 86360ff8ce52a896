package tekmerion.core.drive.nvme;

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
import tekmerion.core.page.Fields;
import tekmerion.core.page.Hex;
import tekmerion.core.page.PageDamage;
import tekmerion.core.page.RawPage;

/**
 * Identify Controller: who the drive is. Power states follow from byte 2048, 32 bytes each.
 *
 * @param powerStates each supported one, state 0 first
 */
public record IdentifyController(Fields<ControllerField> fields, List<PowerState> powerStates)
    implements DecodedPage {
  public static final int PAGE_BYTES = 4096;
  private static final String NAME = "Identify Controller";
  private static final int STATES_OFFSET = 2048;
  private static final int MAX_STATES = 32;

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
                say("page.serial-model-or-firmware-is-no-text"),
                at,
                say("page.a-printable-character"),
                Hex.code(b, 2)));
      }
    }
    return Optional.empty();
  }

  private static IdentifyController read(RawPage raw) {
    List<PowerState> powerStates = new ArrayList<>();
    int states = Math.min(raw.u8(263) + 1, MAX_STATES);
    for (int i = 0; i < states; i++) {
      powerStates.add(PowerState.at(raw, STATES_OFFSET + i * PowerState.BYTES));
    }
    return new IdentifyController(Fields.read(ControllerField.class, raw, 0), powerStates);
  }

  /** Bit 5 of the log page attributes (byte 261). */
  public boolean hasSupportedLogs() {
    return fields.isSet(ControllerField.SUPPORTED_LOG_PAGES_SUPPORTED);
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
    json.put("powerStates", powerStates.stream().map(PowerState::json).toList());
    return json;
  }

  @Override
  public List<FieldSpan> spans() {
    List<FieldSpan> spans = new ArrayList<>(fields.spans(""));
    for (int i = 0; i < powerStates.size(); i++) {
      PowerState state = powerStates.get(i);
      String name = "power state %d: ".formatted(i);
      spans.add(
          new FieldSpan(
              name + "maximum power",
              state.offset(),
              2,
              state.maximumWatt().isPresent() ? state.maximumWatt().getAsDouble() : null,
              "W"));
      spans.add(
          new FieldSpan(
              name + "non-operational", state.offset() + 3, 1, state.nonOperational(), ""));
    }
    return spans;
  }
}

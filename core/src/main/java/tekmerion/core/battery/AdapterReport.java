package tekmerion.core.battery;

import static tekmerion.words.Words.say;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import tekmerion.core.page.DecodedPage;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.FieldSpan;
import tekmerion.core.page.RawPage;

/**
 * The charge side as Linux tells of it: what kind of supply is plugged in and what it may give.
 *
 * @param plugged empty if it is not told
 * @param volts it gives, or agreed on
 * @param mostAmperes it may be asked for
 * @see SupplyText
 */
public record AdapterReport(
    String type,
    Optional<Boolean> plugged,
    OptionalDouble volts,
    OptionalDouble mostAmperes,
    Optional<String> maker,
    Optional<String> model,
    List<String> doubts,
    List<FieldSpan> spans)
    implements DecodedPage {
  private static final List<String> TYPES = List.of("Mains", "USB", "UPS", "Wireless");
  private static final double MAX_VOLTS = 100;
  private static final double MAX_AMPERES = 100;

  public AdapterReport {
    doubts = List.copyOf(doubts);
    spans = List.copyOf(spans);
  }

  /** Never an exception for what the bytes are. */
  public static Decoding<AdapterReport> decode(RawPage raw) {
    return SupplyText.decode(raw, say("battery.an-adapter"), TYPES, AdapterReport::report);
  }

  private static AdapterReport report(SupplyText text) {
    return new AdapterReport(
        text.text("USB_TYPE").flatMap(AdapterReport::chosen).or(() -> text.text("TYPE")).orElse(""),
        text.text("ONLINE").map(o -> !o.equals("0")),
        either(text, "VOLTAGE_NOW", "VOLTAGE_MAX", MAX_VOLTS),
        either(text, "CURRENT_MAX", "INPUT_CURRENT_LIMIT", MAX_AMPERES),
        text.text("MANUFACTURER"),
        text.text("MODEL_NAME"),
        text.doubts(),
        text.spans());
  }

  /** "C [PD] PD_PPS": the one in brackets holds. */
  private static Optional<String> chosen(String types) {
    int open = types.indexOf('[');
    int close = types.indexOf(']', open + 1);
    return open >= 0 && close > open
        ? Optional.of("USB " + types.substring(open + 1, close))
        : Optional.empty();
  }

  /** Zero is a driver that does not know. */
  private static OptionalDouble either(SupplyText text, String name, String other, double most) {
    OptionalDouble value = text.number(name, SupplyText.MICRO, 0, most);
    OptionalDouble found =
        value.isPresent() && value.getAsDouble() > 0
            ? value
            : text.number(other, SupplyText.MICRO, 0, most);
    return found.isPresent() && found.getAsDouble() > 0 ? found : OptionalDouble.empty();
  }

  /** What it may give [W]; empty unless both are told. */
  public OptionalDouble mostWatts() {
    return volts.isPresent() && mostAmperes.isPresent()
        ? OptionalDouble.of(volts.getAsDouble() * mostAmperes.getAsDouble())
        : OptionalDouble.empty();
  }

  @Override
  public Map<String, Object> json() {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("type", type);
    json.put("plugged", plugged.orElse(null));
    json.put("volts", volts.isPresent() ? volts.getAsDouble() : null);
    json.put("mostAmperes", mostAmperes.isPresent() ? mostAmperes.getAsDouble() : null);
    json.put("mostWatts", mostWatts().isPresent() ? mostWatts().getAsDouble() : null);
    json.put("maker", maker.orElse(null));
    json.put("model", model.orElse(null));
    json.put("doubts", doubts);
    return json;
  }
}

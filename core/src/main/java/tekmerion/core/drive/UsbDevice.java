package tekmerion.core.drive;

import static tekmerion.words.Words.say;

import java.nio.charset.StandardCharsets;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.TreeMap;
import tekmerion.core.page.DecodedPage;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.Fault;
import tekmerion.core.page.FieldSpan;
import tekmerion.core.page.RawPage;
import tekmerion.core.page.Reported;

/**
 * What a USB device's own descriptors say (USB 2.0, 9.6.1 and 9.6.7), as the system passes them on,
 * with the size of the drive behind it. Text in UTF-8, one {@code name=value} a line: {@code
 * manufacturer}, {@code product}, {@code serial}, {@code idVendor}, {@code idProduct}, {@code
 * sizeBytes}. What is blank is not reported.
 */
public record UsbDevice(Map<String, String> values) implements DecodedPage {
  private static final List<String> NAMES =
      List.of("manufacturer", "product", "serial", "idVendor", "idProduct", "sizeBytes");

  public UsbDevice {
    values = Collections.unmodifiableMap(new TreeMap<>(values));
  }

  public static Decoding<UsbDevice> decode(RawPage raw) {
    Map<String, String> values = new TreeMap<>();
    int at = 0;
    for (String line : new String(raw.bytes(), StandardCharsets.UTF_8).split("\n")) {
      int equals = line.indexOf('=');
      if (equals < 0 || !NAMES.contains(line.substring(0, equals))) {
        return new Decoding.Malformed<>(
            raw,
            new Fault(
                Fault.Kind.WRONG_KIND,
                say("drive.this-line-is-none-of-a"),
                at,
                say("drive.each-with-and-a-value", "names", String.join(", ", NAMES)),
                line.length() > 40 ? line.substring(0, 40) : line));
      }
      if (!line.substring(equals + 1).isBlank()) {
        values.put(line.substring(0, equals), line.substring(equals + 1).strip());
      }
      at += line.getBytes(StandardCharsets.UTF_8).length + 1;
    }
    return new Decoding.Decoded<>(raw, new UsbDevice(values));
  }

  public String model() {
    return "%s %s".formatted(text("manufacturer"), text("product")).strip();
  }

  public Optional<String> serial() {
    return Reported.serial(text("serial"));
  }

  public OptionalLong sizeBytes() {
    return text("sizeBytes").matches("[1-9]\\d{0,17}")
        ? OptionalLong.of(Long.parseLong(text("sizeBytes")))
        : OptionalLong.empty();
  }

  private String text(String name) {
    return values.getOrDefault(name, "");
  }

  @Override
  public Map<String, Object> json() {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("page", say("drive.usb-device-descriptors"));
    json.put("standard", "USB 2.0");
    NAMES.forEach(name -> json.put(name, values.get(name)));
    json.put("serial", serial().orElse(null));
    json.put("sizeBytes", sizeBytes().isPresent() ? sizeBytes().getAsLong() : null);
    return json;
  }

  /** Its lines have no fixed place. */
  @Override
  public List<FieldSpan> spans() {
    return List.of();
  }
}

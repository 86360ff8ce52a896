package tekmerion.core.battery;

import static tekmerion.words.Words.say;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.function.Function;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.Decoding.Decoded;
import tekmerion.core.page.Decoding.Malformed;
import tekmerion.core.page.Fault;
import tekmerion.core.page.FieldSpan;
import tekmerion.core.page.PageDamage;
import tekmerion.core.page.RawPage;

/**
 * The text that Linux gives of one power supply, one {@code POWER_SUPPLY_NAME=value} a line, with
 * the place of each value.
 *
 * @see "Linux kernel, Documentation/ABI/testing/sysfs-class-power and
 *     Documentation/power/power_supply_class.rst: all numbers in µV, µA, µAh, µWh, µW, tenths of a
 *     degree Celsius"
 */
final class SupplyText {
  private static final String PREFIX = "POWER_SUPPLY_";
  static final double MICRO = 1e-6;

  private final Map<String, FieldSpan> fields;
  private final List<String> doubts = new ArrayList<>();

  private SupplyText(Map<String, FieldSpan> fields) {
    this.fields = fields;
  }

  static Decoding<SupplyText> read(RawPage raw) {
    Optional<Fault> uniform = PageDamage.ofAtLeast(raw, say("battery.power-supply-text"), 1);
    if (uniform.isPresent()) {
      return new Malformed<>(raw, uniform.get());
    }
    String text;
    try {
      text = StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(raw.bytes())).toString();
    } catch (CharacterCodingException e) {
      return new Malformed<>(
          raw, notText(say("battery.text-in-utf-8"), say("battery.other-bytes"), 0));
    }
    Map<String, FieldSpan> fields = new LinkedHashMap<>();
    int offset = 0;
    for (String line : text.split("\n", -1)) {
      int bytes = line.getBytes(StandardCharsets.UTF_8).length;
      int equals = line.indexOf('=');
      if (equals > 0 && line.startsWith(PREFIX)) {
        String name = line.substring(PREFIX.length(), equals);
        fields.put(
            name, new FieldSpan(name, offset, bytes, line.substring(equals + 1).strip(), ""));
      } else if (!line.isBlank() && !line.startsWith("DEVTYPE=")) {
        return new Malformed<>(raw, notText(PREFIX + "NAME=value", brief(line), offset));
      }
      offset += bytes + 1;
    }
    return fields.isEmpty()
        ? new Malformed<>(raw, notText(PREFIX + "NAME=value", say("battery.no-such-line"), 0))
        : new Decoded<>(raw, new SupplyText(fields));
  }

  private static Fault notText(String expected, String found, int offset) {
    return new Fault(
        Fault.Kind.NOT_TEXT, say("battery.this-is-no-text-of-a"), offset, expected, found);
  }

  private static String brief(String line) {
    return line.length() <= 40 ? line : line.substring(0, 40) + "…";
  }

  /** The fault of a supply of another type than wanted. */
  Optional<Fault> unlessType(String wanted, List<String> types) {
    String type = text("TYPE").orElse("");
    if (types.contains(type)) {
      return Optional.empty();
    }
    FieldSpan span = fields.get("TYPE");
    return Optional.of(
        new Fault(
            Fault.Kind.WRONG_KIND,
            say("battery.this-supply-is-not", "wanted", wanted),
            span == null ? 0 : span.offset(),
            say("battery.type", "type", String.join(say("battery.or"), types)),
            type.isEmpty() ? say("battery.no-type") : say("battery.type", "type", type)));
  }

  /** Reads a page as a supply of one of these types. */
  static <T> Decoding<T> decode(
      RawPage raw, String wanted, List<String> types, Function<SupplyText, T> report) {
    Decoding<SupplyText> read = read(raw);
    Optional<Fault> fault =
        read.damage().or(() -> read.decoded().orElseThrow().unlessType(wanted, types));
    return fault.isPresent()
        ? new Malformed<>(raw, fault.get())
        : new Decoded<>(raw, report.apply(read.decoded().orElseThrow()));
  }

  Optional<String> text(String name) {
    return Optional.ofNullable(fields.get(name))
        .map(f -> f.value().toString())
        .filter(v -> !v.isEmpty());
  }

  /** A whole number; one that cannot be parsed is a doubt. */
  OptionalLong whole(String name) {
    Optional<String> text = text(name);
    if (text.isEmpty()) {
      return OptionalLong.empty();
    }
    try {
      return OptionalLong.of(Long.parseLong(text.get()));
    } catch (NumberFormatException e) {
      doubts.add(say("battery.is-no-whole-number", "name", name, "brief", brief(text.get())));
      return OptionalLong.empty();
    }
  }

  /**
   * In its unit; what lies outside of [least, most] is a doubt.
   *
   * @param scale what the last digit is worth
   */
  OptionalDouble number(String name, double scale, double least, double most) {
    OptionalLong whole = whole(name);
    if (whole.isEmpty()) {
      return OptionalDouble.empty();
    }
    double value = whole.getAsLong() * scale;
    if (value < least || value > most) {
      doubts.add(
          say(
              "battery.cannot-be-expected-to",
              "name",
              name,
              "value",
              value,
              "least",
              least,
              "most",
              most));
      return OptionalDouble.empty();
    }
    return OptionalDouble.of(value);
  }

  List<String> doubts() {
    return doubts;
  }

  void doubt(String sentence) {
    doubts.add(sentence);
  }

  List<FieldSpan> spans() {
    return List.copyOf(fields.values());
  }
}

package tekmerion.core.drive.scsi;

import static tekmerion.words.Words.say;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.OptionalLong;
import tekmerion.core.page.DecodedPage;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.Decoding.Decoded;
import tekmerion.core.page.Decoding.Malformed;
import tekmerion.core.page.Fault;
import tekmerion.core.page.FieldSpan;
import tekmerion.core.page.Hex;
import tekmerion.core.page.PageDamage;
import tekmerion.core.page.RawPage;

/**
 * A SCSI log page: SPC-5, 7.3.2. The pages that concern health are read field by field, every other
 * one parameter by parameter.
 *
 * <pre>
 * 0    bit 7 disable save, bit 6 subpage format, bits 5:0 page code
 * 1    subpage code
 * 2–3  page length: bytes that follow
 * 4…   parameters
 * </pre>
 *
 * @param pageCode 0–63
 * @param fields what is understood of the parameters
 */
public record ScsiLog(int pageCode, int subpageCode, int length, List<FieldSpan> fields)
    implements DecodedPage {
  public static final int SUPPORTED = 0x00;
  public static final int WRITE_ERRORS = 0x02;
  public static final int READ_ERRORS = 0x03;
  public static final int VERIFY_ERRORS = 0x05;
  public static final int TEMPERATURE = 0x0D;
  public static final int SELF_TESTS = 0x10;
  public static final int SOLID_STATE = 0x11;
  public static final int BACKGROUND_SCAN = 0x15;
  public static final int EXCEPTIONS = 0x2F;

  private static final String NAME = "SCSI log page";
  private static final int HEADER_BYTES = 4;
  private static final int ALL_SUBPAGES = 0xFF;

  public ScsiLog {
    fields = List.copyOf(fields);
  }

  /** Bytes after the page's own length are padding and ignored. */
  public static Decoding<ScsiLog> decode(RawPage raw) {
    Optional<Fault> damage =
        PageDamage.ofAtLeast(raw, NAME, HEADER_BYTES).or(() -> lengthDamage(raw));
    if (damage.isPresent()) {
      return new Malformed<>(raw, damage.get());
    }
    int pageCode = raw.u8(0) & 0x3F;
    int end = HEADER_BYTES + raw.u16be(2);
    if (pageCode == SUPPORTED) {
      return new Decoded<>(
          raw, new ScsiLog(pageCode, raw.u8(1), end - HEADER_BYTES, supported(raw, end)));
    }
    List<FieldSpan> fields = new ArrayList<>();
    int at = HEADER_BYTES;
    while (at < end) {
      if (at + LogParameter.HEADER_BYTES > end || LogParameter.at(raw, at).end() > end) {
        return new Malformed<>(
            raw,
            new Fault(
                Fault.Kind.WRONG_SIZE,
                say("page.a-parameter-does-not-fit"),
                at,
                say("page.a-parameter-that-ends-in-time", "end", end),
                raw.hex(at, Math.min(LogParameter.HEADER_BYTES, end - at))));
      }
      LogParameter parameter = LogParameter.at(raw, at);
      fields.addAll(ParameterReader.read(pageCode, parameter));
      at = parameter.end();
    }
    return new Decoded<>(raw, new ScsiLog(pageCode, raw.u8(1), end - HEADER_BYTES, fields));
  }

  private static Optional<Fault> lengthDamage(RawPage raw) {
    int claimed = raw.u16be(2);
    return HEADER_BYTES + claimed <= raw.size()
        ? Optional.empty()
        : Optional.of(
            new Fault(
                Fault.Kind.WRONG_SIZE,
                say("page.is-cut-off", "page", NAME),
                2,
                say("page.bytes-after-the-header", "count", claimed),
                say("page.bytes", "count", raw.size() - HEADER_BYTES)));
  }

  /** Page by page; of the list with subpages, by two bytes each (SPC-5, 7.3.20 and 7.3.21). */
  private static List<FieldSpan> supported(RawPage raw, int end) {
    List<FieldSpan> fields = new ArrayList<>();
    if (raw.u8(1) == ALL_SUBPAGES) {
      for (int at = HEADER_BYTES; at + 1 < end; at += 2) {
        String page = Hex.code(raw.u8(at) & 0x3F, 2) + " subpage " + Hex.code(raw.u8(at + 1), 2);
        fields.add(new FieldSpan("supportedPage", at, 2, page, ""));
      }
      return fields;
    }
    for (int at = HEADER_BYTES; at < end; at++) {
      fields.add(new FieldSpan("supportedPage", at, 1, Hex.code(raw.u8(at) & 0x3F, 2), ""));
    }
    return fields;
  }

  /** The page's name in the standard's words. */
  public String name() {
    return switch (pageCode) {
      case SUPPORTED -> "Supported Log Pages";
      case WRITE_ERRORS -> "Write Error Counters";
      case READ_ERRORS -> "Read Error Counters";
      case VERIFY_ERRORS -> "Verify Error Counters";
      case TEMPERATURE -> "Temperature";
      case SELF_TESTS -> "Self-Test Results";
      case SOLID_STATE -> "Solid State Media";
      case BACKGROUND_SCAN -> "Background Scan";
      case EXCEPTIONS -> "Informational Exceptions";
      default -> "log page without a decoder";
    };
  }

  /**
   * The first field of this name that is a number; empty if there is none or it is not reported.
   */
  public OptionalLong number(String field) {
    return fields.stream()
        .filter(f -> f.name().equals(field) && f.value() instanceof Long)
        .mapToLong(f -> (Long) f.value())
        .findFirst();
  }

  /** Degrees Celsius, on pages 0Dh and 2Fh. */
  public OptionalInt temperatureC() {
    OptionalLong t = number("temperature");
    return t.isPresent() ? OptionalInt.of((int) t.getAsLong()) : OptionalInt.empty();
  }

  @Override
  public Map<String, Object> json() {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("page", "%s (%02Xh)".formatted(name(), pageCode));
    json.put("standard", "SPC-5, SBC-4");
    json.put("pageCode", Hex.code(pageCode, 2));
    json.put("subpageCode", Hex.code(subpageCode, 2));
    json.put("length", length);
    List<Map<String, Object>> list = new ArrayList<>();
    for (FieldSpan field : fields) {
      Map<String, Object> one = new LinkedHashMap<>();
      one.put("name", field.name());
      one.put("offset", field.offset());
      one.put("value", field.value());
      one.put("unit", field.unit());
      list.add(one);
    }
    json.put("fields", list);
    return json;
  }

  @Override
  public List<FieldSpan> spans() {
    return fields;
  }

  /** Long, or text if it is above 2^63 − 1. */
  static Object number(BigInteger value) {
    return value.bitLength() > 63 ? value.toString() : (Object) value.longValueExact();
  }
}

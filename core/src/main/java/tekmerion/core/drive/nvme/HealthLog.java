package tekmerion.core.drive.nvme;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import tekmerion.core.page.DecodedPage;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.Decoding.Decoded;
import tekmerion.core.page.Decoding.Malformed;
import tekmerion.core.page.FieldSpan;
import tekmerion.core.page.Fields;
import tekmerion.core.page.PageDamage;
import tekmerion.core.page.RawPage;

/** SMART / Health Information (log page 02h): what the drive counts about itself. */
public record HealthLog(Fields<HealthField> fields) implements DecodedPage {
  public static final int PAGE_BYTES = 512;

  /** 0 °C in kelvin, as the specification rounds it. */
  private static final int ICE_POINT_K = 273;

  /** No drive tells more than from -73 to 200 °C in earnest. */
  private static final int COLDEST_K = 200;

  private static final int HOTTEST_K = 473;

  /** A share of what it had when new. */
  private static final int MAX_SPARE = 100;

  public static Decoding<HealthLog> decode(RawPage raw) {
    return PageDamage.of(raw, "SMART / Health Information", PAGE_BYTES)
        .<Decoding<HealthLog>>map(fault -> new Malformed<>(raw, fault))
        .orElseGet(() -> new Decoded<>(raw, new HealthLog(Fields.read(HealthField.class, raw, 0))));
  }

  /** Empty if not reported, or if it cannot be true. */
  public OptionalInt temperatureC() {
    OptionalInt kelvin = fields.small(HealthField.COMPOSITE_TEMPERATURE);
    if (kelvin.isPresent() && (kelvin.getAsInt() < COLDEST_K || kelvin.getAsInt() > HOTTEST_K)) {
      return OptionalInt.empty();
    }
    return kelvin.isPresent() ? OptionalInt.of(kelvin.getAsInt() - ICE_POINT_K) : kelvin;
  }

  @Override
  public Map<String, Object> json() {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("page", "SMART / Health Information (02h)");
    json.put("standard", "NVM Express 2.0");
    json.put("temperatureC", temperatureC().isPresent() ? temperatureC().getAsInt() : null);
    json.put("implausible", implausible());
    json.putAll(fields.json());
    return json;
  }

  /** Names of the fields whose numbers cannot be true. */
  private List<String> implausible() {
    List<String> names = new ArrayList<>();
    if (fields.small(HealthField.COMPOSITE_TEMPERATURE).isPresent() && temperatureC().isEmpty()) {
      names.add(HealthField.COMPOSITE_TEMPERATURE.jsonName());
    }
    if (fields.small(HealthField.AVAILABLE_SPARE).orElse(0) > MAX_SPARE) {
      names.add(HealthField.AVAILABLE_SPARE.jsonName());
    }
    return names;
  }

  @Override
  public List<FieldSpan> spans() {
    return fields.spans("");
  }
}

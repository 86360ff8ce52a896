package tekmerion.core.drive.nvme;

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

  public static Decoding<HealthLog> decode(RawPage raw) {
    return PageDamage.of(raw, "SMART / Health Information", PAGE_BYTES)
        .<Decoding<HealthLog>>map(fault -> new Malformed<>(raw, fault))
        .orElseGet(() -> new Decoded<>(raw, new HealthLog(Fields.read(HealthField.class, raw, 0))));
  }

  public OptionalInt temperatureC() {
    OptionalInt kelvin = fields.small(HealthField.COMPOSITE_TEMPERATURE);
    return kelvin.isPresent() ? OptionalInt.of(kelvin.getAsInt() - ICE_POINT_K) : kelvin;
  }

  @Override
  public Map<String, Object> json() {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("page", "SMART / Health Information (02h)");
    json.put("standard", "NVM Express 2.0");
    json.put("temperatureC", temperatureC().isPresent() ? temperatureC().getAsInt() : null);
    json.putAll(fields.json());
    return json;
  }

  @Override
  public List<FieldSpan> spans() {
    return fields.spans("");
  }
}

package tekmerion.core.drive.ata;

import static tekmerion.words.Words.say;

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
import tekmerion.core.page.RawPage;

/** SCT status (log E0h): temperature over the drive's life and whether a limit was passed. */
public record SctStatus(Fields<SctStatusField> fields) implements DecodedPage {
  private static final String NAME = "SCT status";

  /** Bytes 214–215, format version 3: the drive's own verdict. */
  public static final int SMART_EXCEEDED = 0x2CF4;

  public static Decoding<SctStatus> decode(RawPage raw) {
    return AtaPage.damage(raw, NAME)
        .or(() -> formatDamage(raw))
        .<Decoding<SctStatus>>map(fault -> new Malformed<>(raw, fault))
        .orElseGet(
            () -> new Decoded<>(raw, new SctStatus(Fields.read(SctStatusField.class, raw, 0))));
  }

  private static Optional<Fault> formatDamage(RawPage raw) {
    int version = raw.u16(0);
    return version == 2 || version == 3
        ? Optional.empty()
        : Optional.of(
            new Fault(
                Fault.Kind.WRONG_KIND,
                say("page.has-another-format", "page", NAME),
                0,
                say("page.either", "one", "0002h", "other", "0003h"),
                Hex.code(version, 4)));
  }

  @Override
  public Map<String, Object> json() {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("page", "SCT status (E0h)");
    json.put("standard", "ACS-3");
    json.putAll(fields.json());
    return json;
  }

  @Override
  public List<FieldSpan> spans() {
    return fields.spans("");
  }
}

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
import tekmerion.core.page.PageDamage;
import tekmerion.core.page.RawPage;

/**
 * Error Information (log page 01h): entries of 64 bytes. An entry whose error count is 0 was never
 * written, so a log of zeros is a good log without errors.
 *
 * @param entries in the order of the log, unused ones left out
 */
public record ErrorInformationLog(List<Fields<ErrorField>> entries) implements DecodedPage {
  private static final String NAME = "Error Information log";
  private static final int ENTRY_BYTES = 64;
  private static final int MEDIA_ERRORS = 2;

  public ErrorInformationLog {
    entries = List.copyOf(entries);
  }

  public static Decoding<ErrorInformationLog> decode(RawPage raw) {
    Optional<Fault> damage = PageDamage.ofBlocks(raw, NAME, ENTRY_BYTES);
    if (damage.isPresent() && damage.get().kind() != Fault.Kind.ALL_ZERO) {
      return new Malformed<>(raw, damage.get());
    }
    List<Fields<ErrorField>> entries = new ArrayList<>();
    for (int at = 0; at < raw.size(); at += ENTRY_BYTES) {
      if (!raw.isFilledWith(0, at, 8)) {
        entries.add(Fields.read(ErrorField.class, raw, at));
      }
    }
    return new Decoded<>(raw, new ErrorInformationLog(entries));
  }

  /** Entries whose status is a media or data integrity error (status code type 2h). */
  public long mediaErrors() {
    return entries.stream()
        .filter(e -> e.small(ErrorField.STATUS_CODE_TYPE).orElse(-1) == MEDIA_ERRORS)
        .count();
  }

  @Override
  public Map<String, Object> json() {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("page", "Error Information (01h)");
    json.put("standard", "NVM Express 2.0");
    json.put("entries", entries.stream().map(Fields::json).toList());
    return json;
  }

  @Override
  public List<FieldSpan> spans() {
    List<FieldSpan> spans = new ArrayList<>();
    for (int i = 0; i < entries.size(); i++) {
      spans.addAll(entries.get(i).spans("error %d: ".formatted(i + 1)));
    }
    return spans;
  }
}

package tekmerion.core.drive.ata;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import tekmerion.core.page.DecodedPage;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.Decoding.Decoded;
import tekmerion.core.page.Decoding.Malformed;
import tekmerion.core.page.FieldSpan;
import tekmerion.core.page.Hex;
import tekmerion.core.page.RawPage;

/**
 * Which logs the drive has: ACS-3, A.2 Log Directory (00h). Word 0 is the version, word n the
 * number of pages of log n.
 *
 * @param pagesByLog logs with at least one page, by address 1 to 255
 */
public record LogDirectory(int version, Map<Integer, Integer> pagesByLog) implements DecodedPage {
  private static final String NAME = "Log Directory";

  public LogDirectory {
    pagesByLog = Collections.unmodifiableMap(new TreeMap<>(pagesByLog));
  }

  public static Decoding<LogDirectory> decode(RawPage raw) {
    return AtaPage.damage(raw, NAME)
        .<Decoding<LogDirectory>>map(fault -> new Malformed<>(raw, fault))
        .orElseGet(() -> new Decoded<>(raw, read(raw)));
  }

  private static LogDirectory read(RawPage raw) {
    Map<Integer, Integer> pages = new TreeMap<>();
    for (int log = 1; log <= 255; log++) {
      if (raw.u16(2 * log) != 0) {
        pages.put(log, raw.u16(2 * log));
      }
    }
    return new LogDirectory(raw.u16(0), pages);
  }

  @Override
  public Map<String, Object> json() {
    Map<String, Object> logs = new LinkedHashMap<>();
    pagesByLog.forEach((log, pages) -> logs.put(Hex.code(log, 2), pages));
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("page", "Log Directory (00h)");
    json.put("standard", "ACS-3");
    json.put("version", version);
    json.put("pagesByLog", logs);
    return json;
  }

  @Override
  public List<FieldSpan> spans() {
    List<FieldSpan> spans = new ArrayList<>();
    spans.add(new FieldSpan("version", 0, 2, version, ""));
    pagesByLog.forEach(
        (log, pages) ->
            spans.add(new FieldSpan("log " + Hex.code(log, 2) + ": pages", 2 * log, 2, pages, "")));
    return spans;
  }
}

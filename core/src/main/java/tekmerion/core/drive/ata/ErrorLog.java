package tekmerion.core.drive.ata;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tekmerion.core.page.DecodedPage;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.Decoding.Decoded;
import tekmerion.core.page.Decoding.Malformed;
import tekmerion.core.page.FieldSpan;
import tekmerion.core.page.Hex;
import tekmerion.core.page.RawPage;

/**
 * Errors that the drive reported to its hosts: ACS-3, A.20 Summary SMART Error log (01h) and A.7
 * Extended Comprehensive SMART Error log (03h).
 *
 * <pre>
 * 01h                                03h, each page of 512 bytes
 * 0        version, 01h              0        version, 01h
 * 1        index of the newest       2–3      index of the newest (first page)
 * 2–451    5 entries of 90 bytes     4–499    4 entries of 124 bytes
 * 452–453  device error count        500–501  device error count (first page)
 * 511      checksum                  511      checksum
 * </pre>
 *
 * @param deviceErrorCount over the drive's life; stops at FFFFh
 * @param entries newest first, unused ones left out
 */
public record ErrorLog(
    boolean extended, int newest, int deviceErrorCount, List<LoggedError> entries)
    implements DecodedPage {
  private static final String NAME = "SMART Error log";
  private static final int SUMMARY_ENTRIES = 5;
  private static final int EXTENDED_ENTRIES = 4;

  public ErrorLog {
    entries = List.copyOf(entries);
  }

  /** Log 01h, one page. */
  public static Decoding<ErrorLog> decode(RawPage raw) {
    return AtaPage.damage(raw, NAME)
        .or(() -> AtaPage.checksumDamage(raw, NAME))
        .or(() -> AtaPage.versionDamage(raw, NAME, 0, 1))
        .<Decoding<ErrorLog>>map(fault -> new Malformed<>(raw, fault))
        .orElseGet(() -> new Decoded<>(raw, read(raw, false)));
  }

  /** Log 03h, one or more pages. */
  public static Decoding<ErrorLog> decodeExtended(RawPage raw) {
    String name = "Extended Comprehensive " + NAME;
    return AtaPage.logDamage(raw, name)
        .or(() -> AtaPage.versionDamage(raw, name, 0, 1))
        .<Decoding<ErrorLog>>map(fault -> new Malformed<>(raw, fault))
        .orElseGet(() -> new Decoded<>(raw, read(raw, true)));
  }

  private static ErrorLog read(RawPage raw, boolean extended) {
    List<Integer> offsets = new ArrayList<>();
    int length = extended ? LoggedError.EXTENDED_BYTES : LoggedError.SUMMARY_BYTES;
    for (int page = 0; page < raw.size(); page += AtaPage.PAGE_BYTES) {
      for (int i = 0; i < (extended ? EXTENDED_ENTRIES : SUMMARY_ENTRIES); i++) {
        offsets.add(page + (extended ? 4 : 2) + i * length);
      }
    }
    int newest = extended ? raw.u16(2) : raw.u8(1);
    List<LoggedError> entries = new ArrayList<>();
    if (newest >= 1 && newest <= offsets.size()) {
      for (int i = 0; i < offsets.size(); i++) {
        int at = offsets.get(Math.floorMod(newest - 1 - i, offsets.size()));
        if (!raw.isFilledWith(0, at, length)) {
          entries.add(extended ? LoggedError.extendedAt(raw, at) : LoggedError.summaryAt(raw, at));
        }
      }
    }
    return new ErrorLog(extended, newest, raw.u16(extended ? 500 : 452), entries);
  }

  @Override
  public Map<String, Object> json() {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put(
        "page",
        extended
            ? "Extended Comprehensive SMART Error log (03h)"
            : "Summary SMART Error log (01h)");
    json.put("standard", "ACS-3");
    json.put("newest", newest);
    json.put("deviceErrorCount", deviceErrorCount);
    json.put("entries", entries.stream().map(ErrorLog::json).toList());
    return json;
  }

  private static Map<String, Object> json(LoggedError e) {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("error", Hex.code(e.error(), 2));
    json.put("status", Hex.code(e.status(), 2));
    json.put("interfaceCrc", e.isInterfaceCrc());
    json.put("uncorrectable", e.isUncorrectable());
    json.put("idNotFound", e.isIdNotFound());
    json.put("aborted", e.isAborted());
    json.put("count", e.count());
    json.put("lba", e.lba());
    json.put("state", e.state());
    json.put("lifeTimestampHours", e.lifeHours());
    List<Map<String, Object>> commands = new ArrayList<>();
    for (LoggedError.LoggedCommand c : e.commands()) {
      Map<String, Object> one = new LinkedHashMap<>();
      one.put("command", Hex.code(c.code(), 2));
      one.put("feature", c.feature());
      one.put("count", c.count());
      one.put("lba", c.lba());
      one.put("device", Hex.code(c.device(), 2));
      one.put("timestampMs", c.timestampMs());
      commands.add(one);
    }
    json.put("commands", commands);
    return json;
  }

  @Override
  public List<FieldSpan> spans() {
    List<FieldSpan> spans = new ArrayList<>();
    spans.add(new FieldSpan("newest", extended ? 2 : 1, extended ? 2 : 1, newest, ""));
    int n = 0;
    for (LoggedError e : entries) {
      String prefix = "error " + ++n + ": ";
      int own = extended ? 90 : 60;
      spans.add(new FieldSpan(prefix + "commands", e.offset(), own, e.commands().size(), ""));
      int at = e.offset() + own;
      spans.add(new FieldSpan(prefix + "error", at + 1, 1, e.words(), ""));
      spans.add(
          new FieldSpan(prefix + "lba", at + (extended ? 4 : 3), extended ? 6 : 3, e.lba(), ""));
      spans.add(new FieldSpan(prefix + "state", at + (extended ? 31 : 27), 1, e.state(), ""));
      spans.add(
          new FieldSpan(
              prefix + "lifeTimestampHours", at + (extended ? 32 : 28), 2, e.lifeHours(), "h"));
    }
    spans.add(new FieldSpan("deviceErrorCount", extended ? 500 : 452, 2, deviceErrorCount, ""));
    return spans;
  }
}

package tekmerion.core.drive.ata;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import tekmerion.core.page.DecodedPage;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.Decoding.Decoded;
import tekmerion.core.page.Decoding.Malformed;
import tekmerion.core.page.Fault;
import tekmerion.core.page.FieldSpan;
import tekmerion.core.page.PageDamage;
import tekmerion.core.page.RawPage;

/**
 * Pending Defects log (0Ch): sectors that the drive knows it cannot read. ACS-4, 9.22. The first
 * page begins with the number of entries (4 bytes) in a header of 16; each entry is 16 bytes:
 * power-on hours (4), reserved (4), LBA (8).
 *
 * @param count how many there are, also those on pages that were not read
 * @param entries in their order
 */
public record PendingDefects(long count, List<Entry> entries) implements DecodedPage {
  private static final String NAME = "Pending Defects log";
  private static final int ENTRY_BYTES = 16;
  private static final long NOT_REPORTED = 0xFFFF_FFFFL;

  /**
   * One sector.
   *
   * @param offset of the entry in the log
   * @param powerOnHours when it was found; empty if not reported
   */
  public record Entry(int offset, OptionalLong powerOnHours, long lba) {}

  public PendingDefects {
    entries = List.copyOf(entries);
  }

  public static Decoding<PendingDefects> decode(RawPage raw) {
    return PageDamage.ofAtLeast(raw, NAME, AtaPage.PAGE_BYTES)
        .or(() -> countDamage(raw))
        .<Decoding<PendingDefects>>map(fault -> new Malformed<>(raw, fault))
        .orElseGet(() -> new Decoded<>(raw, read(raw)));
  }

  /** ACS-4: at most 65,535 pages of 32 entries, less the header. */
  private static Optional<Fault> countDamage(RawPage raw) {
    long most = 65_535L * 32 - 1;
    return raw.unsignedLe(0, 4) <= most
        ? Optional.empty()
        : Optional.of(
            new Fault(
                Fault.Kind.WRONG_KIND,
                say("page.this-is-no", "page", NAME),
                0,
                say("page.at-most-entries", "most", most),
                raw.hex(0, 4)));
  }

  private static PendingDefects read(RawPage raw) {
    long count = raw.unsignedLe(0, 4);
    List<Entry> entries = new ArrayList<>();
    for (int i = 1; i <= count && (i + 1) * ENTRY_BYTES <= raw.size(); i++) {
      int at = i * ENTRY_BYTES;
      long hours = raw.unsignedLe(at, 4);
      entries.add(
          new Entry(
              at,
              hours == NOT_REPORTED ? OptionalLong.empty() : OptionalLong.of(hours),
              raw.unsignedLe(at + 8, 6)));
    }
    return new PendingDefects(count, entries);
  }

  @Override
  public Map<String, Object> json() {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("page", "Pending Defects log (0Ch)");
    json.put("standard", "ACS-4");
    json.put("count", count);
    List<Map<String, Object>> list = new ArrayList<>();
    for (Entry entry : entries) {
      Map<String, Object> one = new LinkedHashMap<>();
      one.put(
          "powerOnHours",
          entry.powerOnHours().isPresent() ? entry.powerOnHours().getAsLong() : null);
      one.put("lba", entry.lba());
      list.add(one);
    }
    json.put("entries", list);
    return json;
  }

  @Override
  public List<FieldSpan> spans() {
    List<FieldSpan> spans = new ArrayList<>();
    spans.add(new FieldSpan("count", 0, 4, count, ""));
    entries.forEach(e -> spans.add(new FieldSpan("lba", e.offset() + 8, 8, e.lba(), "")));
    return spans;
  }
}

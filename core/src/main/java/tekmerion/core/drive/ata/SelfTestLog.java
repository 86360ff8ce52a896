package tekmerion.core.drive.ata;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tekmerion.core.page.DecodedPage;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.Decoding.Decoded;
import tekmerion.core.page.Decoding.Malformed;
import tekmerion.core.page.FieldSpan;
import tekmerion.core.page.RawPage;

/**
 * The drive's memory of its self-tests: ACS-3, A.22 SMART Self-Test log (06h) and A.8 Extended
 * SMART Self-Test log (07h).
 *
 * <pre>
 * 06h                                    07h, each page of 512 bytes
 * 0–1      structure revision, 0001h     0        version, 01h
 * 2–505    21 descriptors of 24 bytes    2–3      descriptor index (first page)
 * 508      descriptor index              4–497    19 descriptors of 26 bytes
 * 511      checksum                      511      checksum
 * </pre>
 *
 * @param extended whether it is log 07h
 * @param newest index of the newest descriptor, from 1; 0 if none was ever written
 * @param entries newest first, unused ones left out
 */
public record SelfTestLog(boolean extended, int newest, List<SelfTestEntry> entries)
    implements DecodedPage {
  private static final String NAME = "SMART Self-Test log";
  private static final int SUMMARY_ENTRIES = 21;
  private static final int EXTENDED_ENTRIES = 19;

  public SelfTestLog {
    entries = List.copyOf(entries);
  }

  /** Log 06h, one page. */
  public static Decoding<SelfTestLog> decode(RawPage raw) {
    return AtaPage.damage(raw, NAME)
        .or(() -> AtaPage.checksumDamage(raw, NAME))
        .or(() -> AtaPage.versionDamage(raw, NAME, 0, 1))
        .<Decoding<SelfTestLog>>map(fault -> new Malformed<>(raw, fault))
        .orElseGet(() -> new Decoded<>(raw, summary(raw)));
  }

  /** Log 07h, one or more pages. */
  public static Decoding<SelfTestLog> decodeExtended(RawPage raw) {
    return AtaPage.logDamage(raw, "Extended " + NAME)
        .or(() -> AtaPage.versionDamage(raw, "Extended " + NAME, 0, 1))
        .<Decoding<SelfTestLog>>map(fault -> new Malformed<>(raw, fault))
        .orElseGet(() -> new Decoded<>(raw, extended(raw)));
  }

  private static SelfTestLog summary(RawPage raw) {
    List<Integer> offsets = new ArrayList<>();
    for (int i = 0; i < SUMMARY_ENTRIES; i++) {
      offsets.add(2 + i * SelfTestEntry.SUMMARY_BYTES);
    }
    return new SelfTestLog(false, raw.u8(508), entries(raw, raw.u8(508), offsets, false));
  }

  private static SelfTestLog extended(RawPage raw) {
    List<Integer> offsets = new ArrayList<>();
    for (int page = 0; page < raw.size(); page += AtaPage.PAGE_BYTES) {
      for (int i = 0; i < EXTENDED_ENTRIES; i++) {
        offsets.add(page + 4 + i * SelfTestEntry.EXTENDED_BYTES);
      }
    }
    return new SelfTestLog(true, raw.u16(2), entries(raw, raw.u16(2), offsets, true));
  }

  /** From the newest backwards round the ring; a descriptor of zeros was never written. */
  private static List<SelfTestEntry> entries(
      RawPage raw, int newest, List<Integer> offsets, boolean extended) {
    List<SelfTestEntry> entries = new ArrayList<>();
    if (newest < 1 || newest > offsets.size()) {
      return entries;
    }
    int length = extended ? SelfTestEntry.EXTENDED_BYTES : SelfTestEntry.SUMMARY_BYTES;
    for (int i = 0; i < offsets.size(); i++) {
      int offset = offsets.get(Math.floorMod(newest - 1 - i, offsets.size()));
      if (!raw.isFilledWith(0, offset, length)) {
        entries.add(SelfTestEntry.at(raw, offset, extended));
      }
    }
    return entries;
  }

  public Optional<SelfTestEntry> latest() {
    return entries.stream().findFirst();
  }

  @Override
  public Map<String, Object> json() {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("page", extended ? "Extended SMART Self-Test log (07h)" : "SMART Self-Test log (06h)");
    json.put("standard", "ACS-3");
    json.put("newest", newest);
    List<Map<String, Object>> list = new ArrayList<>();
    for (SelfTestEntry e : entries) {
      Map<String, Object> one = new LinkedHashMap<>();
      one.put("test", e.test());
      one.put("subcommand", e.subcommand());
      one.put("status", e.status().name());
      one.put("statusCode", e.statusCode());
      one.put("remainingPercent", e.remainingPercent());
      one.put("lifeTimestampHours", e.lifeHours());
      one.put("checkpoint", e.checkpoint());
      one.put(
          "firstFailingLba",
          e.firstFailingLba().isPresent() ? e.firstFailingLba().getAsLong() : null);
      list.add(one);
    }
    json.put("entries", list);
    return json;
  }

  @Override
  public List<FieldSpan> spans() {
    List<FieldSpan> spans = new ArrayList<>();
    spans.add(new FieldSpan("newest", extended ? 2 : 508, extended ? 2 : 1, newest, ""));
    int n = 0;
    for (SelfTestEntry e : entries) {
      String prefix = "test " + ++n + ": ";
      int at = e.offset();
      spans.add(new FieldSpan(prefix + "test", at, 1, e.test(), ""));
      spans.add(new FieldSpan(prefix + "status", at + 1, 1, e.status().words(), ""));
      spans.add(new FieldSpan(prefix + "remaining", at + 1, 1, e.remainingPercent(), "%"));
      spans.add(new FieldSpan(prefix + "lifeTimestampHours", at + 2, 2, e.lifeHours(), "h"));
      spans.add(new FieldSpan(prefix + "checkpoint", at + 4, 1, e.checkpoint(), ""));
      spans.add(
          new FieldSpan(
              prefix + "firstFailingLba",
              at + 5,
              extended ? 6 : 4,
              e.firstFailingLba().isPresent() ? e.firstFailingLba().getAsLong() : null,
              ""));
    }
    return spans;
  }
}

package tekmerion.core.drive.ata;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
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
 * Device Statistics log (04h): ACS-3, A.5. One or more pages of 512 bytes, in any order; each
 * begins with a quadword that holds its revision and, in byte 2, its page number. A statistic's
 * quadword has in byte 7: bit 7 supported, 6 valid, 5 normalized, 3 monitored condition met.
 *
 * @param pages numbers of the pages given, in their order
 * @param entries supported statistics
 */
public record DeviceStatistics(List<Integer> pages, Map<DeviceStatistic, Entry> entries)
    implements DecodedPage {
  private static final String NAME = "Device Statistics log";
  private static final int HIGHEST_PAGE = 7;

  /**
   * One supported statistic.
   *
   * @param offset of its quadword in the bytes given
   * @param value empty if the drive says that it is not valid now
   * @param normalized whether it is a normalized number of the maker's instead of the plain one
   * @param conditionMet whether a condition that the drive monitors has come about
   */
  public record Entry(int offset, OptionalLong value, boolean normalized, boolean conditionMet) {}

  public DeviceStatistics {
    pages = List.copyOf(pages);
    Map<DeviceStatistic, Entry> copy = new EnumMap<>(DeviceStatistic.class);
    copy.putAll(entries);
    entries = Collections.unmodifiableMap(copy);
  }

  public static Decoding<DeviceStatistics> decode(RawPage raw) {
    return PageDamage.ofBlocks(raw, NAME, AtaPage.PAGE_BYTES)
        .or(() -> numberDamage(raw))
        .<Decoding<DeviceStatistics>>map(fault -> new Malformed<>(raw, fault))
        .orElseGet(() -> new Decoded<>(raw, read(raw)));
  }

  private static Optional<Fault> numberDamage(RawPage raw) {
    for (int at = 0; at < raw.size(); at += AtaPage.PAGE_BYTES) {
      int number = raw.u8(at + 2);
      if (raw.u16(at) == 0 || number > HIGHEST_PAGE && number != 0xFF) {
        return Optional.of(
            new Fault(
                Fault.Kind.WRONG_KIND,
                say("page.this-is-no-page-of", "page", NAME),
                at,
                say("page.a-revision-and-a-number"),
                raw.hex(at, 8)));
      }
    }
    return Optional.empty();
  }

  private static DeviceStatistics read(RawPage raw) {
    List<Integer> pages = new ArrayList<>();
    Map<DeviceStatistic, Entry> entries = new EnumMap<>(DeviceStatistic.class);
    for (int at = 0; at < raw.size(); at += AtaPage.PAGE_BYTES) {
      int number = raw.u8(at + 2);
      pages.add(number);
      for (DeviceStatistic statistic : DeviceStatistic.values()) {
        int flags = raw.u8(at + statistic.offset() + 7);
        if (statistic.page() == number && (flags & 1 << 7) != 0) {
          entries.putIfAbsent(statistic, entry(raw, at, statistic, flags));
        }
      }
    }
    return new DeviceStatistics(pages, entries);
  }

  private static Entry entry(RawPage raw, int page, DeviceStatistic statistic, int flags) {
    int at = page + statistic.offset();
    long value = statistic.isSigned() ? (byte) raw.u8(at) : raw.unsignedLe(at, statistic.length());
    boolean valid = (flags & 1 << 6) != 0;
    return new Entry(
        at,
        valid ? OptionalLong.of(value) : OptionalLong.empty(),
        (flags & 1 << 5) != 0,
        (flags & 1 << 3) != 0);
  }

  /** Empty if not supported, not valid now, or normalized, so no plain number. */
  public OptionalLong value(DeviceStatistic statistic) {
    Entry entry = entries.get(statistic);
    return entry == null || entry.normalized() && statistic.length() > 1
        ? OptionalLong.empty()
        : entry.value();
  }

  @Override
  public Map<String, Object> json() {
    Map<String, Object> statistics = new LinkedHashMap<>();
    entries.forEach(
        (statistic, entry) -> statistics.put(statistic.jsonName(), json(statistic, entry)));
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("page", "Device Statistics log (04h)");
    json.put("standard", "ACS-3");
    json.put("pages", pages);
    json.put("statistics", statistics);
    return json;
  }

  private static Map<String, Object> json(DeviceStatistic statistic, Entry entry) {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("value", entry.value().isPresent() ? entry.value().getAsLong() : null);
    json.put("unit", statistic.unit());
    json.put("valid", entry.value().isPresent());
    json.put("normalized", entry.normalized());
    json.put("conditionMet", entry.conditionMet());
    return json;
  }

  @Override
  public List<FieldSpan> spans() {
    List<FieldSpan> spans = new ArrayList<>();
    for (int i = 0; i < pages.size(); i++) {
      spans.add(new FieldSpan("page number", i * AtaPage.PAGE_BYTES + 2, 1, pages.get(i), ""));
    }
    entries.forEach(
        (statistic, entry) ->
            spans.add(
                new FieldSpan(
                    statistic.jsonName(),
                    entry.offset(),
                    8,
                    entry.value().isPresent() ? entry.value().getAsLong() : null,
                    statistic.unit())));
    return spans;
  }
}

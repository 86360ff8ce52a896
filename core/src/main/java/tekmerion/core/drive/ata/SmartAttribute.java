package tekmerion.core.drive.ata;

import java.util.List;
import tekmerion.core.page.FieldSpan;
import tekmerion.core.page.Hex;
import tekmerion.core.page.RawPage;

/**
 * One 12-byte entry of the attribute table in SMART READ DATA: SFF-8035i revision 2.0, "Individual
 * attribute data structure".
 *
 * <pre>
 * byte 0      attribute ID, 1–255; 0 marks an unused entry
 * bytes 1–2   status flags
 * byte 3      normalized value, 1–253
 * byte 4      worst normalized value ever
 * bytes 5–10  raw value, vendor specific, little-endian
 * byte 11     reserved (some makers use it as a seventh raw byte; kept in {@code entryHex})
 * </pre>
 *
 * @param offset of the entry in its page [bytes]
 * @param flags bit 0 pre-failure/advisory, 1 collected online, 2 performance, 3 error rate, 4 event
 *     count, 5 self-preserving; bits 2 to 5 by common practice of makers, the rest is kept
 * @param raw 48 bits, 0 to 2^48 - 1
 * @param page the page that it stands in
 */
public record SmartAttribute(
    int offset, int id, int flags, int value, int worst, long raw, RawPage page) {
  static final int ENTRY_BYTES = 12;

  static SmartAttribute at(RawPage page, int offset) {
    return new SmartAttribute(
        offset,
        page.u8(offset),
        page.u16(offset + 1),
        page.u8(offset + 3),
        page.u8(offset + 4),
        page.unsignedLe(offset + 5, 6),
        page);
  }

  /** Pre-failure: below its threshold it predicts a failure; otherwise it only tells age or use. */
  public boolean isPreFailure() {
    return (flags & 1) != 0;
  }

  public boolean isCollectedOnline() {
    return (flags & 1 << 1) != 0;
  }

  public boolean isPerformance() {
    return (flags & 1 << 2) != 0;
  }

  public boolean isErrorRate() {
    return (flags & 1 << 3) != 0;
  }

  public boolean isEventCount() {
    return (flags & 1 << 4) != 0;
  }

  public boolean isSelfPreserving() {
    return (flags & 1 << 5) != 0;
  }

  /** {@code bits} of the raw value from bit {@code low} upwards; makers pack several numbers. */
  public long rawBits(int low, int bits) {
    if (low < 0 || bits < 1 || low + bits > 48) {
      throw new IllegalArgumentException("bits %d to %d of 48".formatted(low, low + bits - 1));
    }
    return raw >>> low & (1L << bits) - 1;
  }

  /** All 12 bytes. */
  public String entryHex() {
    return page.hex(offset, ENTRY_BYTES);
  }

  /** The six raw bytes, lowest address first. */
  public String rawHex() {
    return page.hex(offset + 5, 6);
  }

  List<FieldSpan> spans() {
    String name = AttributeBook.shipped().nameOf(id).orElse("attribute " + id);
    Object meaning =
        AttributeBook.shipped()
            .meaningOf(this)
            .<Object>map(m -> "%d %s".formatted(m.value(), m.unit()).strip())
            .orElse(null);
    return List.of(
        new FieldSpan(name + ": ID", offset, 1, id, ""),
        new FieldSpan(name + ": flags", offset + 1, 2, Hex.code(flags, 4), ""),
        new FieldSpan(name + ": value", offset + 3, 1, value, ""),
        new FieldSpan(name + ": worst", offset + 4, 1, worst, ""),
        new FieldSpan(name + ": raw", offset + 5, 6, meaning, ""),
        new FieldSpan(name + ": reserved", offset + 11, 1, page.u8(offset + 11), ""));
  }
}

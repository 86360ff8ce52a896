package tekmerion.core.drive.ata;

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
 * @param entryHex all 12 bytes
 */
public record SmartAttribute(
    int offset, int id, int flags, int value, int worst, long raw, String entryHex) {
  static final int ENTRY_BYTES = 12;

  static SmartAttribute at(RawPage page, int offset) {
    return new SmartAttribute(
        offset,
        page.u8(offset),
        page.u16(offset + 1),
        page.u8(offset + 3),
        page.u8(offset + 4),
        page.unsignedLe(offset + 5, 6),
        page.hex(offset, ENTRY_BYTES));
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

  /** The six raw bytes, lowest address first. */
  public String rawHex() {
    return entryHex.substring(10, 22);
  }
}

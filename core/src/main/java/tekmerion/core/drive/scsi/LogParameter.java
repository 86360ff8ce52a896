package tekmerion.core.drive.scsi;

import tekmerion.core.page.RawPage;

/**
 * One log parameter: SPC-5, 7.3.2.2. Bytes 0–1 code, 2 control byte, 3 length of what follows.
 *
 * @param offset of the parameter in its page
 * @param code parameter code, 0–65,535
 * @param dataOffset of its data
 * @param dataLength 0–255
 */
public record LogParameter(RawPage raw, int offset, int code, int dataOffset, int dataLength) {
  static final int HEADER_BYTES = 4;

  static LogParameter at(RawPage raw, int offset) {
    return new LogParameter(
        raw, offset, raw.u16be(offset), offset + HEADER_BYTES, raw.u8(offset + 3));
  }

  int end() {
    return dataOffset + dataLength;
  }

  boolean has(int bytes) {
    return dataLength >= bytes;
  }

  /** Data byte {@code i}; the caller has asked {@link #has}. */
  int u8(int i) {
    return raw.u8(dataOffset + i);
  }

  String hex() {
    return raw.hex(dataOffset, dataLength);
  }
}

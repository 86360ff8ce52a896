package tekmerion.core.page;

import java.math.BigInteger;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.Objects;

/**
 * Bytes exactly as a device gave them. Immutable: cloned on the way in and on the way out, compared
 * by content. The only unsigned reader that decoders use; every read is checked against the real
 * size, so no length that the data claims is ever trusted.
 */
public final class RawPage {
  private final byte[] bytes;

  public RawPage(byte[] bytes) {
    this.bytes = bytes.clone();
  }

  public int size() {
    return bytes.length;
  }

  public byte[] bytes() {
    return bytes.clone();
  }

  /** The byte at {@code offset}, 0–255. */
  public int u8(int offset) {
    return Byte.toUnsignedInt(bytes[Objects.checkIndex(offset, bytes.length)]);
  }

  /** The 16-bit little-endian number at {@code offset}, 0–65,535. */
  public int u16(int offset) {
    Objects.checkFromIndexSize(offset, 2, bytes.length);
    return u8(offset) | u8(offset + 1) << 8;
  }

  /**
   * The little-endian number in {@code length} bytes from {@code offset}.
   *
   * @param length 1 to 7, so that the result fits a {@code long} without a sign
   */
  public long unsignedLe(int offset, int length) {
    if (length < 1 || length > 7) {
      throw new IllegalArgumentException("length must be 1 to 7 bytes, was " + length);
    }
    Objects.checkFromIndexSize(offset, length, bytes.length);
    long value = 0;
    for (int i = length - 1; i >= 0; i--) {
      value = value << 8 | u8(offset + i);
    }
    return value;
  }

  /** The little-endian number in {@code length} bytes, of any length: for counters over 56 bits. */
  public BigInteger bigUnsignedLe(int offset, int length) {
    Objects.checkFromIndexSize(offset, length, bytes.length);
    byte[] bigEndian = new byte[length];
    for (int i = 0; i < length; i++) {
      bigEndian[i] = bytes[offset + length - 1 - i];
    }
    return new BigInteger(1, bigEndian);
  }

  /** The 16-bit big-endian number at {@code offset}, 0–65,535. */
  public int u16be(int offset) {
    Objects.checkFromIndexSize(offset, 2, bytes.length);
    return u8(offset) << 8 | u8(offset + 1);
  }

  /**
   * The big-endian number in {@code length} bytes from {@code offset}.
   *
   * @param length 1 to 7, so that the result fits a {@code long} without a sign
   */
  public long unsignedBe(int offset, int length) {
    if (length < 1 || length > 7) {
      throw new IllegalArgumentException("length must be 1 to 7 bytes, was " + length);
    }
    Objects.checkFromIndexSize(offset, length, bytes.length);
    long value = 0;
    for (int i = 0; i < length; i++) {
      value = value << 8 | u8(offset + i);
    }
    return value;
  }

  /** Sum of all bytes modulo 256: zero when an ATA data structure checksum holds. */
  public int sumModulo256() {
    return sumModulo256(0, bytes.length);
  }

  /** Sum of {@code length} bytes from {@code offset} modulo 256. */
  public int sumModulo256(int offset, int length) {
    Objects.checkFromIndexSize(offset, length, bytes.length);
    int sum = 0;
    for (int i = offset; i < offset + length; i++) {
      sum += bytes[i];
    }
    return sum & 0xFF;
  }

  public boolean isFilledWith(int value) {
    return bytes.length > 0 && isFilledWith(value, 0, bytes.length);
  }

  public boolean isFilledWith(int value, int offset, int length) {
    Objects.checkFromIndexSize(offset, length, bytes.length);
    for (int i = offset; i < offset + length; i++) {
      if (bytes[i] != (byte) value) {
        return false;
      }
    }
    return true;
  }

  /** Lower-case hex of {@code length} bytes from {@code offset}. */
  public String hex(int offset, int length) {
    Objects.checkFromIndexSize(offset, length, bytes.length);
    return HexFormat.of().formatHex(bytes, offset, offset + length);
  }

  /** SHA-256 of the content: the name under which the bytes are stored once. */
  public byte[] sha256() {
    try {
      return MessageDigest.getInstance("SHA-256").digest(bytes);
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every Java platform has SHA-256", e);
    }
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof RawPage that && Arrays.equals(bytes, that.bytes);
  }

  @Override
  public int hashCode() {
    return Arrays.hashCode(bytes);
  }

  @Override
  public String toString() {
    return "RawPage[%d bytes]".formatted(bytes.length);
  }
}

package tekmerion.core.page;

import java.math.BigInteger;
import java.nio.charset.StandardCharsets;
import java.util.HexFormat;
import java.util.OptionalLong;

/**
 * Where a field lies in its structure and how it is read. Immutable; made by the static methods.
 *
 * @param kind how the bytes are to be read
 * @param offset from the start of the structure
 * @param length 1 to 256 bytes
 * @param highBit of a bit field, counted in the little-endian number of {@code length} bytes
 * @param lowBit of a bit field
 * @param unit of the number, empty if it has none
 * @param notReported the number by which the standard says "not reported"; empty if there is none
 */
public record FieldLayout(
    Kind kind,
    int offset,
    int length,
    int highBit,
    int lowBit,
    String unit,
    OptionalLong notReported) {

  /** How bytes are read. */
  public enum Kind {
    UNSIGNED_LE,
    UNSIGNED_BE,
    SIGNED_BYTE,
    BITS,
    FLAG,
    ASCII,
    CODE,
    BYTES
  }

  /** Above this many bytes a counter is always text in JSON, so that none is ever rounded. */
  private static final int MAX_NUMBER = 8;

  public FieldLayout {
    if (offset < 0 || length < 1 || length > 256 || lowBit < 0 || highBit < lowBit) {
      throw new IllegalArgumentException("offset %d, length %d".formatted(offset, length));
    }
  }

  public static FieldLayout le(int offset, int length) {
    return le(offset, length, "");
  }

  public static FieldLayout le(int offset, int length, String unit) {
    return of(Kind.UNSIGNED_LE, offset, length, unit);
  }

  public static FieldLayout be(int offset, int length) {
    return be(offset, length, "");
  }

  public static FieldLayout be(int offset, int length, String unit) {
    return of(Kind.UNSIGNED_BE, offset, length, unit);
  }

  public static FieldLayout signed(int offset, String unit) {
    return of(Kind.SIGNED_BYTE, offset, 1, unit);
  }

  public static FieldLayout ascii(int offset, int length) {
    return of(Kind.ASCII, offset, length, "");
  }

  /** A code that is shown in hexadecimal, read little-endian, such as {@code C24Fh}. */
  public static FieldLayout code(int offset, int length) {
    return of(Kind.CODE, offset, length, "");
  }

  /** Bytes without a meaning of their own, lowest address first. */
  public static FieldLayout bytes(int offset, int length) {
    return of(Kind.BYTES, offset, length, "");
  }

  public static FieldLayout bits(int offset, int length, int highBit, int lowBit) {
    return new FieldLayout(Kind.BITS, offset, length, highBit, lowBit, "", OptionalLong.empty());
  }

  public static FieldLayout flag(int offset, int bit) {
    return new FieldLayout(Kind.FLAG, offset, 1, bit, bit, "", OptionalLong.empty());
  }

  private static FieldLayout of(Kind kind, int offset, int length, String unit) {
    return new FieldLayout(kind, offset, length, 0, 0, unit, OptionalLong.empty());
  }

  /**
   * The same, where this number means that the device does not report the field; of a text or a
   * name, where one character all over means that.
   */
  public FieldLayout notReportedAs(long value) {
    return new FieldLayout(kind, offset, length, highBit, lowBit, unit, OptionalLong.of(value));
  }

  /**
   * @param base offset of the structure in the page
   * @return Long, String, Boolean, or null for "not reported"
   * @throws IndexOutOfBoundsException if the structure does not lie inside the page: the decoder
   *     has to check the size first
   */
  Object read(RawPage page, int base) {
    int at = base + offset;
    Object value =
        switch (kind) {
          case UNSIGNED_LE ->
              length < MAX_NUMBER
                  ? (Object) page.unsignedLe(at, length)
                  : number(page.bigUnsignedLe(at, length));
          case UNSIGNED_BE ->
              length < MAX_NUMBER
                  ? (Object) page.unsignedBe(at, length)
                  : number(new BigInteger(page.hex(at, length), 16));
          case SIGNED_BYTE -> (long) (byte) page.u8(at);
          case BITS -> page.unsignedLe(at, length) >>> lowBit & (1L << highBit - lowBit + 1) - 1;
          case FLAG -> (page.u8(at) >> lowBit & 1) == 1;
          case ASCII -> ascii(page, at);
          case CODE -> Hex.code(page.bigUnsignedLe(at, length).longValue(), 2 * length);
          case BYTES -> page.hex(at, length);
        };
    return notReported.isPresent() && isMissing(value) ? null : value;
  }

  /** A text or a name is not reported as whatever it would be with one character all over. */
  private boolean isMissing(Object value) {
    return switch (kind) {
      case ASCII -> Reported.serial((String) value).isEmpty();
      case BYTES -> Reported.name((String) value).isEmpty();
      default ->
          value instanceof Long n
              ? n == notReported.getAsLong()
              : value.equals(Long.toString(notReported.getAsLong()));
    };
  }

  private Object number(BigInteger value) {
    return length > MAX_NUMBER || value.bitLength() > 63
        ? value.toString()
        : (Object) value.longValueExact();
  }

  /**
   * Trailing blanks and NULs are padding; a byte that is no printable character becomes {@code ?}.
   */
  private String ascii(RawPage page, int at) {
    byte[] text = HexFormat.of().parseHex(page.hex(at, length));
    for (int i = 0; i < text.length; i++) {
      if (text[i] != 0 && (text[i] < 0x20 || text[i] > 0x7E)) {
        text[i] = '?';
      }
    }
    return new String(text, StandardCharsets.US_ASCII).replace("\0", "").strip();
  }
}

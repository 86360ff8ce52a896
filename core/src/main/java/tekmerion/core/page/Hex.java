package tekmerion.core.page;

import java.util.HexFormat;

/** Codes as the standards write them: upper-case digits with an h. */
public final class Hex {
  private static final HexFormat UPPER = HexFormat.of().withUpperCase();

  private Hex() {}

  /**
   * @param digits 1 to 16; higher ones of {@code value} are left out
   */
  public static String code(long value, int digits) {
    return UPPER.toHexDigits(value, digits) + 'h';
  }
}

package tekmerion.probe.instrument;

import java.util.Locale;

/** Sizes of memory as people type them. */
final class Bytes {
  private Bytes() {}

  /**
   * @param text digits, with K, M or G (1024s) after them
   * @throws IllegalArgumentException if it is not of that form
   */
  static long parse(String text) {
    String upper = text.strip().toUpperCase(Locale.ROOT);
    if (!upper.matches("[1-9][0-9]{0,11}[KMG]?")) {
      throw new IllegalArgumentException(
          "no size: \"%s\"; bytes, or with K, M, G (1024s) after it".formatted(text));
    }
    char unit = upper.charAt(upper.length() - 1);
    int shift = unit == 'K' ? 10 : unit == 'M' ? 20 : unit == 'G' ? 30 : 0;
    return Long.parseLong(upper.replaceAll("\\D", "")) << shift;
  }
}

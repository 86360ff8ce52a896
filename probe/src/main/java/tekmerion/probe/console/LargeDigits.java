package tekmerion.probe.console;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** Digits that are read from a step away, drawn with what every terminal has. */
final class LargeDigits {
  static final int ROWS = 5;
  private static final String GAP = "   ";

  /** Each of five rows of five, for 0 to 9. */
  private static final List<String> DRAWN =
      List.of(
          "#####   ##  ##### ##### #   # ##### ##### ##### ##### #####",
          "#   #    #      #     # #   # #     #         # #   # #   #",
          "#   #    #  ##### ##### ##### ##### #####    #  ##### #####",
          "#   #    #  #         #     #     # #   #   #   #   #     #",
          "#####  #### ##### #####     # ##### #####   #   ##### #####");

  private static final int WIDTH = 6;

  private LargeDigits() {}

  /**
   * @param digits six of them
   * @return {@link #ROWS} lines, a wider gap in the middle
   */
  static List<String> lines(String digits) {
    return DRAWN.stream().map(row -> line(row, digits)).toList();
  }

  private static String line(String row, String digits) {
    return IntStream.range(0, digits.length())
        .mapToObj(i -> (i == digits.length() / 2 ? GAP : "") + one(row, digits.charAt(i) - '0'))
        .collect(Collectors.joining(GAP, "        ", ""))
        .stripTrailing();
  }

  private static String one(String row, int digit) {
    int from = digit * WIDTH;
    return "%-5s".formatted(row.substring(from, Math.min(row.length(), from + WIDTH - 1)));
  }
}

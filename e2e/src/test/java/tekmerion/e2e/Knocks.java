package tekmerion.e2e;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tekmerion.launch.Child;

/** Reads what a machine that knocks shows. */
final class Knocks {
  private static final Pattern SAID = Pattern.compile("Let it in there with (\\d{3} \\d{3})");

  private Knocks() {}

  /** As a person reads them, once they are there. */
  static String digitsOn(Child probe) throws Exception {
    Await.until("it knocks", () -> SAID.matcher(probe.output()).find());
    return digitsIn(probe.output());
  }

  /**
   * @param screen with digits on it
   */
  static String digitsIn(String screen) {
    Matcher digits = SAID.matcher(screen);
    if (!digits.find()) {
      throw new AssertionError("No digits in: " + screen);
    }
    return digits.group(1);
  }
}

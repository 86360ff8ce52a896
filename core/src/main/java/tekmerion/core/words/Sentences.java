package tekmerion.core.words;

import java.util.List;
import java.util.Locale;

/** Putting words into sentences. */
public final class Sentences {
  private Sentences() {}

  /** "Drive A" becomes "drive A". */
  public static String lowerFirst(String words) {
    return words.isEmpty()
        ? words
        : words.substring(0, 1).toLowerCase(Locale.ROOT) + words.substring(1);
  }

  /** "drive A is failing" becomes "Drive A is failing". */
  public static String upperFirst(String words) {
    return words.isEmpty()
        ? words
        : words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
  }

  /** "Recover the data, then replace the part"; empty for nothing. */
  public static String inOrder(List<String> things) {
    StringBuilder said = new StringBuilder();
    for (String thing : things) {
      said.append(said.isEmpty() ? thing : ", then " + lowerFirst(thing));
    }
    return said.toString();
  }
}

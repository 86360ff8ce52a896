package tekmerion.core.words;

import static tekmerion.words.Words.say;

import java.util.List;
import tekmerion.words.Words;

/** Putting words into sentences, in the language that is spoken. */
public final class Sentences {
  private Sentences() {}

  /** "Drive A" becomes "drive A". */
  public static String lowerFirst(String words) {
    return Words.lowerFirst(words);
  }

  /** "drive A is failing" becomes "Drive A is failing". */
  public static String upperFirst(String words) {
    return Words.upperFirst(words);
  }

  /** "Recover the data, then replace the part"; empty for nothing. */
  public static String inOrder(List<String> things) {
    String said = "";
    for (String thing : things) {
      said =
          said.isEmpty()
              ? thing
              : say("words.then", "before", said, "next", Words.lowerFirst(thing));
    }
    return said;
  }
}

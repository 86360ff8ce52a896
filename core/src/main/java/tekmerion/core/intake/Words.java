package tekmerion.core.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Text as words that can be compared. */
final class Words {
  private static final Pattern WORD = Pattern.compile("[\\p{L}\\p{N}]+");
  private static final Set<String> FILLERS =
      Set.of(
          "a", "an", "the", "it", "its", "is", "of", "to", "my", "his", "her", "then", "just",
          "den", "det", "en", "et", "er", "på", "å", "så", "min", "mitt");

  /** One word, where it stands, and its stem. */
  record Word(String stem, boolean typed, int from, int to) {}

  private Words() {}

  /** Fillers are left out, so that "freezes on the logo" and "freezes on logo" are alike. */
  static List<Word> of(String text) {
    List<Word> words = new ArrayList<>();
    Matcher matcher = WORD.matcher(text.toLowerCase(Locale.ROOT).replace("n't", "nt "));
    while (matcher.find()) {
      String word = matcher.group();
      if (!FILLERS.contains(word)) {
        words.add(
            new Word(
                stem(word),
                word.length() >= 5,
                Math.min(matcher.start(), text.length()),
                Math.min(matcher.end(), text.length())));
      }
    }
    return words;
  }

  /** Takes common English endings off: enough to meet "clicks", "clicked" and "clicking". */
  static String stem(String word) {
    for (String ending : List.of("ing", "ed", "es", "s")) {
      if (word.length() - ending.length() >= 3 && word.endsWith(ending)) {
        String stem = word.substring(0, word.length() - ending.length());
        int last = stem.length() - 1;
        boolean doubled =
            last >= 3 && stem.charAt(last) == stem.charAt(last - 1) && ending.length() > 1;
        String single = doubled ? stem.substring(0, last) : stem;
        return single.endsWith("e") ? single.substring(0, single.length() - 1) : single;
      }
    }
    return word.length() > 3 && word.endsWith("e") ? word.substring(0, word.length() - 1) : word;
  }

  /** Equal, or, with four letters and more, one slip of the finger apart. */
  static boolean alike(String a, String b) {
    if (a.equals(b)) {
      return true;
    }
    if (Math.min(a.length(), b.length()) < 4 || Math.abs(a.length() - b.length()) > 1) {
      return false;
    }
    int same = 0;
    int most = Math.min(a.length(), b.length());
    while (same < most && a.charAt(same) == b.charAt(same)) {
      same++;
    }
    String restA = a.substring(same);
    String restB = b.substring(same);
    if (restA.length() == restB.length()) {
      boolean other = restA.substring(1).equals(restB.substring(1));
      boolean swapped =
          restA.length() > 1
              && restA.charAt(0) == restB.charAt(1)
              && restA.charAt(1) == restB.charAt(0)
              && restA.substring(2).equals(restB.substring(2));
      return other || swapped;
    }
    return restA.length() > restB.length()
        ? restA.substring(1).equals(restB)
        : restB.substring(1).equals(restA);
  }
}

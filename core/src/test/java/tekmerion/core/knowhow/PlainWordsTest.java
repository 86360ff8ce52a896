package tekmerion.core.knowhow;

import static org.assertj.core.api.Assertions.assertThat;

import com.ibm.icu.text.MessageFormat;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tekmerion.words.Language;
import tekmerion.words.Words;

/**
 * Sentences of the screens can be read in two seconds: they are short, and so are their words.
 *
 * @see "Flesch: A new readability yardstick. Journal of Applied Psychology 32, 1948; 80 to 90 is
 *     easy"
 * @see "Björnsson: Läsbarhet. 1968 (LIX, for any language; 30 to 40 is easy)"
 */
class PlainWordsTest {
  private static final int MAX_WORDS = 24;
  private static final Pattern WORD = Pattern.compile("[\\p{L}’'-]+");
  private static final Pattern ENDS = Pattern.compile("(?<=[.!?:;])\\s+");

  @BeforeAll
  static void readTheKnowHow() {
    KnowHow.shipped();
    Instructions.shipped();
  }

  /** Each sentence with its words; what has fewer than four words is a name, no sentence. */
  private static Map<String, List<String>> sentences(Language language) {
    Map<String, List<String>> sentences = new HashMap<>();
    Words.all(language)
        .forEach(
            (key, message) ->
                ENDS.splitAsStream(filledIn(message))
                    .map(sentence -> WORD.matcher(sentence).results().map(r -> r.group()).toList())
                    .filter(words -> words.size() >= 4)
                    .forEach(words -> sentences.put(key + ": " + String.join(" ", words), words)));
    return sentences;
  }

  private static String filledIn(String message) {
    MessageFormat format = new MessageFormat(message);
    Map<String, Object> values = new HashMap<>();
    format.getArgumentNames().forEach(name -> values.put(name, 2));
    return format.format(values).replaceAll("</?\\w+>", "");
  }

  private static Stream<String> words(Map<String, List<String>> sentences) {
    return sentences.values().stream().flatMap(List::stream);
  }

  @Test
  void noSentenceIsLong() {
    List<String> longOnes = new ArrayList<>();
    for (Language language : Language.values()) {
      sentences(language)
          .forEach(
              (sentence, words) -> {
                if (words.size() > MAX_WORDS) {
                  longOnes.add(sentence);
                }
              });
    }
    assertThat(longOnes).isEmpty();
  }

  @Test
  void englishIsEasyByFlesch() {
    Map<String, List<String>> sentences = sentences(Language.EN);
    double words = words(sentences).count();
    double syllables = words(sentences).mapToInt(PlainWordsTest::syllables).sum();

    assertThat(206.835 - 1.015 * words / sentences.size() - 84.6 * syllables / words)
        .isGreaterThan(80);
    // Flesch counts "a board lives" as 1 + 1 + 1 syllables, "memory" as 3.
    assertThat(Stream.of("a", "board", "lives", "memory").map(PlainWordsTest::syllables))
        .containsExactly(1, 1, 1, 3);
  }

  @Test
  void bothLanguagesAreEasyByLix() {
    for (Language language : Language.values()) {
      Map<String, List<String>> sentences = sentences(language);
      double words = words(sentences).count();
      double ofMoreThanSix = words(sentences).filter(word -> word.length() > 6).count();

      assertThat(words / sentences.size() + 100 * ofMoreThanSix / words)
          .as(language.name())
          .isLessThan(40);
    }
  }

  /** Groups of vowels, without a silent e at the end. */
  private static int syllables(String word) {
    String letters = word.toLowerCase(java.util.Locale.ROOT).replaceAll("[^a-z]", "");
    String spoken = letters.matches(".*[^l]es?") ? letters.replaceAll("es?$", "") : letters;
    return Math.max(1, (int) Pattern.compile("[aeiouy]+").matcher(spoken).results().count());
  }
}

package tekmerion.words;

import static org.assertj.core.api.Assertions.assertThat;
import static tekmerion.words.Words.say;

import com.ibm.icu.text.MessageFormat;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WordsTest {
  private static final String SECTORS = "counted.drive.pending-sectors";
  private static final Speaking NORWEGIAN = Speaking.prose(Language.NB);

  private static String in(Speaking speaking, String key, Object... values) {
    return Words.in(speaking, () -> say(key, values));
  }

  @Test
  void saysAMessageAsTheLanguageCountsAndWritesNumbers() {
    assertThat(say(SECTORS, "n", 0)).isEqualTo("No sector is pending");
    assertThat(say(SECTORS, "n", 1)).isEqualTo("1 sector is pending");
    assertThat(say(SECTORS, "n", 1234)).isEqualTo("1,234 sectors are pending");
    assertThat(in(NORWEGIAN, SECTORS, "n", 0)).isEqualTo("Ingen sektor venter");
    assertThat(in(NORWEGIAN, SECTORS, "n", 1234)).isEqualTo("1\u00a0234 sektorer venter");
    assertThat(in(NORWEGIAN, "permit.gigabytes", "n", 1.5)).isEqualTo("1,5 GB");
  }

  @Test
  void keepsAMessageAndReadsItInAnyLanguage() {
    String kept =
        Words.kept(
            () -> say("words.then", "before", say("drive.drive", "letter", 'A'), "next", "x|y¦z"));
    assertThat(Words.read(kept)).isEqualTo("drive A, then x|y¦z");
    assertThat(Words.in(NORWEGIAN, () -> Words.read(kept))).isEqualTo("disk A, deretter x|y¦z");
    String counted = "J-1: " + Words.kept(() -> say(SECTORS, "n", 2)) + "!";
    assertThat(Words.read(counted)).isEqualTo("J-1: 2 sectors are pending!");
  }

  /** What stands in a value stands in it whole, however many messages lie around it. */
  @Test
  void keepsABarWithinMessagesWithinMessages() {
    String kept =
        Words.kept(
            () ->
                say(
                    "words.then",
                    "before",
                    "a|b",
                    "next",
                    "c|"
                        + say(
                            "words.then",
                            "before",
                            "d|e",
                            "next",
                            say("words.then", "before", "f|g", "next", "h"))));
    assertThat(Words.read(kept)).isEqualTo("a|b, then c|d|e, then f|g, then h");
  }

  @Test
  void leavesTextThatHoldsNoMessageAsItIs() {
    assertThat(Words.read("The drive clicked")).isEqualTo("The drive clicked");
    assertThat(Words.read("\u27e6half")).isEqualTo("\u27e6half");
    assertThat(Words.read(null)).isNull();
    assertThat(Words.read("\u27e6no.such.key|n#=3\u27e7")).isEqualTo("no.such.key {n=3}");
  }

  @Test
  void readsNothingThatSomebodyTyped() {
    String typed = "\u27e6drive.flat\u27e7";
    assertThat(Words.typed(typed)).isEqualTo("[drive.flat]");
    assertThat(Words.read(Words.typed(typed))).isEqualTo("[drive.flat]");
  }

  @Test
  void readsNoDeeperThanAnyMessageOfOursGoes() {
    String deep = "\u27e6words.then|next=".repeat(5_000) + "\u27e7".repeat(5_000);
    assertThat(Words.read(deep)).isNotNull();
    // One that says its argument twice, within itself ten times: 2^10 times its innermost.
    String twice = "\u27e6replace.drive|form=|leastBytes=|bus=";
    String doubling = twice.repeat(10) + "x".repeat(300) + "\u27e7".repeat(10);
    assertThat(Words.read(doubling).length()).isLessThan(25_000);
  }

  @Test
  void speaksAnotherLanguageOnlyUntilTheTurnEnds() {
    try (Words.Turn turn = Words.speak(NORWEGIAN)) {
      assertThat(say("drive.flat")).isEqualTo("flat");
      assertThat(say("drive.rising")).isEqualTo("stigende");
      assertThat(turn).isNotNull();
    }
    assertThat(say("drive.rising")).isEqualTo("rising");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "nb| NB| PROSE",
        "no| NB| PROSE",
        "nn-NO,en;q=0.5| NB| PROSE",
        "en-US,nb;q=0.9| EN| PROSE",
        "de,nb;q=0.8,en;q=0.7| NB| PROSE",
        "nb;q=0, en| EN| PROSE",
        "de| EN| PROSE",
        "zxx| EN| CODES",
        "en-XA| EN| STRETCHED",
        "''| EN| PROSE",
        "!! not a header| EN| PROSE",
      })
  void speaksWhatIsAskedFor(String header, Language language, Speaking.Manner manner) {
    assertThat(Speaking.asked(header)).isEqualTo(new Speaking(language, manner));
  }

  @Test
  void givesTheMessageItselfToWhoAsksForNoLanguage() {
    assertThat(in(Speaking.asked("zxx"), SECTORS, "n", 46))
        .isEqualTo("\u27e6" + SECTORS + "|n#=46\u27e7");
  }

  @Test
  void stretchesEachSentenceByFortyPercentBetweenBrackets() {
    // "rising" is six letters: 0.4 × 6 = 2.4, so two more.
    assertThat(in(Speaking.asked("en-XA"), "drive.rising")).isEqualTo("[rîsîng~~]");
  }

  /** What is put together from pieces reads as ICU formats the same pattern. */
  @Test
  void saysEveryMessageAsIcuDoes() {
    for (Language language : Language.values()) {
      Words.all(language)
          .forEach(
              (key, pattern) -> {
                if (key.startsWith("web.")) {
                  return;
                }
                MessageFormat icu = new MessageFormat(pattern, language.locale());
                Map<String, Object> values = new TreeMap<>();
                icu.getArgumentNames().forEach(name -> values.put(name, 12_345.678));
                assertThat(Message.of(pattern, language.locale()).say(values))
                    .as(key)
                    .isEqualTo(icu.format(values));
              });
    }
  }

  /** What a message of the know-how has to be filled in with is asked of its own place. */
  @Test
  void hasTheSameArgumentsInEveryLanguage() {
    Set<String> differ = new TreeSet<>();
    Words.all(Language.EN)
        .forEach(
            (key, english) -> {
              String other = Words.all(Language.NB).get(key);
              if (!key.startsWith("web.")
                  && (other == null
                      || !new MessageFormat(english)
                          .getArgumentNames()
                          .equals(new MessageFormat(other).getArgumentNames()))) {
                differ.add(key);
              }
            });
    assertThat(differ).isEmpty();
  }
}

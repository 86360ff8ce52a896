package tekmerion.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tekmerion.core.knowhow.FindingKind;
import tekmerion.core.knowhow.KnowHow;

class ListenerTest {
  private final Listener listener = new Listener(KnowHow.shipped());

  @ParameterizedTest
  @CsvSource({
    "It stops with an error screen now and then, error-screen",
    "Since Monday it keeps restarting, restart-loop",
    "Freezes on the logo, mount-failure",
    "The outside drive asks to format itself, not-readable",
    "New drive is not recognised by it, not-seen",
    "The list of drives never loads, management-hangs",
    "It takes forever to open the till program, slow",
    "Music crackles and video jumps, stutter",
    "The memory test failed, memory-errors",
    "The battery dies quickly, battery",
    "It does not turn on any more, dead",
    "Den fryser på logoen, mount-failure",
    "Maskinen er treg, slow",
    "Batteriet går fort tomt, battery",
    "Den vil ikke starte, dead",
    "Disken ber om å formateres, not-readable",
    "It clicked twice and smells, noise-heat",
    "it frezes on the logo, mount-failure", // one letter missing
    "keeps retsarting, restart-loop", // two letters swapped
  })
  void hearsEveryFamilyInAnOwnersWords(String words, String family) {
    assertThat(listener.hear(words).families()).extracting(Heard.Family::id).contains(family);
  }

  @Test
  void severalFamiliesMayHoldInTheOrderTheyAreSaid() {
    assertThat(listener.hear("It clicks and is slow").families())
        .extracting(Heard.Family::id)
        .containsExactly("noise-heat", "slow");
  }

  /** Both levels' words are there, and no order of a map may choose between them. */
  @Test
  void ofTwoLevelsTheOneThatIsSaidInMoreWordsIsHeard() {
    FindingKind kind =
        new FindingKind(
            "lasts",
            "Lasts",
            "lasts",
            List.of("no", "hour", "day"),
            List.of(0.4, 0.3, 0.3),
            Map.of(),
            Map.of("hour", List.of("lasts"), "day", List.of("lasts all day")),
            Map.of(),
            "judgement");
    KnowHow one = new KnowHow(List.of(), List.of(), List.of(kind), List.of(), List.of(), List.of());

    assertThat(new Listener(one).hear("It lasts all day").findings())
        .extracting(Heard.Said::level)
        .containsExactly("day");
    assertThat(new Listener(one).hear("It hardly lasts").findings())
        .extracting(Heard.Said::level)
        .containsExactly("hour");
  }

  @Test
  void whatIsDeniedIsNotHeard() {
    assertThat(listener.hear("There is no clicking and it is not slow").families()).isEmpty();
    assertThat(listener.hear("There is no clicking").findings()).isEmpty();
    assertThat(listener.hear("It does not charge").families())
        .extracting(Heard.Family::id)
        .containsExactly("battery"); // the denial is the complaint
  }

  @Test
  void norwegianDeniesBehindTheVerb() {
    assertThat(listener.hear("Disken klikker ikke").findings()).isEmpty();
    assertThat(listener.hear("Disken klikker").findings())
        .extracting(Heard.Said::finding)
        .containsExactly("noise.clicks");
  }

  @Test
  void hearsFindingsAndWhereTheyAreSaid() {
    String words = "It says MEMORY_REFERENCE 0x1a and clicked once";

    assertThat(listener.hear(words).findings())
        .extracting(s -> s.finding() + "=" + s.level() + ": " + words.substring(s.from(), s.to()))
        .containsExactly("text.memory=yes: MEMORY_REFERENCE", "noise.clicks=clicks: clicked");
  }

  @Test
  void anyTextIsListenedTo() {
    Random random = new Random(11);
    for (int i = 0; i < 2000; i++) {
      int length = random.nextInt(60);
      String text =
          random
              .ints(length, 0, 0x3000)
              .filter(c -> !Character.isSurrogate((char) c))
              .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
              .toString();

      Heard heard = listener.hear(text);

      assertThat(heard.families()).allMatch(f -> 0 <= f.from() && f.from() <= f.to());
    }
  }

  /** One letter apart, and both are words of ours. */
  @Test
  void aWordThatWeKnowIsNoSlipOfAnother() {
    Heard heard = new Listener(KnowHow.shipped()).hear("It keeps restarting");

    assertThat(heard.families()).extracting(Heard.Family::id).contains("restart-loop");
    assertThat(heard.findings()).extracting(Heard.Said::finding).doesNotContain("said.beeps");
  }
}

package tekmerion.core.knowhow;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import tekmerion.words.Language;
import tekmerion.words.Speaking;
import tekmerion.words.Words;

class KnowHowInLanguagesTest {
  private static final Speaking NORWEGIAN = Speaking.prose(Language.NB);

  private static KnowHow norwegian() {
    return Words.in(NORWEGIAN, KnowHow::shipped);
  }

  @Test
  void saysTheSameInOtherWordsAndNothingElse() {
    KnowHow english = KnowHow.shipped();
    KnowHow other = norwegian();
    Cause cause = other.cause("failing-drive").orElseThrow();

    assertThat(cause.claim()).isEqualTo("{part} svikter");
    assertThat(cause.prior()).isEqualTo(english.cause("failing-drive").orElseThrow().prior());
    assertThat(other.moves()).extracting(Move::id).isEqualTo(ids(english));
    for (Move move : english.moves()) {
      Move same = other.move(move.id()).orElseThrow();
      assertThat(waits(same)).as(move.id()).isEqualTo(waits(move));
      assertThat(same.given()).isEqualTo(move.given());
    }
  }

  private static List<String> ids(KnowHow of) {
    return of.moves().stream().map(Move::id).toList();
  }

  private static List<Integer> waits(Move move) {
    return move.guided().stream().map(Move.Step::waitSeconds).toList();
  }

  /** A text without its other language would stand there in English, and nobody would notice. */
  @Test
  void hasEveryTextInEveryLanguageWithTheSameBlanks() {
    KnowHow.shipped();
    Instructions.shipped();
    Map<String, String> norwegian = Words.all(Language.NB);
    Set<String> wrong = new TreeSet<>();
    Set<String> files =
        Set.of("causes", "families", "findings", "hazards", "instructions", "moves", "questions");
    Words.all(Language.EN)
        .forEach(
            (key, text) -> {
              String[] place = key.split("\\.");
              boolean isOfFile =
                  key.startsWith("knowhow.") && place.length > 3 && files.contains(place[1]);
              if (isOfFile
                  && (!norwegian.containsKey(key) || blanks(text) != blanks(norwegian.get(key)))) {
                wrong.add(key);
              }
            });
    assertThat(wrong).isEmpty();
    assertThat(norwegian).containsKey("knowhow.remedies.replace-drive.name");
  }

  private static int blanks(String text) {
    return text.split("\\{(part|answer)}", -1).length;
  }

  @Test
  void aNameThatIsKeptIsReadInAnyLanguage() {
    String kept =
        Words.kept(() -> KnowHow.shipped().move("read-drive").orElseThrow().named("drive A"));

    assertThat(Words.read(kept)).isEqualTo("Read what drive A says about itself");
    assertThat(Words.in(NORWEGIAN, () -> Words.read(kept)))
        .isEqualTo("Les hva drive A sier om seg selv");
  }

  /** A comma in a list of the file ends a step, where it was meant to be one in a sentence. */
  @Test
  void everyStepIsASentence() {
    for (Move move : KnowHow.shipped().moves()) {
      for (Move.Step step : move.guided()) {
        assertThat(step.words()).as(move.id()).matches("(?s)[A-Z0-9].*[.?:]");
      }
    }
  }
}

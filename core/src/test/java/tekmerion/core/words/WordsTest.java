package tekmerion.core.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class WordsTest {
  @Test
  void onlyTheFirstLetterChanges() {
    assertThat(Words.lowerFirst("Dock drive A")).isEqualTo("dock drive A");
    assertThat(Words.upperFirst("drive A is failing")).isEqualTo("Drive A is failing");
    assertThat(Words.lowerFirst("")).isEmpty();
  }

  @Test
  void severalThingsStandInOneSentence() {
    assertThat(Words.inOrder(List.of("Recover the data", "Replace the part")))
        .isEqualTo("Recover the data, then replace the part");
    assertThat(Words.inOrder(List.of())).isEmpty();
  }
}

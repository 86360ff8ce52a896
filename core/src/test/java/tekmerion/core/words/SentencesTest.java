package tekmerion.core.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class SentencesTest {
  @Test
  void onlyTheFirstLetterChanges() {
    assertThat(Sentences.lowerFirst("Dock drive A")).isEqualTo("dock drive A");
    assertThat(Sentences.upperFirst("drive A is failing")).isEqualTo("Drive A is failing");
    assertThat(Sentences.lowerFirst("")).isEmpty();
  }

  @Test
  void severalThingsStandInOneSentence() {
    assertThat(Sentences.inOrder(List.of("Recover the data", "Replace the part")))
        .isEqualTo("Recover the data, then replace the part");
    assertThat(Sentences.inOrder(List.of())).isEmpty();
  }
}

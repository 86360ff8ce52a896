package tekmerion.core.knowhow;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class KnowHowTest {
  @Test
  void whatShipsHoldsTogether() {
    KnowHow knowHow = KnowHow.shipped();

    assertThat(knowHow.families()).hasSize(12); // the complaint families of product.md
    assertThat(knowHow.causes()).hasSizeGreaterThanOrEqualTo(45);
    assertThat(knowHow.moves()).hasSizeGreaterThanOrEqualTo(90);
    assertThat(knowHow.signs()).hasSizeGreaterThanOrEqualTo(200);
    assertThat(knowHow.signs()).allSatisfy(sign -> assertThat(sign.source()).isNotBlank());
  }

  @Test
  void everyMistakeIsNamedAtOnce() {
    Cause noPrior = new Cause("a", "A", "a", "a", "drive", "drive", Map.of("gone", 1.5), null);
    SignKind bad =
        new SignKind(
            "s",
            "S",
            "g",
            List.of("no", "yes"),
            List.of(1.0, 0.0),
            Map.of("b", List.of(0.5)),
            Map.of(),
            Map.of(),
            " ");

    assertThatThrownBy(
            () ->
                new KnowHow(
                    List.of(), List.of(noPrior), List.of(bad), List.of(), List.of(), List.of()))
        .hasMessageContaining("cause a has no prior for any family")
        .hasMessageContaining("no family gone")
        .hasMessageContaining("prior 1.5 is outside (0, 1)")
        .hasMessageContaining("cause a has no sign")
        .hasMessageContaining("sign s names no source")
        .hasMessageContaining("every level must be able to leak")
        .hasMessageContaining("no cause b")
        .hasMessageContaining("[0.5] is no distribution");
  }

  @Test
  void anAnswerSetsEverySignOfItsQuestion() {
    KnowHow knowHow = KnowHow.shipped();
    Question changed = knowHow.question("changed").orElseThrow();

    assertThat(changed.levels(List.of("drop"), knowHow))
        .containsEntry("change.drop", "yes")
        .containsEntry("change.update", "no")
        .hasSize(7);
    assertThatThrownBy(() -> changed.levels(List.of("eclipse"), knowHow))
        .hasMessageContaining("no answer eclipse");
  }
}

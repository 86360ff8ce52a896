package tekmerion.core.knowhow;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** Whoever has a step to do is told how. */
class InstructionsTest {
  private static final int MAX_WORDS = 30;

  private final KnowHow knowHow = KnowHow.shipped();
  private final Instructions instructions = Instructions.shipped();

  @Test
  void whatNoMoveGuidesHasInstructionsAndNothingElseHas() {
    assertThat(instructions.remedies())
        .isEqualTo(
            knowHow.remedies().stream()
                .filter(r -> !r.recoversOnly())
                .filter(r -> knowHow.moves().stream().noneMatch(m -> r.isDoneBy(m.id())))
                .map(Remedy::id)
                .collect(Collectors.toSet()));
  }

  @Test
  void stepsAreShortAndTheirWaitsAreTimers() {
    List<Move.Step> all =
        instructions.remedies().stream().flatMap(r -> instructions.of(r).stream()).toList();

    assertThat(all).allMatch(step -> step.words().split("\\s+").length <= MAX_WORDS);
    assertThat(all).noneMatch(step -> step.words().contains("@"));
    assertThat(instructions.of("replace-drive").get(0).waitSeconds()).isEqualTo(10);
  }
}

package tekmerion.core.knowhow;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.junit.jupiter.api.Named.named;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import tekmerion.core.decision.Course;
import tekmerion.core.permit.Invasiveness;

class KnowHowTest {
  @Test
  void whatShipsHoldsTogether() {
    KnowHow knowHow = KnowHow.shipped();

    assertThat(knowHow.families()).hasSize(12); // the complaint families of product.md
    assertThat(knowHow.causes()).hasSizeGreaterThanOrEqualTo(45);
    assertThat(knowHow.moves()).hasSizeGreaterThanOrEqualTo(90);
    assertThat(knowHow.findings()).hasSizeGreaterThanOrEqualTo(200);
    assertThat(knowHow.findings()).allSatisfy(finding -> assertThat(finding.source()).isNotBlank());
  }

  @Test
  void everyMistakeIsNamedAtOnce() {
    Cause noPrior =
        new Cause("a", "A", "a", "a", "drive", "drive", List.of(), Map.of("gone", 1.5), null);
    FindingKind bad =
        new FindingKind(
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
        .hasMessageContaining("cause a has no finding")
        .hasMessageContaining("finding s names no source")
        .hasMessageContaining("every level must be able to leak")
        .hasMessageContaining("no cause b")
        .hasMessageContaining("[0.5] is no distribution");
  }

  @Test
  void anAnswerSetsEveryFindingOfItsQuestion() {
    KnowHow knowHow = KnowHow.shipped();
    Question changed = knowHow.question("changed").orElseThrow();

    assertThat(changed.levels(List.of("drop"), knowHow))
        .containsEntry("change.drop", "yes")
        .containsEntry("change.update", "no")
        .hasSize(7);
    assertThatThrownBy(() -> changed.levels(List.of("eclipse"), knowHow))
        .hasMessageContaining("no answer eclipse");
  }

  private static Move move(String id, String finding, String bootStage, Invasiveness invasiveness) {
    return Move.called(id)
        .name("Do " + id)
        .purpose("")
        .act(Move.Act.REPAIR)
        .place("system")
        .families(List.of("weather"))
        .kinds(List.of("barge"))
        .bootStage(bootStage)
        .detours(List.of("nowhere"))
        .minutes(List.of(1))
        .invasiveness(invasiveness)
        .risk(2.0)
        .onceSeen(Map.of("omen", List.of("dark")))
        .after("nothing-after")
        .findings(List.of(finding))
        .build();
  }

  /** A move that does what a remedy does must not point to another cause when it helped. */
  @ParameterizedTest
  @MethodSource("movesThatDoWhatARemedyDoes")
  void aMoveKnowsEveryCauseThatItMends(Move move, Remedy remedy) {
    Move.Outcomes cure =
        move.tells().stream()
            .filter(asked -> asked.complaint() == Move.ComplaintAsked.MENDED)
            .findFirst()
            .orElseThrow();

    assertThat(cure.links().keySet()).containsAll(remedy.cures().keySet());
  }

  static Stream<Arguments> movesThatDoWhatARemedyDoes() {
    KnowHow knowHow = KnowHow.shipped();
    return knowHow.remedies().stream()
        .flatMap(
            remedy ->
                knowHow.moves().stream()
                    .filter(move -> remedy.isDoneBy(move.id()))
                    .map(move -> Arguments.of(named(move.id(), move), named(remedy.id(), remedy))));
  }

  @Test
  void everyMistakeOfAMoveAndARemedyIsNamedAtOnce() {
    Remedy wrong =
        new Remedy(
            "r",
            "R",
            Course.REPAIR,
            null,
            List.of(1),
            null,
            0,
            Invasiveness.LOOKS_ONLY,
            0,
            Map.of("ghost", 2.0),
            null);
    KnowHow good = KnowHow.shipped();

    assertThatThrownBy(
            () ->
                new KnowHow(
                    good.families(),
                    List.of(),
                    List.of(),
                    List.of(),
                    List.of(
                        new Move.File(
                            "judgement",
                            List.of(move("m", "x", "moon", Invasiveness.WRITES_TO_DRIVE)))),
                    List.of(wrong)))
        .hasMessageContaining("move m has no purpose")
        .hasMessageContaining("move m needs minutes: [hands-on, waiting]")
        .hasMessageContaining("move m has a data risk outside 0 to 1")
        .hasMessageContaining("move m has no instructions")
        .hasMessageContaining("move m tells nothing")
        .hasMessageContaining("move m writes to the drive and does not presuppose a copy")
        .hasMessageContaining("move m is for no known family: weather")
        .hasMessageContaining("move m has no known detour: nowhere")
        .hasMessageContaining("move m: no kind of machine barge")
        .hasMessageContaining("move m waits for what no finding says: omen [dark]")
        .hasMessageContaining("move m is followed by no known move: nothing-after")
        .hasMessageContaining("remedy r needs minutes")
        .hasMessageContaining("remedy r mends no known cause: ghost")
        .hasMessageContaining("remedy r: 2.0 is no probability");
  }

  @Test
  void causesThatNoMoveTellsApartAndFindingsThatNobodySeesAreMistakes() {
    KnowHow good = KnowHow.shipped();
    Cause twin =
        new Cause("twin", "T", "t", "t", "machine", "system", List.of(), Map.of("any", 0.01), null);
    Cause other =
        new Cause(
            "other", "O", "o", "o", "machine", "system", List.of(), Map.of("any", 0.01), null);
    FindingKind unseen =
        new FindingKind(
            "unseen",
            "U",
            "u",
            List.of("no", "yes"),
            List.of(0.9, 0.1),
            Map.of("twin", List.of(0.5, 0.5), "other", List.of(0.4, 0.6)),
            Map.of(),
            Map.of(),
            "arithmetic");

    assertThatThrownBy(
            () ->
                new KnowHow(
                    good.families(),
                    List.of(twin, other),
                    List.of(unseen),
                    List.of(),
                    List.of(
                        new Move.File(
                            "judgement", List.of(move("m", "x", "moon", Invasiveness.LOOKS_ONLY)))),
                    List.of()))
        .hasMessageContaining("finding unseen is never seen")
        .hasMessageContaining("no move tells twin from other")
        .hasMessageContaining("cause twin is mended by no remedy");
  }

  @Test
  void aStepMayHaveATimer() {
    assertThat(Move.Step.of("Leave it. @180")).isEqualTo(new Move.Step("Leave it.", 180));
    assertThat(Move.Step.of("Write to a@b.")).isEqualTo(new Move.Step("Write to a@b.", 0));
  }
}

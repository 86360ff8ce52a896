package tekmerion.core.knowhow;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import tekmerion.core.finding.Finding;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.permit.Invasiveness;
import tekmerion.core.weigh.Advice;
import tekmerion.core.weigh.NextMoves;
import tekmerion.core.weigh.Weighed;
import tekmerion.core.weigh.Weighing;

/** What a shop may change of the know-how, and what it may not. */
class EditTest {
  private static final KnowHow SHIPPED = KnowHow.shipped();
  private static final List<Weighing.Part> DRIVE =
      List.of(new Weighing.Part("drive-a", "drive", "drive A"));
  private static final Edit.OwnMove SNIFF =
      new Edit.OwnMove(
          "own.sniff",
          new Edit.MoveWords(
              "Smell at the vents",
              "Salt in the fan smells before it stops it.",
              List.of(1, 0),
              List.of("noise-heat"),
              List.of(),
              List.of("Smell at the vents.")),
          new Edit.OwnMove.Manner(
              Move.Act.OBSERVE, "power", "machine", "nothing", Invasiveness.LOOKS_ONLY, List.of()),
          new Edit.OwnMove.Look(
              "The smell",
              List.of("None", "Salt and damp"),
              List.of(0.97, 0.03),
              Map.of("fan-failed", List.of(0.2, 0.8))));

  private static KnowHow with(Edit... edits) {
    return SHIPPED.with(
        Arrays.stream(edits).map(e -> new Edit.Noted(e, "Mara: looked at 40 jobs")).toList());
  }

  private static double share(Weighed weighed, String cause) {
    return weighed.causes().stream()
        .filter(c -> c.cause().equals(cause))
        .mapToDouble(Weighed.CauseShare::probability)
        .findFirst()
        .orElse(0);
  }

  @Test
  void aLikelihoodStandsInPlaceOfTheShippedOneAndIsCheckedLikeIt() {
    KnowHow own = with(new Edit.Likelihood("fan.state", "fan-failed", List.of(0.5, 0.3, 0.2)));

    FindingKind changed = own.finding("fan.state").orElseThrow();
    assertThat(changed.links().get("fan-failed")).containsExactly(0.5, 0.3, 0.2);
    assertThat(changed.source()).endsWith("looked at 40 jobs");
    assertThat(changed.links().get("heat-dust"))
        .isEqualTo(SHIPPED.finding("fan.state").orElseThrow().links().get("heat-dust"));
    assertThatThrownBy(() -> with(new Edit.Likelihood("fan.state", "fan-failed", List.of(0.5))))
        .isInstanceOf(Mistakes.class)
        .hasMessageContaining("[0.5] is no distribution");
  }

  /** Odds before any finding are p / (1 - p): from 0.015 to 0.03 they double, and a little. */
  @Test
  void aPriorMovesTheWeighing() {
    Cause drive = SHIPPED.cause("failing-drive").orElseThrow();
    KnowHow own =
        with(
            new Edit.OfCause(
                "failing-drive",
                drive.name(),
                Map.of("any", 2 * drive.prior().get("any")),
                drive.dataRisk()));

    double before = share(Weighing.of(SHIPPED, List.of(), DRIVE, List.of()), "failing-drive");
    double after = share(Weighing.of(own, List.of(), DRIVE, List.of()), "failing-drive");

    assertThat(before).isCloseTo(0.015, within(0.001));
    assertThat(after).isCloseTo(0.03, within(0.001));
    assertThatThrownBy(() -> with(new Edit.OfCause("failing-drive", "x", Map.of("any", 1.0), 2)))
        .hasMessageContaining("prior 1.0 is outside (0, 1)")
        .hasMessageContaining("data risk 2.0 is no probability");
  }

  @Test
  void aMoveOfTheShopsOwnIsOfferedAndWhatItTellsCounts() {
    KnowHow own = with(SNIFF);
    NextMoves.Situation at =
        NextMoves.Situation.assumed(DataStatus.NOT_ASKED, Optional.empty(), Set.of(), false);

    assertThat(NextMoves.of(own, List.of("noise-heat"), DRIVE, List.of(), at).moves())
        .extracting(Advice.Ranked::id)
        .contains("own.sniff@machine");
    Finding salt =
        new Finding(
            "own.sniff.seen", Finding.MACHINE, "seen-1", "Salt and damp", Finding.Basis.move());
    assertThat(share(Weighing.of(own, List.of("noise-heat"), DRIVE, List.of(salt)), "fan-failed"))
        .isGreaterThan(
            2 * share(Weighing.of(own, List.of("noise-heat"), DRIVE, List.of()), "fan-failed"));
    assertThat(NextMoves.of(own, List.of("slow"), DRIVE, List.of(), at).moves())
        .extracting(Advice.Ranked::id)
        .doesNotContain("own.sniff@machine");
  }

  @Test
  void aMoveThatWritesPresupposesACopyWhoeverWroteIt() {
    Edit.OwnMove writes =
        new Edit.OwnMove(
            "own.writes",
            new Edit.MoveWords(
                "Write", "It writes.", List.of(1, 0), List.of(), List.of(), List.of("Write.")),
            new Edit.OwnMove.Manner(
                Move.Act.REPAIR,
                "drive",
                "drive",
                "nothing",
                Invasiveness.WRITES_TO_DRIVE,
                List.of()),
            new Edit.OwnMove.Look(
                "It",
                List.of("Well", "Ill"),
                List.of(0.9, 0.1),
                Map.of("file-system", List.of(0.5, 0.5))));

    assertThat(with(writes).move("own.writes").orElseThrow().presupposes())
        .contains(Move.Presupposed.COPY);
  }

  @Test
  void whatIsSetAsideIsNotOfferedButStillUnderstood() {
    KnowHow own = with(SNIFF, new Edit.Aside("own.sniff"), new Edit.Aside("fan-listen"));

    assertThat(own.offered()).extracting(Move::id).doesNotContain("own.sniff", "fan-listen");
    assertThat(own.finding("own.sniff.seen")).isPresent();
    assertThat(with(new Edit.Aside("fan-listen"), back("fan-listen")).offered())
        .extracting(Move::id)
        .contains("fan-listen");
  }

  private static Edit back(String move) {
    return new Edit.AsShipped(move, Edit.EntryKind.MOVE);
  }

  @Test
  void wordsAndTimesOfAMoveCanBeTheShopsOwnButNotWhatItTells() {
    Move was = SHIPPED.move("fan-listen").orElseThrow();
    KnowHow own =
        with(
            new Edit.OfMove(
                "fan-listen",
                new Edit.MoveWords(
                    "Listen",
                    "To hear it.",
                    List.of(2, 1),
                    List.of(),
                    List.of(),
                    List.of("Put an ear to it. @20"))));

    Move is = own.move("fan-listen").orElseThrow();
    assertThat(is.guided()).containsExactly(new Move.Step("Put an ear to it.", 20));
    assertThat(is.handsOnMinutes()).isEqualTo(2);
    assertThat(is.tells()).isEqualTo(was.tells());
    assertThat(is.invasiveness()).isEqualTo(was.invasiveness());
  }

  @Test
  void everyEditBackAtOnceIsWhatShips() {
    Edit changed = new Edit.Likelihood("fan.state", "fan-failed", List.of(0.5, 0.3, 0.2));

    assertThat(
            with(changed, new Edit.AsShipped("fan.state", Edit.EntryKind.FINDING))
                .finding("fan.state"))
        .isEqualTo(SHIPPED.finding("fan.state"));
  }

  @Test
  void everyMistakeIsNamedAtOnce() {
    assertThatThrownBy(
            () ->
                with(
                    new Edit.Aside("ghost"),
                    SNIFF,
                    SNIFF,
                    back("own.sniff"),
                    new Edit.Likelihood("ghost", "fan-failed", List.of(1.0))))
        .isInstanceOfSatisfying(
            Mistakes.class,
            e ->
                assertThat(e.all())
                    .containsExactly(
                        "there is no move ghost",
                        "move own.sniff is known already",
                        "own.sniff does not ship: it is the shop's own",
                        "there is no finding ghost"));
  }
}

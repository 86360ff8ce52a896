package tekmerion.evaluation.shop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import tekmerion.core.drive.DriveAnswers;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Move;
import tekmerion.core.knowhow.Question;
import tekmerion.core.knowhow.Remedy;
import tekmerion.sim.parts.Origin;
import tekmerion.sim.parts.PartsMachine;
import tekmerion.sim.parts.PartsMachines;

class PartsPatientTest {
  private static final KnowHow KNOW_HOW = KnowHow.shipped();

  @Test
  void everyMoveCanBeMadeAndGivesOnlyItsOutcomes() {
    PartsMachines machines = new PartsMachines(3);
    List<PartsMachine> some = new ArrayList<>();
    for (int i = 0; i < 25; i++) {
      some.add(machines.next());
    }
    for (Move move : KNOW_HOW.moves()) {
      for (PartsMachine machine : some) {
        if (!move.id().equals("read-drive")) { // its findings come from decoded pages
          machine
              .copy()
              .make(move.id())
              .forEach(
                  (finding, level) -> {
                    if (!finding.equals(
                        DriveAnswers.FINDING)) { // that a drive was silent is seen in any
                      assertThat(move.given()).as(move.id()).contains(finding);
                    }
                    assertThat(KNOW_HOW.finding(finding).orElseThrow().levels())
                        .as("%s of %s", finding, move.id())
                        .contains(level);
                  });
        }
      }
    }
  }

  @Test
  void everyRemedyAndEveryQuestionIsKnown() {
    PartsMachine machine = new PartsMachines(4).next();
    for (Remedy remedy : KNOW_HOW.remedies()) {
      machine.copy().remedied(remedy.id()); // throws for one that nobody knows
    }
    for (Question question : KNOW_HOW.questions()) {
      machine
          .answer(question.id())
          .ifPresent(
              answer ->
                  assertThat(question.options().stream().map(Question.Option::id))
                      .as(question.id())
                      .containsAll(answer));
    }
    machine
        .heard()
        .forEach(
            (finding, level) ->
                assertThat(KNOW_HOW.finding(finding).orElseThrow().levels()).contains(level));
  }

  /** What befalls machines and what the tables know are not the same, by intention. */
  @Test
  void someOriginsAreOfNoCauseThatIsKnown() {
    Set<String> causes = new HashSet<>();
    KNOW_HOW.causes().forEach(cause -> causes.add(cause.id()));
    Set<String> met = new HashSet<>();
    Arrays.stream(Origin.values()).forEach(origin -> met.add(origin.cause()));

    assertThat(met).contains("");
    met.remove("");
    assertThat(met).isEqualTo(causes);
  }

  /** The remedy of what befell it ends the complaint; another part's does not. */
  @Test
  void aMachineIsMendedByWhatEndsItsOriginAndByNothingElse() {
    PartsMachine worn = withOnly(Origin.CELLS_AGED);
    PartsMachine dusty = withOnly(Origin.DUST);

    assertThat(worn.isStillMet()).isTrue();
    assertThat(worn.copy().remedied("replace-battery")).isFalse();
    assertThat(worn.copy().remedied("replace-memory")).isTrue();
    assertThat(dusty.copy().remedied("clean-cooling") && dusty.copy().remedied("clean-cooling"))
        .isFalse();
    assertThat(dusty.copy().remedied("replace-battery")).isTrue();
  }

  private static PartsMachine withOnly(Origin origin) {
    PartsMachines machines = new PartsMachines(9);
    PartsMachine machine = machines.next();
    while (!machine.origins().equals(List.of(origin))) {
      machine = machines.next();
    }
    return machine;
  }
}

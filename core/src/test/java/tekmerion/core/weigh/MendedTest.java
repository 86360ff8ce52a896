package tekmerion.core.weigh;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tekmerion.core.decision.Course;
import tekmerion.core.finding.Finding;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Remedy;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.weigh.Weighing.Part;

/** Once the complaint is gone nothing beyond what has mended it is planned, by what ships. */
class MendedTest {
  private static final KnowHow KNOW_HOW = KnowHow.shipped();

  @ParameterizedTest(name = "after {0}: {1} {2}")
  @CsvSource({
    // Contacts were cleaned: the case may be opened, nothing is set up anew.
    "memory-reseat, clean-contacts, true",
    "memory-reseat, replace-memory, true",
    "memory-reseat, roll-back, false",
    "memory-reseat, reset-keeping, false",
    // A roll-back writes, and so may what is planned; a reset costs the owner their programs.
    "roll-back, roll-back, true",
    "roll-back, renew-drivers, true",
    "roll-back, reset-keeping, false",
    "roll-back, clean-install, false",
    "reset-keeping, reset-keeping, true",
    "reset-keeping, reset-erasing, false"
  })
  void aPlanGoesNoFurther(String move, String remedy, boolean allowed) {
    assertThat(
            Mended.allows(
                KNOW_HOW.move(move).or(Optional::empty), KNOW_HOW.remedy(remedy).orElseThrow()))
        .isEqualTo(allowed);
  }

  @Test
  void everythingIsAllowedWhileItIsThere() {
    assertThat(KNOW_HOW.remedies()).allMatch(r -> Mended.allows(Optional.empty(), r));
  }

  @Test
  void aRollBackThatHelpedEndsTheTalkOfResets() {
    List<Finding> findings =
        List.of(
            seen("boot-stage", "desktop"),
            seen(KNOW_HOW.move("roll-back").orElseThrow().tells().get(0).id(), "gone"));

    Advice advice =
        NextMoves.of(
            KNOW_HOW,
            List.of("error-screen"),
            List.of(new Part("drive-a", "drive", "drive A")),
            findings,
            NextMoves.Situation.assumed(
                DataStatus.COPY_VERIFIED, Optional.empty(), Set.of(), true));

    assertThat(advice.plans())
        .flatExtracting(Plan::remedies)
        .extracting(Remedy::course)
        .doesNotContain(Course.RESET_KEEPING_FILES, Course.RESET_ERASING, Course.CLEAN_INSTALL);
  }

  /** Drained once and still dead: to drain it again is not what is planned first. */
  @Test
  void whatWasDoneAndEndedNothingIsNotPlannedAgain() {
    List<Finding> dead = List.of(seen("boot-stage", "nothing"), seen("kind", "laptop"));
    Remedy drain = KNOW_HOW.remedy("drain").orElseThrow();

    assertThat(planned(dead)).contains(drain);
    assertThat(
            planned(
                List.of(
                    dead.get(0),
                    dead.get(1),
                    seen("other-adapter.after", "same"),
                    seen("drain.after", "same"))))
        .doesNotContain(drain);
  }

  private static List<Remedy> planned(List<Finding> findings) {
    return NextMoves.of(
            KNOW_HOW,
            List.of("dead"),
            List.of(new Part("drive-a", "drive", "drive A")),
            findings,
            NextMoves.Situation.assumed(DataStatus.NOT_WANTED, Optional.empty(), Set.of(), true))
        .plans()
        .get(0)
        .remedies();
  }

  @ParameterizedTest(name = "{0} was {1}: {2}")
  @CsvSource({
    "drain.after, same, drain, true",
    "drain.after, comes, drain, false",
    "cure.fan, same, clean-cooling, true",
    "cure.fan, same, replace-fan, false",
    "cure.roll-back, same, roll-back, true",
    // It broke off half way: nothing was tried.
    "cure.reset-keeping, failed, reset-keeping, false",
    // Only held for a while: less than the remedy.
    "hold-power.after, same, drain, false"
  })
  void aRemedyWasTriedIfAMoveThatDoesItLeftTheComplaint(
      String finding, String level, String remedy, boolean tried) {
    Network network = Network.of(KNOW_HOW, List.of(), List.of(), List.of(seen(finding, level)));

    assertThat(Mended.wasTried(KNOW_HOW, network, KNOW_HOW.remedy(remedy).orElseThrow()))
        .isEqualTo(tried);
  }

  private static Finding seen(String id, String level) {
    return new Finding(id, Finding.MACHINE, level, id, Finding.Basis.intake());
  }
}

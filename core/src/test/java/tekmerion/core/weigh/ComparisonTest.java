package tekmerion.core.weigh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import tekmerion.core.decision.Course;
import tekmerion.core.finding.Finding;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Remedy;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.weigh.Advice.Stop;
import tekmerion.core.weigh.Comparison.Compared;
import tekmerion.core.weigh.Weighing.Part;

/** On the know-how that ships: a drive that fails, and what can be decided about it. */
class ComparisonTest {
  private static final List<String> FAMILIES = List.of("restart-loop");
  private static final List<Part> PARTS = List.of(new Part("drive-a", Part.DRIVE, "Drive A"));

  private static final List<Finding> FAILING =
      List.of(
          new Finding(
              "drive.pending-sectors", "drive-a", "many", "46 sectors are pending", basis()),
          new Finding("drive.self-test", "drive-a", "failed", "its own test stops", basis()));

  private static Finding.Basis basis() {
    return Finding.Basis.intake();
  }

  private static Comparison compared(DataStatus data, String... own) {
    return Comparison.of(
        KnowHow.shipped(),
        FAMILIES,
        PARTS,
        FAILING,
        data,
        own.length == 0 ? Optional.empty() : Optional.of(List.of(own)));
  }

  private static Compared row(Comparison comparison, String id) {
    return comparison.plans().stream()
        .filter(row -> row.plan().id().equals(id))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void theBestStandsFirstWithItsPartByNameAndWithWhatItLeaves() {
    Comparison comparison = compared(DataStatus.WANTED);

    Compared best = comparison.plans().get(0);
    assertThat(best.words()).isEqualTo("Recover the data, then replace drive A");
    assertThat(best.against()).startsWith("against: failing drive");
    assertThat(comparison.plans()).extracting(row -> row.plan().cost()).isSorted();
    assertThat(comparison.why())
        .startsWith("This plan ends the complaint in ")
        .contains(" of 100 cases than “" + comparison.plans().get(1).words() + "”");
    assertThat(comparison.names()).containsEntry("replace-drive", "Replace drive A");
    assertThat(comparison.words(best.plan())).isEqualTo(best.words());
  }

  /** Without its copy the same plan loses more; to hand it back ends nothing. */
  @Test
  void besideItStandWhatItIsWithoutACopyAndNothingAtAll() {
    Comparison comparison = compared(DataStatus.WANTED);

    Compared best = comparison.plans().get(0);
    Compared bare = row(comparison, best.plan().id().replace("recover-data+", ""));
    assertThat(bare.plan().gone()).isEqualTo(best.plan().gone());
    assertThat(bare.plan().dataLost()).isGreaterThan(5 * best.plan().dataLost());
    Compared nothing = row(comparison, Plan.HAND_BACK);
    assertThat(nothing.plan().gone()).isLessThan(0.1);
    assertThat(nothing.against()).isEqualTo("nothing is changed");
  }

  /** The chance of a plan leads back to the causes it ends; that of its data to the copy. */
  @Test
  void thePlansNumbersLeadToHowTheyWereMade() {
    Comparison comparison = compared(DataStatus.WANTED);

    Compared best = comparison.plans().get(0);
    Grounds grounds = best.grounds();
    assertThat(grounds.causes().get(0).words()).isEqualTo("Failing drive (drive A)");
    assertThat(grounds.causes().get(0).probability()).isGreaterThan(0.9);
    // Whatever is not there or not known of cannot be ended: each cause alone ends no more.
    double none = grounds.unknown();
    assertThat(best.plan().gone()).isLessThanOrEqualTo(1 - none + 1e-9);
    assertThat(grounds.causes().get(0).ended())
        .isEqualTo(
            best.plan().remedies().stream()
                .filter(r -> r.id().equals("replace-drive"))
                .findFirst()
                .orElseThrow()
                .cures()
                .get("failing-drive"));
    assertThat(grounds.lostCopied()).isLessThan(grounds.lostUncopied());
    assertThat(List.of(grounds.lostCopied(), grounds.lostUncopied()))
        .contains(best.plan().dataLost());
    assertThat(row(comparison, Plan.HAND_BACK).grounds().causes())
        .allSatisfy(cause -> assertThat(cause.ended()).isZero());
  }

  @Test
  void aRangeHoldsItsMiddleAndIsWiderTheLessIsKnown() {
    assertThat(compared(DataStatus.WANTED).plans())
        .allSatisfy(
            row -> {
              assertThat(row.gone().middle()).isEqualTo(row.plan().gone());
              assertThat(row.gone().low()).isLessThanOrEqualTo(row.gone().middle());
              assertThat(row.gone().high()).isGreaterThanOrEqualTo(row.gone().middle());
            });
    Comparison unknown =
        Comparison.of(
            KnowHow.shipped(), FAMILIES, PARTS, List.of(), DataStatus.WANTED, Optional.empty());
    assertThat(width(row(unknown, unknown.plans().get(0).plan().id())))
        .isGreaterThan(width(compared(DataStatus.WANTED).plans().get(0)));
  }

  private static double width(Compared row) {
    return row.gone().high() - row.gone().low();
  }

  @Test
  void whatNobodyWantsCannotBeLost() {
    assertThat(compared(DataStatus.NOT_WANTED).plans())
        .allSatisfy(row -> assertThat(row.plan().dataLost()).isZero());
  }

  @Test
  void aPlanOfOnesOwnIsCostedTheSameWay() {
    Comparison comparison = compared(DataStatus.WANTED, "recover-data", "reset-erasing");

    Compared own = row(comparison, "recover-data+reset-erasing");
    assertThat(own.own()).isTrue();
    assertThat(own.plan().remedies())
        .extracting(Remedy::course)
        .containsExactly(Course.RECOVER_DATA, Course.RESET_ERASING);
    assertThat(own.plan().cost()).isGreaterThan(comparison.plans().get(0).plan().cost());
    assertThat(own.plan().owner()).isPositive();
  }

  @Test
  void aPlanOfUnknownOrTooManyRemediesIsRefused() {
    assertThatThrownBy(() -> compared(DataStatus.WANTED, "wish"))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessage("no remedy wish here");
    assertThatThrownBy(() -> compared(DataStatus.WANTED, "drain", "drain"))
        .hasMessage("remedy drain twice");
    assertThatThrownBy(
            () -> compared(DataStatus.WANTED, "drain", "replace-fan", "make-room", "put-over"))
        .hasMessage("more than 3 remedies");
  }

  /** The rule that ends a visit, and the sentence that says so. */
  @Test
  void whetherToStopIsSaidWithWhatTheBestMoveWouldCostAndSave() {
    Advice early =
        NextMoves.of(
            KnowHow.shipped(),
            FAMILIES,
            PARTS,
            List.of(),
            NextMoves.Situation.assumed(DataStatus.WANTED, Optional.empty(), Set.of(), true));

    Stop stop = early.stop();

    assertThat(stop.enough()).isFalse().isEqualTo(early.enough());
    assertThat(stop.words()).matches("Test on: .* costs \\d+ min and saves \\d+\\.");
    assertThat(stop.saves()).isGreaterThan(stop.best().orElseThrow().minutes());
    assertThat(Advice.NONE.stop().words()).isEqualTo("There is no open test left.");
  }
}

package tekmerion.core.progress;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.progress.PlanProgress.Outcome;
import tekmerion.core.progress.PlanProgress.Remedy;
import tekmerion.core.progress.PlanProgress.Step;
import tekmerion.core.progress.PlanProgress.StepState;
import tekmerion.core.progress.PlanProgress.WaitsFor;

/** A copy, a new drive, and if that does not end it the system put over itself. */
class PlanProgressTest {
  private static List<Step> steps(
      DataStatus data, Outcome drive, Outcome over, WaitsFor waits, boolean isShown) {
    return PlanProgress.of(
            List.of(
                new Remedy("copy", true, false, Optional.empty()),
                new Remedy("drive", false, false, Optional.ofNullable(drive)),
                new Remedy("over", false, false, Optional.ofNullable(over))),
            data,
            waits,
            isShown)
        .steps();
  }

  @Test
  void firstTheCopyAndAllElseWaitsForIt() {
    assertThat(steps(DataStatus.WANTED, null, null, WaitsFor.NOTHING, false))
        .extracting(Step::id, Step::state, Step::waitsFor)
        .containsExactly(
            tuple("copy", StepState.NEXT, 0),
            tuple("drive", StepState.WAITS_FOR_STEP, 1),
            tuple("over", StepState.WAITS_FOR_STEP, 1),
            tuple("show", StepState.WAITS_FOR_STEP, 1),
            tuple("hand-back", StepState.WAITS_FOR_STEP, 1));
  }

  /** A failing drive seldom gives all: what is there is enough to go on. */
  @Test
  void whatIsCopiedOrGivenUpNeedsNoCopy() {
    for (DataStatus data :
        List.of(DataStatus.COPIED, DataStatus.COPY_VERIFIED, DataStatus.NOT_WANTED)) {
      assertThat(steps(data, null, null, WaitsFor.NOTHING, false))
          .extracting(Step::state)
          .startsWith(StepState.DONE, StepState.NEXT, StepState.WAITS_FOR_STEP);
    }
  }

  @Test
  void whatWaitsForAPartOrTheOwnerSaysSo() {
    assertThat(steps(DataStatus.COPY_VERIFIED, null, null, WaitsFor.PART, false))
        .extracting(Step::state)
        .startsWith(StepState.DONE, StepState.WAITS_FOR_PART, StepState.WAITS_FOR_STEP);
    assertThat(steps(DataStatus.WANTED, null, null, WaitsFor.OWNER, false).get(0).state())
        .isEqualTo(StepState.WAITS_FOR_OWNER);
  }

  @Test
  void nothingIsBegunWhileAChangeIsNotLookedAt() {
    assertThat(steps(DataStatus.COPY_VERIFIED, Outcome.OPEN, null, WaitsFor.NOTHING, false))
        .extracting(Step::state, Step::waitsFor)
        .containsExactly(
            tuple(StepState.DONE, 0),
            tuple(StepState.OPEN, 0),
            tuple(StepState.WAITS_FOR_STEP, 2),
            tuple(StepState.WAITS_FOR_STEP, 2),
            tuple(StepState.WAITS_FOR_STEP, 2));
  }

  @Test
  void whatEndedItMakesTheRestNeedlessAndItIsShownNext() {
    assertThat(steps(DataStatus.COPY_VERIFIED, Outcome.GONE, null, WaitsFor.NOTHING, false))
        .extracting(Step::state)
        .containsExactly(
            StepState.DONE,
            StepState.DONE,
            StepState.NOT_NEEDED,
            StepState.NEXT,
            StepState.WAITS_FOR_STEP);
  }

  /** It was to be made before what writes, and nothing is written any more. */
  @Test
  void aCopyThatComesAfterWhatEndedItIsNotNeeded() {
    assertThat(
            PlanProgress.of(
                    List.of(
                        new Remedy("module", false, false, Optional.of(Outcome.GONE)),
                        new Remedy("copy", true, false, Optional.empty()),
                        new Remedy("over", false, false, Optional.empty())),
                    DataStatus.WANTED,
                    WaitsFor.NOTHING,
                    false)
                .steps())
        .extracting(Step::state)
        .startsWith(StepState.DONE, StepState.NOT_NEEDED, StepState.NOT_NEEDED, StepState.NEXT);
  }

  @Test
  void whatDidNotEndItGoesOnToTheNext() {
    assertThat(steps(DataStatus.COPY_VERIFIED, Outcome.STILL_THERE, null, WaitsFor.NOTHING, false))
        .extracting(Step::state)
        .startsWith(StepState.DONE, StepState.DONE, StepState.NEXT);
  }

  @Test
  void whatCouldNotBeDoneHoldsNothingUp() {
    assertThat(steps(DataStatus.COPIED, Outcome.NOT_DONE, null, WaitsFor.NOTHING, false))
        .extracting(Step::state)
        .startsWith(StepState.DONE, StepState.NOT_DONE, StepState.NEXT);
    assertThat(
            PlanProgress.of(
                    List.of(new Remedy("copy", true, false, Optional.of(Outcome.NOT_DONE))),
                    DataStatus.WANTED,
                    WaitsFor.NOTHING,
                    false)
                .steps())
        .extracting(Step::state)
        .startsWith(StepState.NOT_DONE, StepState.NEXT);
  }

  @Test
  void whatItsPartWasOrderedForWaitsForItAndNothingBeforeItDoes() {
    List<Remedy> plan =
        List.of(
            new Remedy("module", false, false, Optional.empty()),
            new Remedy("drive", false, true, Optional.empty()));
    assertThat(PlanProgress.of(plan, DataStatus.WANTED, WaitsFor.NOTHING, false).steps())
        .extracting(Step::state)
        .startsWith(StepState.NEXT, StepState.WAITS_FOR_STEP);
    assertThat(
            PlanProgress.of(plan.subList(1, 2), DataStatus.WANTED, WaitsFor.NOTHING, false).steps())
        .extracting(Step::state)
        .startsWith(StepState.WAITS_FOR_PART, StepState.WAITS_FOR_STEP);
  }

  /** Nobody shows that what is still there is gone, and nobody hands it back as mended. */
  @Test
  void whatAllOfThePlanDidNotEndIsDecidedAnew() {
    assertThat(
            steps(
                DataStatus.COPIED, Outcome.STILL_THERE, Outcome.BROKE_OFF, WaitsFor.NOTHING, false))
        .extracting(Step::state, Step::waitsFor)
        .containsExactly(
            tuple(StepState.DONE, 0),
            tuple(StepState.DONE, 0),
            tuple(StepState.BROKE_OFF, 0),
            tuple(StepState.WAITS_FOR_DECISION, 0),
            tuple(StepState.WAITS_FOR_STEP, 4));
  }

  @Test
  void whatOnlyBringsDataToSafetyHasNothingToShow() {
    assertThat(
            PlanProgress.of(
                    List.of(new Remedy("copy", true, false, Optional.empty())),
                    DataStatus.COPIED,
                    WaitsFor.NOTHING,
                    false)
                .steps())
        .extracting(Step::id, Step::state)
        .containsExactly(tuple("copy", StepState.DONE), tuple("hand-back", StepState.NEXT));
  }

  @Test
  void itIsHandedBackOnceItIsShown() {
    assertThat(steps(DataStatus.COPY_VERIFIED, Outcome.GONE, null, WaitsFor.NOTHING, true))
        .last()
        .extracting(Step::state)
        .isEqualTo(StepState.NEXT);
  }

  @Test
  void whatIsHandedBackAsItCameNeedsNothingShown() {
    assertThat(PlanProgress.of(List.of(), DataStatus.WANTED, WaitsFor.NOTHING, false).steps())
        .extracting(Step::id, Step::state)
        .containsExactly(tuple("hand-back", StepState.NEXT));
  }
}

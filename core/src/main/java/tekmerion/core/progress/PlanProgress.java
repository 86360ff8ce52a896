package tekmerion.core.progress;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tekmerion.core.permit.DataStatus;

/**
 * How far the work of a signed plan has come: its steps in order, one change at a time, and after
 * each a look whether the complaint is gone. What is gone needs no further remedy; what is not goes
 * on to the next. At the end it is shown, then handed back.
 *
 * @param steps those of the plan, then that it is shown, then that it is handed back
 */
public record PlanProgress(List<Step> steps) {
  /** Id of the step that shows that the complaint is gone. */
  public static final String SHOW = "show";

  /** Id of the last step. */
  public static final String HAND_BACK = "hand-back";

  public PlanProgress {
    steps = List.copyOf(steps);
  }

  /** How a step stands. */
  public enum StepState {
    /** It is the one to do now. */
    NEXT,
    /** It was begun; whether the complaint is gone is still to be looked for. */
    OPEN,
    WAITS_FOR_PART,
    WAITS_FOR_OWNER,
    /** For a step before it. */
    WAITS_FOR_STEP,
    DONE,
    /** It could not be done, or was not done here; the plan goes on without it. */
    NOT_DONE,
    /** The complaint was gone before it came to that. */
    NOT_NEEDED
  }

  /**
   * One step.
   *
   * @param id of the remedy, or {@link #SHOW} or {@link #HAND_BACK}
   * @param waitsFor number of the step that it waits for, from 1; 0 if it waits for none
   */
  public record Step(String id, StepState state, int waitsFor) {}

  /**
   * A remedy of the plan.
   *
   * @param recovers whether it brings the data to safety and mends nothing
   * @param done what came of it; empty if it was not begun since the decision
   */
  public record Remedy(String id, boolean recovers, Optional<Outcome> done) {}

  /** What came of a remedy. */
  public enum Outcome {
    /** The look at the complaint is still to come. */
    OPEN,
    GONE,
    /** The same, different, or nobody could tell. */
    STILL_THERE,
    NOT_DONE
  }

  /** What the work may have to wait for beside itself. */
  public enum WaitsFor {
    NOTHING,
    PART,
    OWNER
  }

  /**
   * @param remedies of the plan, in order; none for handing it back
   * @param data status of the data on the drives
   * @param waitsFor what the job waits for
   * @param isShown whether it is shown that the complaint is gone, or the owner takes it without
   */
  public static PlanProgress of(
      List<Remedy> remedies, DataStatus data, WaitsFor waitsFor, boolean isShown) {
    List<Step> steps = new ArrayList<>();
    boolean gone = false;
    int first = 0; // the step that is not done yet, from 1
    for (Remedy remedy : remedies) {
      StepState state;
      if (remedy.done().filter(Outcome.NOT_DONE::equals).isPresent()) {
        state = StepState.NOT_DONE;
      } else if (remedy.recovers()) {
        state =
            isRecovered(data)
                ? StepState.DONE
                : gone ? StepState.NOT_NEEDED : ahead(first, waitsFor);
      } else if (remedy.done().isPresent()) {
        state = remedy.done().get() == Outcome.OPEN ? StepState.OPEN : StepState.DONE;
        gone |= remedy.done().get() == Outcome.GONE;
      } else {
        state = gone ? StepState.NOT_NEEDED : ahead(first, waitsFor);
      }
      steps.add(step(remedy.id(), state, first));
      first = first == 0 && isAhead(state) ? steps.size() : first;
    }
    if (!remedies.isEmpty()) {
      StepState shown = isShown ? StepState.DONE : ahead(first, WaitsFor.NOTHING);
      steps.add(step(SHOW, shown, first));
      first = first == 0 && isAhead(shown) ? steps.size() : first;
    }
    steps.add(step(HAND_BACK, ahead(first, WaitsFor.NOTHING), first));
    return new PlanProgress(steps);
  }

  /**
   * A failing drive seldom gives all of its data: what is copied is enough to go on. What writes
   * has its own gate, and asks for more.
   */
  private static boolean isRecovered(DataStatus data) {
    return data.allowsWriting() || data == DataStatus.COPIED;
  }

  private static Step step(String id, StepState state, int first) {
    return new Step(id, state, state == StepState.WAITS_FOR_STEP ? first : 0);
  }

  /** Of a step that is still to be done. */
  private static StepState ahead(int first, WaitsFor waitsFor) {
    if (first > 0) {
      return StepState.WAITS_FOR_STEP;
    }
    return switch (waitsFor) {
      case PART -> StepState.WAITS_FOR_PART;
      case OWNER -> StepState.WAITS_FOR_OWNER;
      case NOTHING -> StepState.NEXT;
    };
  }

  /** Whether it is still to be done. */
  public static boolean isAhead(StepState state) {
    return switch (state) {
      case DONE, NOT_DONE, NOT_NEEDED -> false;
      default -> true;
    };
  }
}

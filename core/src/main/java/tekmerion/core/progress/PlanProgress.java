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
    /** All of the plan was done and the complaint is still there: it is decided anew. */
    WAITS_FOR_DECISION,
    DONE,
    /** It could not be done, or was not done here; the plan goes on without it. */
    NOT_DONE,
    /** It was begun and broke off half way. */
    BROKE_OFF,
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
   * @param isPartOrdered whether its part is ordered and has not come
   * @param done what came of it; empty if it was not begun since the decision
   */
  public record Remedy(
      String id, boolean recovers, boolean isPartOrdered, Optional<Outcome> done) {}

  /** What came of a remedy. */
  public enum Outcome {
    /** The look at the complaint is still to come. */
    OPEN,
    GONE,
    /** The same, different, or nobody could tell. */
    STILL_THERE,
    NOT_DONE,
    /** It broke off half way, so that the machine may be worse off than before. */
    BROKE_OFF
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
      StepState state = state(remedy, data, waitsFor, gone, first);
      gone |= !remedy.recovers() && remedy.done().filter(Outcome.GONE::equals).isPresent();
      steps.add(step(remedy.id(), state, first));
      first = first == 0 && isAhead(state) ? steps.size() : first;
    }
    List<Remedy> mending = remedies.stream().filter(r -> !r.recovers()).toList();
    if (!mending.isEmpty()) {
      StepState shown =
          isShown
              ? StepState.DONE
              : mending.stream().allMatch(PlanProgress::didNotHelp)
                  ? StepState.WAITS_FOR_DECISION
                  : ahead(first, WaitsFor.NOTHING);
      steps.add(step(SHOW, shown, first));
      first = first == 0 && isAhead(shown) ? steps.size() : first;
    }
    steps.add(step(HAND_BACK, ahead(first, WaitsFor.NOTHING), first));
    return new PlanProgress(steps);
  }

  /** Whether all that was to mend it was done, and none of it did. */
  public boolean isOverInVain() {
    return steps.stream().anyMatch(step -> step.state() == StepState.WAITS_FOR_DECISION);
  }

  private static StepState state(
      Remedy remedy, DataStatus data, WaitsFor waitsFor, boolean gone, int first) {
    if (remedy.done().filter(Outcome.NOT_DONE::equals).isPresent()) {
      return StepState.NOT_DONE;
    }
    if (remedy.recovers() && isRecovered(data)) {
      return StepState.DONE;
    }
    if (!remedy.recovers() && remedy.done().isPresent()) {
      return switch (remedy.done().get()) {
        case OPEN -> StepState.OPEN;
        case BROKE_OFF -> StepState.BROKE_OFF;
        default -> StepState.DONE;
      };
    }
    if (gone) {
      return StepState.NOT_NEEDED;
    }
    return ahead(first, remedy.isPartOrdered() ? WaitsFor.PART : waitsFor);
  }

  /** What was not done here may have been done elsewhere: nobody can say that it did not help. */
  private static boolean didNotHelp(Remedy remedy) {
    return remedy
        .done()
        .filter(done -> done == Outcome.STILL_THERE || done == Outcome.BROKE_OFF)
        .isPresent();
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
      case DONE, NOT_DONE, NOT_NEEDED, BROKE_OFF -> false;
      default -> true;
    };
  }
}

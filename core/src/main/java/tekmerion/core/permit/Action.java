package tekmerion.core.permit;

import java.util.List;

/** Something that somebody wants to do in a job. */
public sealed interface Action {
  /** Stands for every drive of the machine. */
  String WHOLE_MACHINE = "machine";

  /**
   * A move by hand or by the probe, or a run.
   *
   * @param partKey what it is done to; {@link #WHOLE_MACHINE} is every drive
   */
  record Make(Effects effects, String partKey) implements Action {}

  /**
   * To sign that a course is taken.
   *
   * @param replaces whether a part is replaced by it
   */
  record Decide(Effects effects, boolean replaces) implements Action {}

  /**
   * The probe writes to a drive: it needs a release for it.
   *
   * @param drive that was named; if another one sits in its place by now, nothing is written
   */
  record Write(Effects effects, String partKey, PartIdentity drive) implements Action {}

  /**
   * The copies of a drive are erased.
   *
   * @param drive that they are of, wherever it is now
   */
  record EraseCopy(DriveState drive) implements Action {}

  /**
   * A drive that was taken out is destroyed, and all that is on it.
   *
   * @param drive wherever it is now
   */
  record Scrap(DriveState drive) implements Action {}

  /**
   * The machine goes back to its owner.
   *
   * @param unsaid steps by name that took a drive out, of which nobody said what became of it
   */
  record HandBack(List<String> unsaid) implements Action {
    public HandBack {
      unsaid = List.copyOf(unsaid);
    }
  }
}

package tekmerion.core.permit;

/** Every rule that can lock something, by the name under which the API tells it. */
public enum Lock {
  /** Data of a drive is neither copied and verified nor signed away. */
  DATA_NOT_SAFE,
  /** The same drive is in another open job, where its data is not safe. */
  WANTED_IN_ANOTHER_JOB,
  /** No drive has told who it is, so nobody knows whose data it would be. */
  DRIVE_NOT_IDENTIFIED,
  /** The drive in that place is not the one that was named. */
  OTHER_DRIVE,
  /** A failing drive would be worked for long before its data is safe. */
  DRIVE_FAILING,
  /** A swollen pack would be loaded or charged. */
  BATTERY_UNSAFE,
  /** A part would be replaced on one finding. */
  ONE_FINDING_ONLY,
  /** Nobody said what became of a drive that was taken out: it may hold the only data. */
  OLD_DRIVE_UNSAID,
  /** It is not shown that the complaint is gone. */
  NOT_PROVEN,
  /** Nothing was decided that erases. */
  NOT_DECIDED,
  /** The running system, a drive of the bench, a mounted volume. */
  OFF_LIMITS,
  /** A copy may be the only one. */
  ONLY_COPY,
  JOB_ENDED,
  /** The machine does not start far enough. */
  DOES_NOT_START_SO_FAR,
  /** Hardware is under suspicion, and this would mend software. */
  HARDWARE_SUSPECTED,
  /** Only a probe can do it. */
  NEEDS_PROBE
}

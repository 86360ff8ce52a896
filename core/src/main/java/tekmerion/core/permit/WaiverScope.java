package tekmerion.core.permit;

/** How far a waiver goes. */
public enum WaiverScope {
  /** All data on the drive may be erased, whatever it is. */
  ALL_DATA,
  /** What is named may be erased. */
  HOLDINGS,
  /** The owner has the data again: the shop's copy may be erased. */
  COPY_RETURNED
}

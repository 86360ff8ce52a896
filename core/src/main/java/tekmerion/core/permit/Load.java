package tekmerion.core.permit;

/** What something works for long, beside what it writes. */
public enum Load {
  /** Reads or writes much of a drive. */
  DRIVE,
  /** Discharges or charges the battery on purpose. */
  BATTERY,
  /** Keeps the machine running, and every drive in it. */
  MACHINE
}

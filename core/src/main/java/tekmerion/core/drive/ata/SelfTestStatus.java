package tekmerion.core.drive.ata;

/** Self-test execution status values: ACS-3, upper half of byte 363 of SMART READ DATA. */
public enum SelfTestStatus {
  COMPLETED_OR_NEVER_RUN("completed without error, or none was ever run"),
  ABORTED_BY_HOST("aborted by the host"),
  INTERRUPTED_BY_RESET("interrupted by the host with a reset"),
  COULD_NOT_COMPLETE("a fatal or unknown error kept it from completing"),
  FAILED_UNKNOWN_ELEMENT("completed; a test element failed, which one is not known"),
  FAILED_ELECTRICAL("completed; the electrical element failed"),
  FAILED_SERVO("completed; the servo or seek element failed"),
  FAILED_READ("completed; the read element failed"),
  SUSPECTED_HANDLING_DAMAGE("completed; failed, handling damage is suspected"),
  IN_PROGRESS("in progress"),
  RESERVED("reserved code");

  private final String words;

  SelfTestStatus(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }

  /** The drive itself found a fault. */
  public boolean isFailure() {
    return ordinal() >= FAILED_UNKNOWN_ELEMENT.ordinal()
        && ordinal() <= SUSPECTED_HANDLING_DAMAGE.ordinal();
  }

  static SelfTestStatus of(int code) {
    if (code == 15) {
      return IN_PROGRESS;
    }
    return code <= 8 ? values()[code] : RESERVED;
  }
}

package tekmerion.core.drive.ata;

import static tekmerion.words.Words.say;

/** Self-test execution status values: ACS-3, upper half of byte 363 of SMART READ DATA. */
public enum SelfTestStatus {
  COMPLETED_OR_NEVER_RUN("drive.completed-without-error-or-none-was"),
  ABORTED_BY_HOST("drive.aborted-by-the-host"),
  INTERRUPTED_BY_RESET("drive.interrupted-by-the-host-with-a"),
  COULD_NOT_COMPLETE("drive.a-fatal-or-unknown-error-kept"),
  FAILED_UNKNOWN_ELEMENT("drive.completed-a-test-element-failed-which"),
  FAILED_ELECTRICAL("drive.completed-the-electrical-element-failed"),
  FAILED_SERVO("drive.completed-the-servo-or-seek-element"),
  FAILED_READ("drive.completed-the-read-element-failed"),
  SUSPECTED_HANDLING_DAMAGE("drive.completed-failed-handling-damage-is-suspected"),
  IN_PROGRESS("drive.in-progress"),
  RESERVED("drive.reserved-code");

  private final String words;

  SelfTestStatus(String words) {
    this.words = words;
  }

  public String words() {
    return say(words);
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

package tekmerion.link;

/**
 * Outcome of a drive's own test.
 *
 * @param passed whether the drive found nothing wrong
 * @param words outcome in the standard's words
 * @param firstFailingSector null if it did not fail at an address
 */
public record SelfTestResult(boolean passed, String words, Long firstFailingSector)
    implements RunResult {
  @Override
  public String outcome() {
    return passed ? "passed" : "failed";
  }

  @Override
  public String detail() {
    return words;
  }
}

package tekmerion.core.identity;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What the label's code holds for a job: "TKJ", the job's number, a check character. Letters and
 * digits only, because a scanner types them like a keyboard whose layout nobody knows; the check
 * character tells a slipped digit. ISO/IEC 7064 MOD 11-2 over the digits.
 */
public final class LabelCode {
  private static final String MARK = "TKJ";
  private static final String ALPHABET = "0123456789X";
  private static final Pattern CODE = Pattern.compile(MARK + "(\\d{1,9})([0-9X])");

  private LabelCode() {}

  /**
   * @param jobNumber e.g. "J-2291"
   */
  public static String of(String jobNumber) {
    String digits = jobNumber.replaceAll("\\D", "");
    return MARK + digits + check(digits);
  }

  /** The job's number, if this is a label's code that holds together. */
  public static Optional<String> jobOf(String scanned) {
    Matcher matcher = CODE.matcher(scanned.strip().toUpperCase(Locale.ROOT));
    return matcher.matches() && check(matcher.group(1)) == matcher.group(2).charAt(0)
        ? Optional.of("J-" + matcher.group(1))
        : Optional.empty();
  }

  private static char check(String digits) {
    int sum = 0;
    for (int i = 0; i < digits.length(); i++) {
      sum = (sum + digits.charAt(i) - '0') * 2 % 11;
    }
    return ALPHABET.charAt((12 - sum) % 11);
  }
}

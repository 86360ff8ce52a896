package tekmerion.core.drive.ata;

import static tekmerion.words.Words.say;

import java.util.OptionalInt;

/** How an attribute stands to its threshold: SFF-8035i revision 2.0, "Attribute thresholds". */
public enum ThresholdState {
  /** No thresholds page, or none for this attribute. */
  NOT_REPORTED("drive.no-threshold-reported"),
  /** Threshold 00h: can never be reached, the attribute only informs. */
  ALWAYS_PASSES("drive.has-no-limit"),
  PASSES("drive.within-its-limit"),
  /** Worst value at or below the threshold, the present one above. */
  FAILED_BEFORE("drive.was-past-its-limit-before"),
  FAILS_NOW("drive.past-its-limit-now"),
  /** Threshold FEh, which the standard calls invalid, or a value outside 1–253. */
  INVALID("drive.value-or-limit-is-invalid");

  private static final int ALWAYS_PASSING = 0x00;
  private static final int INVALID_THRESHOLD = 0xFE;
  private final String words;

  ThresholdState(String words) {
    this.words = words;
  }

  public String words() {
    return say(words);
  }

  /** A threshold of FFh always fails, "for code testing": it falls out of the comparison. */
  public static ThresholdState of(SmartAttribute attribute, OptionalInt threshold) {
    if (threshold.isEmpty()) {
      return NOT_REPORTED;
    }
    int limit = threshold.getAsInt();
    if (limit == ALWAYS_PASSING) {
      return ALWAYS_PASSES;
    }
    if (limit == INVALID_THRESHOLD || !isNormalized(attribute.value())) {
      return INVALID;
    }
    if (attribute.value() <= limit) {
      return FAILS_NOW;
    }
    // The worst value starts at 00h or FFh on drives that do not keep one: then it tells nothing.
    return isNormalized(attribute.worst()) && attribute.worst() <= limit ? FAILED_BEFORE : PASSES;
  }

  private static boolean isNormalized(int value) {
    return value >= 1 && value <= 253;
  }
}

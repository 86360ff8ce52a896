package tekmerion.core.drive;

import java.util.Locale;
import java.util.Optional;

/** What a drive is called and how it is described, everywhere alike. */
public final class DriveWords {
  private DriveWords() {}

  /** "drive-a" in a sentence: "drive A"; any other part's key as it is. */
  public static String named(String partKey) {
    return partKey.matches("drive-[a-z]")
        ? "drive " + Character.toUpperCase(partKey.charAt(6))
        : partKey;
  }

  /** E.g. "1 TB disk, 5,400/min, 2.5 inch"; says so where nothing is reported. */
  public static String describe(DriveIdentity identity, Optional<String> formFactor) {
    StringBuilder words = new StringBuilder();
    words.append(
        identity.capacityBytes().isPresent()
            ? size(identity.capacityBytes().getAsLong())
            : "size not reported");
    if (identity.solidState().orElse(false)) {
      words.append(" solid-state drive");
    } else if (identity.rotationPerMinute().isPresent()) {
      words.append(
          String.format(Locale.ROOT, " disk, %,d/min", identity.rotationPerMinute().getAsInt()));
    } else {
      words.append(" drive, kind not reported");
    }
    formFactor.ifPresent(form -> words.append(", ").append(form));
    return words.toString();
  }

  /** Decimal units, as drives are sold: "500 GB", "1.5 TB". */
  static String size(long bytes) {
    double gigabytes = bytes / 1e9;
    return gigabytes >= 1000
        ? String.format(Locale.ROOT, "%s TB", trimmed(gigabytes / 1000))
        : String.format(Locale.ROOT, "%.0f GB", gigabytes);
  }

  private static String trimmed(double value) {
    String words = String.format(Locale.ROOT, "%.1f", value);
    return words.endsWith(".0") ? words.substring(0, words.length() - 2) : words;
  }
}

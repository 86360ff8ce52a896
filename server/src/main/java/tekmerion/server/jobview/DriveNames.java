package tekmerion.server.jobview;

import java.util.Locale;
import java.util.Optional;
import tekmerion.core.drive.DriveIdentity;

/** How drives are called and described. */
final class DriveNames {
  private DriveNames() {}

  /** "drive-a" in a sentence: "drive A". */
  static String inSentence(String key) {
    return key.matches("drive-[a-z]") ? "drive " + Character.toUpperCase(key.charAt(6)) : key;
  }

  /** E.g. "1 TB disk, 5,400/min, 2.5 inch"; says so where nothing is reported. */
  static String describe(Optional<DriveIdentity> identity, Optional<String> formFactor) {
    if (identity.isEmpty()) {
      return "size and kind not readable";
    }
    DriveIdentity id = identity.get();
    StringBuilder words = new StringBuilder();
    words.append(
        id.capacityBytes().isPresent()
            ? size(id.capacityBytes().getAsLong())
            : "size not reported");
    if (id.solidState().orElse(false)) {
      words.append(" solid-state drive");
    } else if (id.rotationPerMinute().isPresent()) {
      words.append(String.format(Locale.ROOT, " disk, %,d/min", id.rotationPerMinute().getAsInt()));
    } else {
      words.append(" drive, kind not reported");
    }
    formFactor.ifPresent(form -> words.append(", ").append(form));
    return words.toString();
  }

  /** Decimal units, as drives are sold. */
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

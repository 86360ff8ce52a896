package tekmerion.core.drive;

import static tekmerion.words.Words.say;

import java.util.Optional;

/** What a drive is called and how it is described, everywhere alike. */
public final class DriveWords {
  private static final String PLACE = "Drive";

  private DriveWords() {}

  /** "drive-a" in a sentence: "drive A"; any other part's key as it is. */
  public static String named(String partKey) {
    return partKey.matches("drive-[a-z]")
        ? say("drive.drive", "letter", Character.toUpperCase(partKey.charAt(6)))
        : partKey;
  }

  /** A place as the probe names it, "Drive A", in the reader's language; others as they are. */
  public static String place(String slot) {
    return slot.startsWith(PLACE)
        ? say("drive.place", "rest", slot.substring(PLACE.length()))
        : slot;
  }

  /** The same in a sentence: "drive A". */
  public static String placeInSentence(String slot) {
    return slot.startsWith(PLACE)
        ? say("drive.place-in-sentence", "rest", slot.substring(PLACE.length()))
        : slot;
  }

  /** E.g. "1 TB disk, 5,400/min, 2.5 inch"; says so where nothing is reported. */
  public static String describe(DriveIdentity identity, Optional<String> formFactor) {
    String size =
        identity.capacityBytes().isPresent()
            ? size(identity.capacityBytes().getAsLong())
            : say("drive.size-not-reported");
    String words =
        identity.solidState().orElse(false)
            ? say("drive.solid-state-drive", "size", size)
            : identity.rotationPerMinute().isPresent()
                ? say(
                    "drive.disk",
                    "size",
                    size,
                    "perMinute",
                    identity.rotationPerMinute().getAsInt())
                : say("drive.drive-kind-not-reported", "size", size);
    return formFactor.map(form -> words + ", " + form).orElse(words);
  }

  /** Decimal units, as drives are sold: "500 GB", "1.5 TB". */
  static String size(long bytes) {
    double gigabytes = bytes / 1e9;
    return gigabytes >= 1000
        ? say("drive.terabytes", "n", gigabytes / 1000)
        : say("drive.gigabytes", "n", gigabytes);
  }
}

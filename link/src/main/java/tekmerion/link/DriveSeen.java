package tekmerion.link;

import java.util.Optional;
import tekmerion.core.permit.PartIdentity;

/**
 * A drive as it told of itself at one moment. A claim of the probe's: the server compares it.
 *
 * @param model not blank, at most {@value #MAX_CHARS} characters
 * @param serial likewise
 * @param sizeBytes greater than 0
 */
public record DriveSeen(String model, String serial, long sizeBytes) {
  private static final int MAX_CHARS = 100;

  /**
   * @throws IllegalArgumentException if one of them is missing or too long
   */
  public DriveSeen {
    RunResult.check(
        model != null
            && serial != null
            && !model.isBlank()
            && !serial.isBlank()
            && model.length() <= MAX_CHARS
            && serial.length() <= MAX_CHARS
            && sizeBytes > 0,
        "drive");
  }

  public static DriveSeen of(PartIdentity identity) {
    return new DriveSeen(identity.model(), identity.serial(), identity.sizeBytes());
  }

  public PartIdentity identity() {
    return new PartIdentity(model, serial, sizeBytes);
  }

  /** Null is a drive that did not tell. */
  public static Optional<PartIdentity> identityOf(DriveSeen seen) {
    return Optional.ofNullable(seen).map(DriveSeen::identity);
  }
}

package tekmerion.core.permit;

import java.util.Optional;
import tekmerion.core.drive.DriveIdentity;

/**
 * A physical drive, as it tells of itself. Evidence belongs to it, never to the place it sits in:
 * two drives are one only if all three agree.
 *
 * @param model not blank
 * @param serial not blank
 * @param sizeBytes greater than 0
 */
public record PartIdentity(String model, String serial, long sizeBytes) {
  /**
   * @throws IllegalArgumentException if one of them is missing
   */
  public PartIdentity {
    if (model.isBlank() || serial.isBlank() || sizeBytes <= 0) {
      throw new IllegalArgumentException(
          "no identity: model \"%s\", serial \"%s\", %d bytes".formatted(model, serial, sizeBytes));
    }
  }

  /** Empty if the drive does not tell all of it: then nothing is ever known of its data. */
  public static Optional<PartIdentity> of(DriveIdentity told) {
    return of(told.model(), told.serial(), told.capacityBytes().orElse(0));
  }

  /**
   * Empty if it is not all of it.
   *
   * @param model may be null
   * @param serial may be null
   */
  public static Optional<PartIdentity> of(String model, String serial, long sizeBytes) {
    boolean all =
        model != null && serial != null && !model.isBlank() && !serial.isBlank() && sizeBytes > 0;
    return all ? Optional.of(new PartIdentity(model, serial, sizeBytes)) : Optional.empty();
  }

  @Override
  public String toString() {
    return "%s %s, %d bytes".formatted(model, serial, sizeBytes);
  }
}

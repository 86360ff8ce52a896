package tekmerion.core.drive;

import java.util.Optional;
import java.util.OptionalInt;
import java.util.OptionalLong;
import tekmerion.core.drive.ata.IdentifyDevice;
import tekmerion.core.drive.nvme.IdentifyController;
import tekmerion.core.drive.nvme.IdentifyNamespace;
import tekmerion.core.page.Decoding;
import tekmerion.core.port.PageKind;

/**
 * Who a drive is, whatever it speaks.
 *
 * @param serial empty text if not reported
 * @param capacityBytes empty if not reported
 * @param rotationPerMinute empty for solid state or if not reported
 */
public record DriveIdentity(
    String model,
    String serial,
    String firmware,
    OptionalLong capacityBytes,
    OptionalInt rotationPerMinute,
    boolean solidState) {

  /** Empty if it did not tell, or told nonsense. */
  public static Optional<DriveIdentity> of(DriveReading reading) {
    return reading
        .identify()
        .flatMap(Decoding::decoded)
        .map(DriveIdentity::of)
        .or(
            () ->
                reading
                    .sound(PageKind.NVME_IDENTIFY_CONTROLLER, IdentifyController.class)
                    .map(c -> of(c, reading)));
  }

  private static DriveIdentity of(IdentifyDevice id) {
    return new DriveIdentity(
        id.modelNumber(),
        id.serialNumber(),
        id.firmwareRevision(),
        id.capacityBytes(),
        id.rotationRatePerMinute(),
        id.isSolidState());
  }

  private static DriveIdentity of(IdentifyController id, DriveReading reading) {
    OptionalLong size =
        reading
            .sound(PageKind.NVME_IDENTIFY_NAMESPACE, IdentifyNamespace.class)
            .map(IdentifyNamespace::sizeBytes)
            .orElse(OptionalLong.empty());
    return new DriveIdentity(
        id.modelNumber(),
        id.serialNumber(),
        id.firmwareRevision(),
        size,
        OptionalInt.empty(),
        true);
  }
}

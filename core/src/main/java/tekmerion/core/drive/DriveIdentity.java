package tekmerion.core.drive;

import java.util.Optional;
import java.util.OptionalInt;
import java.util.OptionalLong;
import tekmerion.core.drive.ata.IdentifyDevice;
import tekmerion.core.drive.nvme.IdentifyController;
import tekmerion.core.drive.nvme.IdentifyNamespace;
import tekmerion.core.drive.scsi.ScsiIdentityPage;
import tekmerion.core.page.Decoding;
import tekmerion.core.port.PageKind;

/**
 * Who a drive is, whatever it speaks.
 *
 * @param serial empty text if not reported
 * @param capacityBytes empty if not reported
 * @param rotationPerMinute empty for solid state or if not reported
 * @param solidState empty if not reported
 */
public record DriveIdentity(
    String model,
    String serial,
    String firmware,
    OptionalLong capacityBytes,
    OptionalInt rotationPerMinute,
    Optional<Boolean> solidState) {

  /** Empty if it did not tell, or told nonsense. */
  public static Optional<DriveIdentity> of(PartReading reading) {
    return reading
        .identify()
        .flatMap(Decoding::decoded)
        .map(DriveIdentity::of)
        .or(
            () ->
                reading
                    .sound(PageKind.NVME_IDENTIFY_CONTROLLER, IdentifyController.class)
                    .map(c -> of(c, reading)))
        .or(() -> scsi(reading).filter(id -> !id.serial().isEmpty()))
        .or(() -> reading.sound(PageKind.USB_DEVICE, UsbDevice.class).map(DriveIdentity::of))
        .or(() -> scsi(reading));
  }

  private static Optional<DriveIdentity> scsi(PartReading reading) {
    return reading
        .sound(PageKind.SCSI_INQUIRY, ScsiIdentityPage.class)
        .map(inquiry -> of(inquiry, reading));
  }

  private static DriveIdentity of(UsbDevice usb) {
    return new DriveIdentity(
        usb.model(),
        usb.serial().orElse(""),
        "",
        usb.sizeBytes(),
        OptionalInt.empty(),
        Optional.empty());
  }

  private static DriveIdentity of(ScsiIdentityPage inquiry, PartReading reading) {
    Optional<ScsiIdentityPage> medium =
        reading.sound(PageKind.SCSI_CHARACTERISTICS, ScsiIdentityPage.class);
    OptionalLong turns =
        medium.map(m -> m.number("mediumRotationRate")).orElse(OptionalLong.empty());
    Optional<Boolean> solid =
        medium.filter(m -> m.is("nonRotatingMedium")).isPresent()
            ? Optional.of(true)
            : turns.isPresent() ? Optional.of(false) : Optional.empty();
    String maker = inquiry.text("vendorIdentification");
    return new DriveIdentity(
        "%s %s".formatted(maker, inquiry.text("productIdentification")).strip(),
        reading
            .sound(PageKind.SCSI_SERIAL, ScsiIdentityPage.class)
            .map(page -> page.text("productSerialNumber"))
            .orElse(""),
        inquiry.text("productRevisionLevel"),
        reading
            .sound(PageKind.SCSI_CAPACITY, ScsiIdentityPage.class)
            .map(page -> page.number("capacity"))
            .orElse(OptionalLong.empty()),
        turns.isPresent() ? OptionalInt.of((int) turns.getAsLong()) : OptionalInt.empty(),
        solid);
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

  private static DriveIdentity of(IdentifyController id, PartReading reading) {
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
        Optional.of(true));
  }
}

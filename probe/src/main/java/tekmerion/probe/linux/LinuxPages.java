package tekmerion.probe.linux;

import static tekmerion.words.Words.say;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tekmerion.core.drive.ata.IdentifyDevice;
import tekmerion.core.drive.ata.LogDirectory;
import tekmerion.core.drive.nvme.IdentifyController;
import tekmerion.core.drive.nvme.SupportedLogs;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.core.port.PageKind.Family;
import tekmerion.core.port.PageSource;

/** Pages of a real drive, by the commands of its family. Reads only. */
final class LinuxPages implements PageSource {
  private static final int SMART = 0xB0;
  private static final int IDENTIFY_DEVICE = 0xEC;
  private static final int READ_DATA = 0xD0;
  private static final int READ_THRESHOLDS = 0xD1;
  private static final int READ_LOG = 0xD5;
  private static final int MAX_STATISTICS_PAGES = 8;
  private static final int MAX_PAGES = 16;

  /** Every SMART command carries this in LBA mid and high (ACS-3, 7.48). */
  static final int SMART_SIGNATURE = 0xC2_4F00;

  private final SysDrive drive;
  private final ScsiPassThrough scsi;
  private final NvmeAdmin nvme;
  private final KernelRing ring;

  /** Of a USB drive it shows only when it is asked. */
  private Family family;

  LinuxPages(SysDrive drive, KernelRing ring) {
    this.drive = drive;
    this.ring = ring;
    this.scsi = new ScsiPassThrough(drive.device().toString());
    this.nvme = NvmeAdmin.of(drive);
  }

  /** The command set that it speaks; a bridge that passes ATA commands on counts as ATA. */
  Family family() {
    if (family == null) {
      family =
          switch (drive.bus()) {
            case NVME -> Family.NVME;
            case ATA -> Family.ATA;
            case SAS, SCSI -> drive.keptPage(0x89).isPresent() ? Family.ATA : Family.SCSI;
            case USB -> passesAta() ? Family.ATA : Family.SCSI;
            case MMC, VIRTUAL -> Family.SYSTEM;
          };
    }
    return family;
  }

  private boolean passesAta() {
    return read(PageKind.ATA_IDENTIFY)
        .bytes()
        .flatMap((RawPage raw) -> IdentifyDevice.decode(raw).decoded())
        .isPresent();
  }

  @Override
  public List<PageKind> kinds() {
    List<PageKind> kinds = new ArrayList<>(PageKind.of(family()));
    if (drive.bus() != SysDrive.Bus.USB) {
      kinds.remove(PageKind.USB_DEVICE);
    }
    if (!kinds.contains(PageKind.KERNEL_LOG)) {
      kinds.add(PageKind.KERNEL_LOG);
    }
    return kinds;
  }

  @Override
  public PageAnswer read(PageKind kind) {
    if (kind != PageKind.KERNEL_LOG && !drive.canBeAsked()) {
      return new PageAnswer.CouldNotRun(say("probe.no-drive-behind-it"));
    }
    return switch (kind) {
      case ATA_IDENTIFY -> scsi.ata(IDENTIFY_DEVICE, 0, 0, 1);
      case ATA_SMART -> scsi.ata(SMART, READ_DATA, SMART_SIGNATURE, 1);
      case ATA_THRESHOLDS -> scsi.ata(SMART, READ_THRESHOLDS, SMART_SIGNATURE, 1);
      case ATA_LOG_DIRECTORY -> log(0x00, 1);
      case ATA_ERROR_LOG -> log(0x01, 1);
      case ATA_SELFTEST_LOG -> log(0x06, 1);
      case ATA_SCT_STATUS -> log(0xE0, 1);
      case ATA_GENERAL_DIRECTORY -> generalDirectory();
      case ATA_DEVICE_STATISTICS -> general(0x04, MAX_STATISTICS_PAGES);
      case ATA_ERROR_LOG_EXTENDED -> general(0x03, MAX_PAGES);
      case ATA_SELFTEST_LOG_EXTENDED -> general(0x07, MAX_PAGES);
      case ATA_PENDING_DEFECTS -> general(0x0C, MAX_PAGES);
      case ATA_PHY_EVENTS -> general(0x11, 1);
      case NVME_IDENTIFY_CONTROLLER -> nvme.identify(1, 0);
      case NVME_IDENTIFY_NAMESPACE -> nvme.identify(0, namespace());
      case NVME_SUPPORTED_LOGS -> supportedLogs();
      case NVME_SMART -> nvme.log(0x02, 512);
      case NVME_ERROR_LOG -> nvme.log(0x01, 64 * 16);
      case NVME_SELFTEST_LOG -> nvme.log(0x06, 564);
      case SCSI_INQUIRY -> scsi.inquiry();
      case SCSI_SERIAL -> vitalProductData(0x80);
      case SCSI_DEVICE_ID -> vitalProductData(0x83);
      case SCSI_CHARACTERISTICS -> vitalProductData(0xB1);
      case SCSI_CAPACITY -> scsi.capacity();
      case USB_DEVICE -> usb();
      case SCSI_LOG_TEMPERATURE -> scsi.logPage(0x0D);
      case SCSI_LOG_EXCEPTIONS -> scsi.logPage(0x2F);
      case SCSI_LOG_SELF_TESTS -> scsi.logPage(0x10);
      case SCSI_LOG_BACKGROUND_SCAN -> scsi.logPage(0x15);
      case KERNEL_LOG -> ring.of(drive);
      default -> new PageAnswer.NotReported(say("probe.a-drive-has-no-such-page"));
    };
  }

  private PageAnswer log(int address, int blocks) {
    return scsi.ata(SMART, READ_LOG, SMART_SIGNATURE | address, blocks);
  }

  private PageAnswer generalDirectory() {
    return scsi.generalLog(0x00, 1);
  }

  /** As many pages as the drive's own directory says that the log has. */
  private PageAnswer general(int address, int most) {
    PageAnswer told = generalDirectory();
    Optional<LogDirectory> directory =
        told.bytes().flatMap((RawPage raw) -> LogDirectory.decode(raw).decoded());
    if (directory.isEmpty()) {
      return told instanceof PageAnswer.Got
          ? new PageAnswer.CouldNotRun(say("probe.the-directory-of-logs-makes-no-sense"))
          : told;
    }
    int pages = directory.get().pagesByLog().getOrDefault(address, 0);
    return pages == 0
        ? new PageAnswer.NotReported(
            say("probe.the-drive-has-no-log", "log", "%02Xh".formatted(address)))
        : scsi.generalLog(address, Math.min(pages, most));
  }

  /** Only of a drive that says it has the page: any other counts the question as an error. */
  private PageAnswer supportedLogs() {
    boolean has =
        nvme.identify(1, 0)
            .bytes()
            .flatMap((RawPage raw) -> IdentifyController.decode(raw).decoded())
            .filter(IdentifyController::hasSupportedLogs)
            .isPresent();
    return has
        ? nvme.log(0x00, SupportedLogs.PAGE_BYTES)
        : new PageAnswer.NotReported(say("probe.the-drive-has-no-log", "log", "00h"));
  }

  /** nvme0n2 is the second namespace of its controller. */
  private int namespace() {
    return Integer.parseInt(drive.name().replaceFirst("^.*n", ""));
  }

  /**
   * As the kernel has it; it asks most drives itself. Some USB drives never answer again when they
   * are asked for such a page, so they are not.
   */
  private PageAnswer vitalProductData(int page) {
    Optional<byte[]> kept = drive.keptPage(page);
    if (kept.isPresent()) {
      return new PageAnswer.Got(new RawPage(kept.get()));
    }
    return drive.bus() == SysDrive.Bus.USB
        ? new PageAnswer.NotReported(say("probe.not-asked-of-a-usb-drive"))
        : scsi.vitalProductData(page);
  }

  private PageAnswer usb() {
    return SysDrive.usbDevice(drive.folder())
        .<PageAnswer>map(
            device -> {
              StringBuilder text = new StringBuilder();
              for (String name :
                  List.of("manufacturer", "product", "serial", "idVendor", "idProduct")) {
                text.append(name).append('=');
                text.append(SysDrive.quietText(device.resolve(name)).replaceAll("\\p{Cntrl}", " "));
                text.append('\n');
              }
              text.append("sizeBytes=").append(drive.sizeBytes()).append('\n');
              return new PageAnswer.Got(
                  new RawPage(text.toString().getBytes(StandardCharsets.UTF_8)));
            })
        .orElseGet(() -> new PageAnswer.NotReported(say("probe.it-is-on-no-usb")));
  }
}

package tekmerion.probe.linux;

import java.util.ArrayList;
import java.util.List;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.core.port.PageSource;

/** Pages of a real drive, by the commands of its family. Reads only. */
final class LinuxPages implements PageSource {
  private static final int SMART = 0xB0;
  private static final int IDENTIFY_DEVICE = 0xEC;
  private static final int READ_DATA = 0xD0;
  private static final int READ_THRESHOLDS = 0xD1;
  private static final int READ_LOG = 0xD5;

  /** Every SMART command carries this in LBA mid and high (ACS-3, 7.48). */
  static final int SMART_SIGNATURE = 0xC2_4F00;

  private final SysDrive drive;
  private final ScsiPassThrough scsi;
  private final NvmeAdmin nvme;
  private final KernelRing ring;

  LinuxPages(SysDrive drive, KernelRing ring) {
    this.drive = drive;
    this.ring = ring;
    this.scsi = new ScsiPassThrough(drive.device().toString());
    this.nvme = NvmeAdmin.of(drive);
  }

  @Override
  public List<PageKind> kinds() {
    List<PageKind> kinds = new ArrayList<>(PageKind.of(drive.family()));
    kinds.add(PageKind.KERNEL_LOG);
    return kinds;
  }

  @Override
  public PageAnswer read(PageKind kind) {
    if (kind != PageKind.KERNEL_LOG && !drive.canBeAsked()) {
      return new PageAnswer.CouldNotRun("a virtual disk: there is no drive behind it to ask");
    }
    return switch (kind) {
      case ATA_IDENTIFY -> scsi.ata(IDENTIFY_DEVICE, 0, 0, 1);
      case ATA_SMART -> scsi.ata(SMART, READ_DATA, SMART_SIGNATURE, 1);
      case ATA_THRESHOLDS -> scsi.ata(SMART, READ_THRESHOLDS, SMART_SIGNATURE, 1);
      case ATA_LOG_DIRECTORY -> log(0x00, 1);
      case ATA_ERROR_LOG -> log(0x01, 1);
      case ATA_SELFTEST_LOG -> log(0x06, 1);
      case ATA_DEVICE_STATISTICS -> log(0x04, 8);
      case ATA_SCT_STATUS -> log(0xE0, 1);
      case ATA_ERROR_LOG_EXTENDED, ATA_SELFTEST_LOG_EXTENDED ->
          new PageAnswer.CouldNotRun("the general purpose log commands are not sent yet");
      case NVME_IDENTIFY_CONTROLLER -> nvme.identify(1, 0);
      case NVME_IDENTIFY_NAMESPACE -> nvme.identify(0, 1);
      case NVME_SMART -> nvme.log(0x02, 512);
      case NVME_ERROR_LOG -> nvme.log(0x01, 64 * 16);
      case NVME_SELFTEST_LOG -> nvme.log(0x06, 564);
      case SCSI_LOG_TEMPERATURE -> scsi.logPage(0x0D);
      case SCSI_LOG_EXCEPTIONS -> scsi.logPage(0x2F);
      case SCSI_LOG_SELF_TESTS -> scsi.logPage(0x10);
      case SCSI_LOG_BACKGROUND_SCAN -> scsi.logPage(0x15);
      case KERNEL_LOG -> ring.of(drive.logNames());
      default -> new PageAnswer.NotReported("a drive has no such page");
    };
  }

  private PageAnswer log(int address, int blocks) {
    return scsi.ata(SMART, READ_LOG, SMART_SIGNATURE | address, blocks);
  }
}

package tekmerion.probe.linux;

import static tekmerion.words.Words.say;

import java.util.Optional;
import tekmerion.core.drive.ata.SelfTestStatus;
import tekmerion.core.drive.ata.SmartData;
import tekmerion.core.drive.nvme.DeviceSelfTestLog;
import tekmerion.core.drive.scsi.ScsiLog;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind.Family;
import tekmerion.core.port.SelfTests;

/** Self-tests of a real drive: SMART EXECUTE OFF-LINE IMMEDIATE (ACS-3, 7.48.5) or NVMe 5.9. */
final class LinuxSelfTests implements SelfTests {
  private static final int SMART = 0xB0;
  private static final int READ_DATA = 0xD0;
  private static final int EXECUTE = 0xD4;
  private static final int ATA_ABORT = 0x7F;
  private static final int NVME_ABORT = 0x0F;
  private static final int NVME_LOG = 0x06;
  private static final int SCSI_ABORT = 4;
  private static final int SCSI_LOG = 0x10;

  private final ScsiPassThrough scsi;
  private final NvmeAdmin nvme;
  private final LinuxPages pages;

  LinuxSelfTests(SysDrive drive) {
    this.scsi = new ScsiPassThrough(drive.device().toString());
    this.nvme = NvmeAdmin.of(drive);
    this.pages = new LinuxPages(drive, LocalDrives.RING);
  }

  private Family family() {
    return pages.family();
  }

  @Override
  public Optional<String> start(Kind kind) {
    if (family() != Family.ATA && kind == Kind.CONVEYANCE) {
      return Optional.of(say("probe.only-an-ata-drive-has-it"));
    }
    int code = kind == Kind.SHORT ? 1 : 2; // in NVMe as in SCSI
    return refusal(
        family() == Family.NVME
            ? nvme.selfTest(code)
            : family() == Family.SCSI
                ? scsi.selfTest(code)
                : scsi.ataNoData(SMART, EXECUTE, LinuxPages.SMART_SIGNATURE | kind.ordinal() + 1));
  }

  @Override
  public Optional<String> abort() {
    return refusal(
        family() == Family.NVME
            ? nvme.selfTest(NVME_ABORT)
            : family() == Family.SCSI
                ? scsi.selfTest(SCSI_ABORT)
                : scsi.ataNoData(SMART, EXECUTE, LinuxPages.SMART_SIGNATURE | ATA_ABORT));
  }

  @Override
  public Optional<Integer> percentDone() {
    return switch (family()) {
      case NVME -> nvmePercent();
      case SCSI -> scsiPercent();
      default -> ataPercent();
    };
  }

  /** It tells that one runs, by its newest result; how far it is it does not tell here. */
  private Optional<Integer> scsiPercent() {
    return scsi.logPage(SCSI_LOG)
        .bytes()
        .flatMap((RawPage raw) -> ScsiLog.decode(raw).decoded())
        .filter(log -> log.number("test 1: result").orElse(0) == 0xF)
        .map(log -> 0);
  }

  private Optional<Integer> ataPercent() {
    return scsi.ata(SMART, READ_DATA, LinuxPages.SMART_SIGNATURE, 1)
        .bytes()
        .flatMap((RawPage raw) -> SmartData.decode(raw).decoded())
        .filter(s -> s.selfTestStatus() == SelfTestStatus.IN_PROGRESS)
        .map(s -> 100 - s.selfTestRemainingPercent().orElse(0));
  }

  private Optional<Integer> nvmePercent() {
    return nvme.log(NVME_LOG, DeviceSelfTestLog.PAGE_BYTES)
        .bytes()
        .flatMap((RawPage raw) -> DeviceSelfTestLog.decode(raw).decoded())
        .filter(log -> log.completionPercent().isPresent())
        .map(log -> log.completionPercent().getAsInt());
  }

  private static Optional<String> refusal(PageAnswer answer) {
    if (answer instanceof PageAnswer.NotReported not) {
      return Optional.of(not.why());
    }
    return answer instanceof PageAnswer.CouldNotRun could
        ? Optional.of(could.why())
        : Optional.empty();
  }
}

package tekmerion.core.drive;

import java.util.function.Function;
import tekmerion.core.battery.AdapterReport;
import tekmerion.core.battery.SmartBattery;
import tekmerion.core.battery.SupplyBattery;
import tekmerion.core.drive.ata.DeviceStatistics;
import tekmerion.core.drive.ata.ErrorLog;
import tekmerion.core.drive.ata.IdentifyDevice;
import tekmerion.core.drive.ata.LogDirectory;
import tekmerion.core.drive.ata.PendingDefects;
import tekmerion.core.drive.ata.PhyEventCounters;
import tekmerion.core.drive.ata.SctStatus;
import tekmerion.core.drive.ata.SelfTestLog;
import tekmerion.core.drive.ata.SmartData;
import tekmerion.core.drive.ata.SmartThresholds;
import tekmerion.core.drive.nvme.DeviceSelfTestLog;
import tekmerion.core.drive.nvme.ErrorInformationLog;
import tekmerion.core.drive.nvme.HealthLog;
import tekmerion.core.drive.nvme.IdentifyController;
import tekmerion.core.drive.nvme.IdentifyNamespace;
import tekmerion.core.drive.nvme.SupportedLogs;
import tekmerion.core.drive.scsi.ScsiIdentityPage;
import tekmerion.core.drive.scsi.ScsiLog;
import tekmerion.core.memory.identity.MemoryRecords;
import tekmerion.core.memory.identity.Smbios;
import tekmerion.core.memory.identity.Spd;
import tekmerion.core.page.DecodedPage;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageKind;

/** Which decoder reads which kind of page. */
public final class PageDecoder {
  private PageDecoder() {}

  /**
   * @param raw any bytes
   * @return never an exception for what the bytes are
   */
  public static Decoding<? extends DecodedPage> decode(PageKind kind, RawPage raw) {
    return of(kind).apply(raw);
  }

  private static Function<RawPage, Decoding<? extends DecodedPage>> of(PageKind kind) {
    return switch (kind) {
      case ATA_IDENTIFY -> IdentifyDevice::decode;
      case ATA_SMART -> SmartData::decode;
      case ATA_THRESHOLDS -> SmartThresholds::decode;
      case ATA_LOG_DIRECTORY -> LogDirectory::decode;
      case ATA_ERROR_LOG -> ErrorLog::decode;
      case ATA_ERROR_LOG_EXTENDED -> ErrorLog::decodeExtended;
      case ATA_SELFTEST_LOG -> SelfTestLog::decode;
      case ATA_SELFTEST_LOG_EXTENDED -> SelfTestLog::decodeExtended;
      case ATA_DEVICE_STATISTICS -> DeviceStatistics::decode;
      case ATA_GENERAL_DIRECTORY -> LogDirectory::decode;
      case ATA_PENDING_DEFECTS -> PendingDefects::decode;
      case ATA_PHY_EVENTS -> PhyEventCounters::decode;
      case ATA_SCT_STATUS -> SctStatus::decode;
      case NVME_IDENTIFY_CONTROLLER -> IdentifyController::decode;
      case NVME_IDENTIFY_NAMESPACE -> IdentifyNamespace::decode;
      case NVME_SMART -> HealthLog::decode;
      case NVME_ERROR_LOG -> ErrorInformationLog::decode;
      case NVME_SUPPORTED_LOGS -> SupportedLogs::decode;
      case NVME_SELFTEST_LOG -> DeviceSelfTestLog::decode;
      case USB_DEVICE -> UsbDevice::decode;
      case SCSI_INQUIRY -> ScsiIdentityPage::inquiry;
      case SCSI_SERIAL -> ScsiIdentityPage::unitSerialNumber;
      case SCSI_DEVICE_ID -> ScsiIdentityPage::deviceIdentification;
      case SCSI_CHARACTERISTICS -> ScsiIdentityPage::blockDeviceCharacteristics;
      case SCSI_CAPACITY -> ScsiIdentityPage::capacity;
      case SCSI_LOG_TEMPERATURE,
          SCSI_LOG_EXCEPTIONS,
          SCSI_LOG_SELF_TESTS,
          SCSI_LOG_BACKGROUND_SCAN ->
          ScsiLog::decode;
      case KERNEL_LOG -> KernelLog::decode;
      case SMBIOS -> Smbios::decode;
      case MEMORY_RECORDS -> MemoryRecords::decode;
      case SPD_0, SPD_1, SPD_2, SPD_3 -> Spd::decode;
      case BATTERY_SUPPLY, BATTERY_SUPPLY_2 -> SupplyBattery::decode;
      case BATTERY_REGISTERS -> SmartBattery::decode;
      case ADAPTER_SUPPLY -> AdapterReport::decode;
    };
  }
}

package tekmerion.core.port;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * The pages that can be asked of a drive, a board or a battery, by the name under which they travel
 * and are stored.
 */
public enum PageKind {
  ATA_IDENTIFY("ata-identify", "IDENTIFY DEVICE", Family.ATA),
  ATA_SMART("ata-smart", "SMART READ DATA", Family.ATA),
  ATA_THRESHOLDS("ata-thresholds", "SMART READ THRESHOLDS", Family.ATA),
  ATA_LOG_DIRECTORY("ata-log-directory", "Log Directory (00h)", Family.ATA),
  ATA_ERROR_LOG("ata-error-log", "Summary SMART Error log (01h)", Family.ATA),
  ATA_ERROR_LOG_EXTENDED(
      "ata-error-log-extended", "Extended Comprehensive SMART Error log (03h)", Family.ATA),
  ATA_SELFTEST_LOG("ata-selftest-log", "SMART Self-Test log (06h)", Family.ATA),
  ATA_SELFTEST_LOG_EXTENDED(
      "ata-selftest-log-extended", "Extended SMART Self-Test log (07h)", Family.ATA),
  ATA_DEVICE_STATISTICS("ata-device-statistics", "Device Statistics log (04h)", Family.ATA),
  ATA_SCT_STATUS("ata-sct-status", "SCT status (E0h)", Family.ATA),
  ATA_GENERAL_DIRECTORY("ata-general-directory", "General Purpose Log Directory (00h)", Family.ATA),
  ATA_PENDING_DEFECTS("ata-pending-defects", "Pending Defects log (0Ch)", Family.ATA),
  ATA_PHY_EVENTS("ata-phy-events", "SATA Phy Event Counters log (11h)", Family.ATA),
  NVME_IDENTIFY_CONTROLLER("nvme-identify-controller", "Identify Controller", Family.NVME),
  NVME_IDENTIFY_NAMESPACE("nvme-identify-namespace", "Identify Namespace", Family.NVME),
  NVME_SUPPORTED_LOGS("nvme-supported-logs", "Supported Log Pages (00h)", Family.NVME),
  NVME_SMART("nvme-smart", "SMART / Health Information (02h)", Family.NVME),
  NVME_ERROR_LOG("nvme-error-log", "Error Information (01h)", Family.NVME),
  NVME_SELFTEST_LOG("nvme-selftest-log", "Device Self-test (06h)", Family.NVME),
  SCSI_INQUIRY("scsi-inquiry", "Standard INQUIRY data", Family.SCSI),
  SCSI_SERIAL("scsi-serial", "Unit Serial Number page (80h)", Family.SCSI),
  SCSI_DEVICE_ID("scsi-device-id", "Device Identification page (83h)", Family.SCSI),
  SCSI_CHARACTERISTICS(
      "scsi-characteristics", "Block Device Characteristics page (B1h)", Family.SCSI),
  SCSI_CAPACITY("scsi-capacity", "READ CAPACITY (16) data", Family.SCSI),
  USB_DEVICE("usb-device", "USB device descriptors", Family.SCSI),
  SCSI_LOG_TEMPERATURE("scsi-log-temperature", "Temperature log (0Dh)", Family.SCSI),
  SCSI_LOG_EXCEPTIONS("scsi-log-exceptions", "Informational Exceptions log (2Fh)", Family.SCSI),
  SCSI_LOG_SELF_TESTS("scsi-log-self-tests", "Self-Test Results log (10h)", Family.SCSI),
  SCSI_LOG_BACKGROUND_SCAN("scsi-log-background-scan", "Background Scan log (15h)", Family.SCSI),
  KERNEL_LOG("kernel-log", "The system's kernel log", Family.SYSTEM),
  SMBIOS("smbios", "System Management BIOS table", Family.BOARD),
  MEMORY_RECORDS("memory-records", "The system's records of memory errors", Family.BOARD),
  SPD_0("memory-spd-0", "Serial presence detect, module 0", Family.BOARD),
  SPD_1("memory-spd-1", "Serial presence detect, module 1", Family.BOARD),
  SPD_2("memory-spd-2", "Serial presence detect, module 2", Family.BOARD),
  SPD_3("memory-spd-3", "Serial presence detect, module 3", Family.BOARD),
  BATTERY_SUPPLY("battery-supply", "The battery as the system tells of it", Family.BATTERY),
  BATTERY_SUPPLY_2(
      "battery-supply-2", "The second battery as the system tells of it", Family.BATTERY),
  BATTERY_REGISTERS("battery-registers", "Smart Battery registers", Family.BATTERY),
  ADAPTER_SUPPLY("adapter-supply", "The adapter as the system tells of it", Family.BATTERY);

  /** Who is asked: the command set that a drive speaks, or what else it is. */
  public enum Family {
    ATA,
    NVME,
    SCSI,
    /** Not the drive's: what the system noted about it. */
    SYSTEM,
    /** The machine itself, its memory slots and modules. */
    BOARD,
    /** The pack, and what charges it. */
    BATTERY
  }

  private final String wireName;
  private final String standardName;
  private final Family family;

  PageKind(String wireName, String standardName, Family family) {
    this.wireName = wireName;
    this.standardName = standardName;
    this.family = family;
  }

  public String wireName() {
    return wireName;
  }

  public String standardName() {
    return standardName;
  }

  public Family family() {
    return family;
  }

  /** Whether it tells who the drive is. */
  public boolean isIdentity() {
    return switch (this) {
      case ATA_IDENTIFY,
          NVME_IDENTIFY_CONTROLLER,
          NVME_IDENTIFY_NAMESPACE,
          SCSI_INQUIRY,
          SCSI_SERIAL,
          SCSI_CAPACITY,
          USB_DEVICE ->
          true;
      default -> false;
    };
  }

  public static Optional<PageKind> ofWireName(String name) {
    return Arrays.stream(values()).filter(k -> k.wireName.equals(name)).findFirst();
  }

  /** All pages of a family, in the order in which they are asked for. */
  public static List<PageKind> of(Family family) {
    return Arrays.stream(values()).filter(k -> k.family == family).toList();
  }
}

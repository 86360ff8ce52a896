package tekmerion.core.drive.ata;

/** Off-line data collection status values: ATA/ATAPI-7 and ACS-3, byte 362 of SMART READ DATA. */
public enum OfflineCollectionStatus {
  NEVER_STARTED,
  COMPLETED,
  IN_PROGRESS,
  SUSPENDED,
  ABORTED_BY_HOST,
  ABORTED_BY_DEVICE,
  VENDOR_SPECIFIC,
  RESERVED;

  /** Bit 7 only tells whether collection starts by itself; 03h exists without it. */
  static OfflineCollectionStatus of(int code) {
    return switch (code) {
      case 0x00, 0x80 -> NEVER_STARTED;
      case 0x02, 0x82 -> COMPLETED;
      case 0x03 -> IN_PROGRESS;
      case 0x04, 0x84 -> SUSPENDED;
      case 0x05, 0x85 -> ABORTED_BY_HOST;
      case 0x06, 0x86 -> ABORTED_BY_DEVICE;
      default -> (code & 0x7F) >= 0x40 ? VENDOR_SPECIFIC : RESERVED;
    };
  }
}

package tekmerion.core.drive;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageKind;

/**
 * Which kind of page some bytes can be, by their content alone. Several kinds are told where the
 * standards let one page look like another, as two logs without an entry do.
 */
public final class PageRecognition {
  private static final int ATA_SECTOR = 512;
  private static final int NVME_IDENTIFY = 4096;
  private static final String SUPPLY = "POWER_SUPPLY_";

  private PageRecognition() {}

  /** Empty if it is none that is known here. */
  public static List<PageKind> of(RawPage raw) {
    List<PageKind> kinds = new ArrayList<>();
    for (PageKind kind : PageKind.values()) {
      boolean twin = kind.wireName().matches("memory-spd-[1-9]"); // which slot is not in the bytes
      if (!twin && looksLike(kind, raw) && PageDecoder.decode(kind, raw).decoded().isPresent()) {
        kinds.add(kind);
      }
    }
    return kinds;
  }

  /** What sets a kind apart from others that its decoder would take. */
  private static boolean looksLike(PageKind kind, RawPage p) {
    boolean sector = p.size() == ATA_SECTOR;
    return switch (kind) {
      // ACS-3, 7.12.7.87: A5h in the low byte of word 255 says that a checksum follows.
      case ATA_IDENTIFY -> sector && (p.u8(510) == 0xA5 || isText(p, 20, 20) && isText(p, 54, 40));
      case ATA_SMART -> sector && sums(p) && p.u8(510) != 0xA5 && hasEntries(p, true);
      case ATA_THRESHOLDS -> sector && sums(p) && hasEntries(p, false);
      case ATA_ERROR_LOG -> sector && sums(p) && p.u8(0) == 1 && p.u8(1) <= 5;
      case ATA_SELFTEST_LOG -> sector && sums(p) && p.u16(0) == 1 && p.u8(508) <= 21;
      case ATA_LOG_DIRECTORY ->
          sector && p.u16(0) == 1 && !sums(p) && p.u16(2) > 0 && (p.u8(15) & 0x80) == 0;
      case ATA_ERROR_LOG_EXTENDED, ATA_SELFTEST_LOG_EXTENDED ->
          p.size() >= ATA_SECTOR && p.u8(0) == 1 && sums(p) && p.u8(1) == 0;
      // ACS-3, 9.5: revision 1 and the page's number; bit 63 of a statistic says that it is there.
      case ATA_DEVICE_STATISTICS ->
          p.size() % ATA_SECTOR == 0
              && p.size() > 0
              && p.u16(0) == 1
              && p.u16(2) <= 7
              && (p.u16(2) == 0 ? p.u8(8) > 0 && p.u8(8) < 16 : (p.u8(15) & 0x80) != 0);
      // ACS-3, 8.2.6: format version 2 or 3 in the first word, and 512 bytes in all.
      case ATA_SCT_STATUS -> sector && (p.u16(0) == 2 || p.u16(0) == 3);
      // NVM Express 2.0, figure 276: serial and model as text.
      case NVME_IDENTIFY_CONTROLLER ->
          p.size() == NVME_IDENTIFY && isText(p, 4, 20) && isText(p, 24, 40);
      case NVME_IDENTIFY_NAMESPACE ->
          p.size() == NVME_IDENTIFY && p.unsignedLe(0, 7) > 0 && isZero(p, 384, 4096 - 384);
      // NVM Express 2.0, figure 207: 200 to 400 K, and reserved bytes that are zero.
      case NVME_SMART ->
          sector && p.u16(1) >= 200 && p.u16(1) <= 400 && p.unsignedLe(7, 7) == 0 && !sums(p);
      case KERNEL_LOG -> isTextOnly(p) && (starts(p, "<") || starts(p, "["));
      // DMTF DSP0134, 6.1: a table begins with a structure's type, its length of 4 at least, its
      // handle.
      case SMBIOS -> p.size() > 32 && p.u8(1) >= 4 && p.u8(1) < 128 && p.u8(0) <= 43 && ends(p);
      case MEMORY_RECORDS -> isTextOnly(p) && !starts(p, SUPPLY) && !starts(p, "[");
      case BATTERY_SUPPLY, ADAPTER_SUPPLY -> isTextOnly(p) && starts(p, SUPPLY);
      case BATTERY_SUPPLY_2, ATA_GENERAL_DIRECTORY, ATA_PENDING_DEFECTS, ATA_PHY_EVENTS -> false;
      case NVME_ERROR_LOG, NVME_SELFTEST_LOG, NVME_SUPPORTED_LOGS, BATTERY_REGISTERS ->
          false; // nothing sets them apart
      // SPC-5, 6.7.2: a version of 3 to 8, a response format of 2, vendor and product as text.
      case SCSI_INQUIRY ->
          p.size() >= 36 && p.u8(2) < 9 && (p.u8(3) & 0x0F) == 2 && isText(p, 8, 28);
      case SCSI_SERIAL -> vpd(p, 0x80) && isText(p, 4, p.u16be(2));
      case SCSI_DEVICE_ID -> vpd(p, 0x83);
      case SCSI_CHARACTERISTICS -> vpd(p, 0xB1);
      case USB_DEVICE -> isTextOnly(p) && starts(p, "manufacturer=");
      case SCSI_CAPACITY -> false; // nothing sets it apart
      case SCSI_LOG_TEMPERATURE -> page(p, 0x0D);
      case SCSI_LOG_EXCEPTIONS -> page(p, 0x2F);
      case SCSI_LOG_SELF_TESTS -> page(p, 0x10);
      case SCSI_LOG_BACKGROUND_SCAN -> page(p, 0x15);
      default -> true;
    };
  }

  /** SPC-5, 7.7: a disk's vital product data begin with its type, the page and a length. */
  private static boolean vpd(RawPage p, int page) {
    return p.size() > 4 && (p.u8(0) & 0x1F) == 0 && p.u8(1) == page && p.u16be(2) + 4 <= p.size();
  }

  /** DSP0134, 7.45: the last structure is of type 127, 4 bytes long, with no strings. */
  private static boolean ends(RawPage p) {
    for (int at = 0; at + 6 <= p.size(); at++) {
      if (p.u8(at) == 127 && p.u8(at + 1) == 4 && p.u16(at + 4) == 0) {
        return true;
      }
    }
    return false;
  }

  /** NVM Express 2.0, figure 97 of the NVM command set: reserved or the vendor's from byte 384. */
  private static boolean isZero(RawPage p, int from, int length) {
    for (int i = from; i < from + length; i++) {
      if (p.u8(i) != 0) {
        return false;
      }
    }
    return true;
  }

  private static boolean sums(RawPage p) {
    return p.sumModulo256() == 0;
  }

  /**
   * Thirty entries of twelve bytes from byte 2, as they are in use since ATA-3: an id, then flags,
   * value and worst, each from 1 to 253; thresholds fill only the first two bytes.
   */
  private static boolean hasEntries(RawPage p, boolean withValues) {
    Set<Integer> ids = new HashSet<>();
    for (int at = 2; at < 362; at += 12) {
      int id = p.u8(at);
      if (id == 0) {
        continue;
      }
      boolean fits =
          withValues
              ? p.u8(at + 2) == 0 && isValue(p.u8(at + 3)) && isValue(p.u8(at + 4))
              : isZero(p, at + 2, 10);
      if (!fits || !ids.add(id)) {
        return false;
      }
    }
    return ids.size() >= 3;
  }

  private static boolean isValue(int value) {
    return value >= 1 && value <= 253;
  }

  /** SPC-4, 7.3.2: the page's code, and a length that fits. */
  private static boolean page(RawPage p, int code) {
    return p.size() >= 8 && (p.u8(0) & 0x3F) == code && p.u16be(2) + 4 <= p.size();
  }

  private static boolean starts(RawPage p, String text) {
    byte[] wanted = text.getBytes(StandardCharsets.US_ASCII);
    return p.size() >= wanted.length
        && Arrays.equals(p.bytes(), 0, wanted.length, wanted, 0, wanted.length);
  }

  private static boolean isText(RawPage p, int from, int length) {
    boolean any = false;
    for (int i = from; i < from + length; i++) {
      if (p.u8(i) < 0x20 || p.u8(i) > 0x7E) {
        return false;
      }
      any |= p.u8(i) != 0x20;
    }
    return any;
  }

  private static boolean isTextOnly(RawPage p) {
    for (int i = 0; i < Math.min(p.size(), 4096); i++) {
      int c = p.u8(i);
      if (c < 0x20 && c != '\n' && c != '\r' && c != '\t' || c == 0x7F) {
        return false;
      }
    }
    return p.size() > 0;
  }
}

package tekmerion.core.drive.ata;

import java.util.OptionalLong;
import tekmerion.core.page.RawPage;

/**
 * One self-test as a drive remembers it: ACS-3, A.21 and A.22 "Self-test descriptor".
 *
 * @param offset of the descriptor in its log
 * @param length 24 bytes in log 06h, 26 in log 07h
 * @param subcommand how it was started: 1 short, 2 extended, 3 conveyance, 4 selective off-line; +
 *     80h captive
 * @param statusCode self-test execution status byte: result in the upper four bits, tenths to go in
 *     the lower ones
 * @param lifeHours lower 16 bits of the power-on hours when it ended: they wrap after 65,535
 * @param checkpoint vendor specific
 * @param firstFailingLba empty if the test did not fail at an address
 */
public record SelfTestEntry(
    int offset,
    int length,
    int subcommand,
    int statusCode,
    int lifeHours,
    int checkpoint,
    OptionalLong firstFailingLba) {
  static final int SUMMARY_BYTES = 24;
  static final int EXTENDED_BYTES = 26;
  private static final long NO_LBA_32 = 0xFFFF_FFFFL;
  private static final long NO_LBA_48 = 0xFFFF_FFFF_FFFFL;

  static SelfTestEntry at(RawPage raw, int offset, boolean extended) {
    int lbaBytes = extended ? 6 : 4;
    long lba = raw.unsignedLe(offset + 5, lbaBytes);
    int status = raw.u8(offset + 1);
    boolean atAnAddress =
        SelfTestStatus.of(status >> 4).isFailure() && lba != (extended ? NO_LBA_48 : NO_LBA_32);
    return new SelfTestEntry(
        offset,
        extended ? EXTENDED_BYTES : SUMMARY_BYTES,
        raw.u8(offset),
        status,
        raw.u16(offset + 2),
        raw.u8(offset + 4),
        atAnAddress ? OptionalLong.of(lba) : OptionalLong.empty());
  }

  public SelfTestStatus status() {
    return SelfTestStatus.of(statusCode >> 4);
  }

  /** How much of it was not done when it ended: bits 3:0, in tenths. */
  public int remainingPercent() {
    return (statusCode & 0x0F) * 10;
  }

  /** What sort of test it was, in words. */
  public String test() {
    String captive = (subcommand & 0x80) != 0 ? ", captive" : "";
    return switch (subcommand & 0x7F) {
          case 0 -> "off-line collection";
          case 1 -> "short";
          case 2 -> "extended";
          case 3 -> "conveyance";
          case 4 -> "selective";
          case 0x7F -> "aborted";
          default -> "vendor specific";
        }
        + captive;
  }
}

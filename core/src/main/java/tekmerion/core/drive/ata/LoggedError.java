package tekmerion.core.drive.ata;

import java.util.ArrayList;
import java.util.List;
import tekmerion.core.page.RawPage;

/**
 * One error that the drive reported to its host, with the commands that led to it: ACS-3, A.20
 * (summary, 28-bit) and A.7 (extended comprehensive, 48-bit).
 *
 * @param offset of the log entry
 * @param length 90 bytes in log 01h, 124 in log 03h
 * @param error ERROR field as the drive returned it
 * @param status STATUS field
 * @param count COUNT field
 * @param lba LBA field: 28 bits (with the low four of DEVICE) or 48
 * @param stateCode what the drive was doing: lower four bits of the state byte
 * @param lifeHours lower 16 bits of the power-on hours
 * @param commands oldest first; the last one is the one that failed
 */
public record LoggedError(
    int offset,
    int length,
    int error,
    int status,
    int count,
    long lba,
    int stateCode,
    int lifeHours,
    List<LoggedCommand> commands) {
  static final int SUMMARY_BYTES = 90;
  static final int EXTENDED_BYTES = 124;
  private static final int COMMANDS = 5;

  /**
   * A command as the drive remembers it.
   *
   * @param timestampMs milliseconds since power-on; wraps after 2^32
   */
  public record LoggedCommand(
      int code, int feature, int count, long lba, int device, long timestampMs) {}

  public LoggedError {
    commands = List.copyOf(commands);
  }

  static LoggedError summaryAt(RawPage raw, int at) {
    List<LoggedCommand> commands = new ArrayList<>();
    for (int i = 0; i < COMMANDS; i++) {
      int c = at + 12 * i;
      int device = raw.u8(c + 6);
      commands.add(
          new LoggedCommand(
              raw.u8(c + 7),
              raw.u8(c + 1),
              raw.u8(c + 2),
              lba28(raw, c + 3, device),
              device,
              raw.unsignedLe(c + 8, 4)));
    }
    int e = at + 60;
    return new LoggedError(
        at,
        SUMMARY_BYTES,
        raw.u8(e + 1),
        raw.u8(e + 7),
        raw.u8(e + 2),
        lba28(raw, e + 3, raw.u8(e + 6)),
        raw.u8(e + 27) & 0x0F,
        raw.u16(e + 28),
        commands);
  }

  static LoggedError extendedAt(RawPage raw, int at) {
    List<LoggedCommand> commands = new ArrayList<>();
    for (int i = 0; i < COMMANDS; i++) {
      int c = at + 18 * i;
      commands.add(
          new LoggedCommand(
              raw.u8(c + 12),
              raw.u16(c + 1),
              raw.u16(c + 3),
              lba48(raw, c + 5),
              raw.u8(c + 11),
              raw.unsignedLe(c + 14, 4)));
    }
    int e = at + 90;
    return new LoggedError(
        at,
        EXTENDED_BYTES,
        raw.u8(e + 1),
        raw.u8(e + 11),
        raw.u16(e + 2),
        lba48(raw, e + 4),
        raw.u8(e + 31) & 0x0F,
        raw.u16(e + 32),
        commands);
  }

  private static long lba28(RawPage raw, int at, int device) {
    return raw.unsignedLe(at, 3) | (long) (device & 0x0F) << 24;
  }

  /** LBA bits stand as 7:0, 31:24, 15:8, 39:32, 23:16, 47:40. */
  private static long lba48(RawPage raw, int at) {
    return (long) raw.u8(at)
        | (long) raw.u8(at + 2) << 8
        | (long) raw.u8(at + 4) << 16
        | (long) raw.u8(at + 1) << 24
        | (long) raw.u8(at + 3) << 32
        | (long) raw.u8(at + 5) << 40;
  }

  /** ERROR bit 7: an error on the link, not on the medium (ACS-3, 6.3). */
  public boolean isInterfaceCrc() {
    return (error & 1 << 7) != 0;
  }

  /** ERROR bit 6: data could not be corrected. */
  public boolean isUncorrectable() {
    return (error & 1 << 6) != 0;
  }

  /** ERROR bit 4: the address was not found. */
  public boolean isIdNotFound() {
    return (error & 1 << 4) != 0;
  }

  /** ERROR bit 2: the command was aborted. */
  public boolean isAborted() {
    return (error & 1 << 2) != 0;
  }

  /** What the error bits say, in words. */
  public String words() {
    List<String> words = new ArrayList<>();
    if (isInterfaceCrc()) {
      words.add("checksum error on the link");
    }
    if (isUncorrectable()) {
      words.add("uncorrectable data");
    }
    if (isIdNotFound()) {
      words.add("address not found");
    }
    if (isAborted()) {
      words.add("aborted");
    }
    return words.isEmpty() ? "no error bit set" : String.join(", ", words);
  }

  /** What the drive was doing, in the standard's words. */
  public String state() {
    return switch (stateCode) {
      case 0 -> "unknown";
      case 1 -> "sleep";
      case 2 -> "standby";
      case 3 -> "active or idle";
      case 4 -> "executing an off-line or self-test";
      default -> stateCode <= 0x0A ? "reserved" : "vendor specific";
    };
  }
}

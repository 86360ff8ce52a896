package tekmerion.probe.linux;

import static tekmerion.words.Words.say;

import com.sun.jna.LastErrorException;
import com.sun.jna.Memory;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageAnswer;

/**
 * One SCSI command through SG_IO that reads data, and ATA commands inside it: SAT-3, 12.2.2 ATA
 * PASS-THROUGH (16), with the 12-byte form for bridges that know only that. The header is that of
 * the kernel's scsi/sg.h on 64 bits:
 *
 * <pre>
 * 0 interface 'S'   4 direction   8 command length   9 sense length   12 data length
 * 16 data   24 command   32 sense   40 timeout [ms]   64 status   68 host status   70 driver status
 * </pre>
 */
final class ScsiPassThrough {
  private static final long SG_IO = 0x2285;
  private static final int HEADER_BYTES = 88;
  private static final int SENSE_BYTES = 32;
  private static final int FROM_DEVICE = -3;
  private static final int NO_DATA = -1;
  private static final int TIMEOUT_MS = 20_000;
  private static final int READ_LOG_EXT = 0x2F;
  private static final int PIO_IN = 4;
  private static final int NON_DATA = 3;
  private static final int ABORTED = 0x0B;
  private static final int DESCRIPTORS_AT = 8;
  private static final byte ATA_RETURN = 0x09;
  private static final byte ABRT = 0x04;

  private final String device;

  ScsiPassThrough(String device) {
    this.device = device;
  }

  /**
   * An ATA command that gives {@code blocks} times 512 bytes.
   *
   * @param lba for SMART commands C24F00h plus the log address
   */
  PageAnswer ata(int command, int feature, int lba, int blocks) {
    PageAnswer first = scsi(ata16(command, feature, lba, blocks, PIO_IN), blocks * 512);
    return first instanceof PageAnswer.Got
        ? first
        : scsi(ata12(command, feature, lba, blocks), blocks * 512) instanceof PageAnswer.Got got
            ? got
            : first;
  }

  /** An ATA command without data. */
  PageAnswer ataNoData(int command, int feature, int lba) {
    return scsi(ata16(command, feature, lba, 0, NON_DATA), 0);
  }

  /**
   * READ LOG EXT (ACS-3, 7.25): pages of a general purpose log from its first one on.
   *
   * @param log its address
   */
  PageAnswer generalLog(int log, int pages) {
    byte[] cdb = ata16(READ_LOG_EXT, 0, log, pages, PIO_IN);
    cdb[1] |= 1; // 48 bits
    cdb[5] = (byte) (pages >> 8);
    return scsi(cdb, pages * 512);
  }

  /** Standard INQUIRY data: SPC-5, 6.7. */
  PageAnswer inquiry() {
    return scsi(new byte[] {0x12, 0, 0, 0, 96, 0}, 96);
  }

  /** A page of vital product data. */
  PageAnswer vitalProductData(int page) {
    return scsi(new byte[] {0x12, 1, (byte) page, 0, (byte) 252, 0}, 252);
  }

  /** READ CAPACITY (16): SBC-4, 5.16. */
  PageAnswer capacity() {
    byte[] cdb = new byte[16];
    cdb[0] = (byte) 0x9E;
    cdb[1] = 0x10;
    cdb[13] = 32;
    return scsi(cdb, 32);
  }

  /** SEND DIAGNOSTIC with a self-test code: SPC-5, 6.42; it goes on in the background. */
  PageAnswer selfTest(int code) {
    return scsi(new byte[] {0x1D, (byte) (code << 5), 0, 0, 0, 0}, 0);
  }

  /** LOG SENSE, cumulative values: SPC-5, 6.8. */
  PageAnswer logPage(int page) {
    int length = 4_096;
    byte[] command = {
      0x4D, 0, (byte) (0x40 | page), 0, 0, 0, 0, (byte) (length >> 8), (byte) length, 0
    };
    return scsi(command, length);
  }

  private static byte[] ata16(int command, int feature, int lba, int blocks, int protocol) {
    byte[] cdb = new byte[16];
    cdb[0] = (byte) 0x85;
    cdb[1] = (byte) (protocol << 1);
    cdb[2] = (byte) (blocks == 0 ? 0 : 0x0E); // from device, blocks, length in COUNT
    cdb[4] = (byte) feature;
    cdb[6] = (byte) blocks;
    cdb[8] = (byte) lba;
    cdb[10] = (byte) (lba >> 8);
    cdb[12] = (byte) (lba >> 16);
    cdb[14] = (byte) command;
    return cdb;
  }

  private static byte[] ata12(int command, int feature, int lba, int blocks) {
    byte[] cdb = new byte[12];
    cdb[0] = (byte) 0xA1;
    cdb[1] = PIO_IN << 1;
    cdb[2] = 0x0E;
    cdb[3] = (byte) feature;
    cdb[4] = (byte) blocks;
    cdb[5] = (byte) lba;
    cdb[6] = (byte) (lba >> 8);
    cdb[7] = (byte) (lba >> 16);
    cdb[9] = (byte) command;
    return cdb;
  }

  private PageAnswer scsi(byte[] cdb, int length) {
    try (Memory header = new Memory(HEADER_BYTES);
        Memory command = new Memory(cdb.length);
        Memory sense = new Memory(SENSE_BYTES);
        Memory data = new Memory(Math.max(512, length))) {
      header.clear();
      sense.clear();
      data.clear();
      command.write(0, cdb, 0, cdb.length);
      header.setInt(0, 'S');
      header.setInt(4, length == 0 ? NO_DATA : FROM_DEVICE);
      header.setByte(8, (byte) cdb.length);
      header.setByte(9, (byte) SENSE_BYTES);
      header.setInt(12, length);
      header.setPointer(16, data);
      header.setPointer(24, command);
      header.setPointer(32, sense);
      header.setInt(40, TIMEOUT_MS);
      NativeCalls.call(device, SG_IO, header);
      int status = Byte.toUnsignedInt(header.getByte(64));
      int host = Short.toUnsignedInt(header.getShort(68));
      if (status != 0 || host != 0) {
        return refusal(status, host, sense);
      }
      return new PageAnswer.Got(new RawPage(data.getByteArray(0, length)));
    } catch (LastErrorException e) {
      return new PageAnswer.CouldNotRun(say("probe.pass-through", "why", e.getMessage()));
    }
  }

  /**
   * The descriptor with the registers of an ATA drive (SAT-5, 12.2.7): it aborted the command (ABRT
   * of the error register, with ERR of the status), and no other error is set.
   */
  private static boolean ataAborted(Memory sense) {
    boolean registers = sense.getByte(DESCRIPTORS_AT) == ATA_RETURN;
    return registers
        && (sense.getByte(DESCRIPTORS_AT + 13) & 0x01) != 0
        && sense.getByte(DESCRIPTORS_AT + 3) == ABRT;
  }

  /** Sense key 5 with 20h or 24h: the command or page is not known there (SPC-5, 4.5). */
  private static PageAnswer refusal(int status, int host, Memory sense) {
    boolean descriptor = (sense.getByte(0) & 0x7F) >= 0x72;
    int key = sense.getByte(descriptor ? 1 : 2) & 0x0F;
    int code = Byte.toUnsignedInt(sense.getByte(descriptor ? 2 : 12));
    if (descriptor && key == ABORTED && ataAborted(sense)) {
      return new PageAnswer.NotReported(say("probe.the-drive-aborts-the-command"));
    }
    return key == 5 && (code == 0x20 || code == 0x24)
        ? new PageAnswer.NotReported(say("probe.the-command-is-not-known"))
        : new PageAnswer.CouldNotRun(
            say(
                "probe.the-command-failed",
                "status",
                "%02Xh".formatted(status),
                "host",
                "%02Xh".formatted(host),
                "sense",
                "%Xh/%02Xh".formatted(key, code)));
  }
}

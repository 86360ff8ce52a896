package tekmerion.sim;

import java.util.List;

/** Writes the logs of an ATA drive byte by byte: ACS-3, annex A. Shares nothing with decoders. */
final class AtaLogPages {
  private static final int BYTES = 512;

  private AtaLogPages() {}

  /**
   * @param status upper four bits the result, lower four the tenths to go
   * @param failingSector -1 for none
   */
  record Test(int subcommand, int status, long hours, long failingSector) {}

  /** Newest last, as they happened. */
  static byte[] selfTests(List<Test> tests) {
    byte[] page = new byte[BYTES];
    page[0] = 1;
    for (int i = 0; i < tests.size(); i++) {
      int at = 2 + 24 * (i % 21);
      Test t = tests.get(i);
      page[at] = (byte) t.subcommand();
      page[at + 1] = (byte) t.status();
      le(page, at + 2, 2, t.hours());
      le(page, at + 5, 4, t.failingSector() < 0 ? 0xFFFF_FFFFL : t.failingSector());
    }
    page[508] = (byte) (tests.isEmpty() ? 0 : (tests.size() - 1) % 21 + 1);
    return AtaPages.sealed(page);
  }

  /** The last five reads that met damage. */
  static byte[] errors(long count, List<Long> sectors, long hours) {
    byte[] page = new byte[BYTES];
    page[0] = 1;
    int given = Math.min(5, sectors.size());
    page[1] = (byte) given;
    for (int i = 0; i < given; i++) {
      long lba = sectors.get(i) & 0x0FFF_FFFFL;
      int at = 2 + 90 * i;
      int command = at + 48;
      page[command + 2] = 8;
      le(page, command + 3, 3, lba);
      page[command + 6] = (byte) (0xE0 | lba >> 24);
      page[command + 7] = 0x25;
      le(page, command + 8, 4, 3_600_000L + 4_000 * i);
      int error = at + 60;
      page[error + 1] = 0x40;
      le(page, error + 3, 3, lba);
      page[error + 6] = (byte) (0xE0 | lba >> 24);
      page[error + 7] = 0x51;
      page[error + 27] = 3;
      le(page, error + 28, 2, hours);
    }
    le(page, 452, 2, Math.min(0xFFFF, count));
    return AtaPages.sealed(page);
  }

  static byte[] directory() {
    byte[] page = new byte[BYTES];
    page[0] = 1;
    page[2] = 1;
    page[8] = 8;
    page[12] = 1;
    page[2 * 0xE0] = 1;
    return page;
  }

  /** Pages 01h, 03h, 04h and 05h of the Device Statistics log. */
  static byte[] statistics(
      long hours, long starts, long moved, long waiting, long reported, int now, int highest) {
    byte[] log = new byte[4 * BYTES];
    int[] numbers = {1, 3, 4, 5};
    for (int i = 0; i < numbers.length; i++) {
      log[i * BYTES] = 1;
      log[i * BYTES + 2] = (byte) numbers[i];
    }
    statistic(log, 8, starts, 4);
    statistic(log, 16, hours, 4);
    statistic(log, BYTES + 8, hours, 4);
    statistic(log, BYTES + 32, moved, 4);
    statistic(log, BYTES + 56, waiting, 4);
    statistic(log, 2 * BYTES + 8, reported, 4);
    statistic(log, 3 * BYTES + 8, now, 1);
    statistic(log, 3 * BYTES + 32, highest, 1);
    statistic(log, 3 * BYTES + 80, highest > 60 ? 5L * (highest - 60) : 0, 4);
    statistic(log, 3 * BYTES + 88, 60, 1);
    return log;
  }

  static byte[] sctStatus(int now, int lowest, int highest) {
    byte[] page = new byte[BYTES];
    page[0] = 3;
    page[200] = (byte) now;
    page[201] = (byte) Math.min(now, 22);
    page[202] = (byte) now;
    page[203] = (byte) lowest;
    page[204] = (byte) highest;
    page[205] = 60;
    page[214] = 0x4F;
    page[215] = (byte) 0xC2;
    return page;
  }

  private static void statistic(byte[] log, int at, long value, int length) {
    le(log, at, length, value);
    log[at + 7] = (byte) 0xC0;
  }

  private static void le(byte[] page, int at, int length, long value) {
    for (int i = 0; i < length; i++) {
      page[at + i] = (byte) (value >> 8 * i);
    }
  }
}

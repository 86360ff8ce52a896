package tekmerion.sim;

import java.nio.charset.StandardCharsets;
import java.util.List;

/**
 * Writes ATA pages byte by byte as drive firmware would: ACS-3 and SFF-8035i. On purpose shares no
 * table with the decoders.
 */
final class AtaPages {
  private static final int BYTES = 512;

  private AtaPages() {}

  /**
   * What an attribute entry holds.
   *
   * @param raw 48 bits
   */
  record Entry(int id, int flags, int value, int worst, long raw, int threshold) {}

  /**
   * @param rotation word 217: 1 for solid state, else turns a minute
   * @param formFactor word 168
   */
  record Identity(
      String model,
      String serial,
      String firmware,
      long sectors,
      int rotation,
      int formFactor,
      long worldWideName) {}

  static byte[] identify(Identity who) {
    byte[] page = new byte[BYTES];
    word(page, 0, 0x0040);
    word(page, 2, 0xC837);
    text(page, 10, 10, who.serial());
    text(page, 23, 4, who.firmware());
    text(page, 27, 20, who.model());
    word(page, 47, 0x8010);
    word(page, 48, 0x4000);
    word(page, 49, 0x2F00);
    word(page, 50, 0x4000);
    word(page, 53, 0x0006);
    word(page, 59, 0x5110);
    long sectors28 = Math.min(who.sectors(), 0x0FFF_FFFFL);
    word(page, 60, (int) sectors28);
    word(page, 61, (int) (sectors28 >> 16));
    word(page, 63, 0x0007);
    word(page, 64, 0x0003);
    for (int w = 65; w <= 68; w++) {
      word(page, w, 120);
    }
    word(page, 69, who.rotation() == 1 ? 0x4020 : 0x0000);
    word(page, 75, 31);
    word(page, 76, 0x850E);
    word(page, 77, 0x0006);
    word(page, 78, 0x0040);
    word(page, 79, 0x0040);
    word(page, 80, 0x07F0);
    word(page, 81, 0x001F);
    word(page, 82, 0x706B);
    word(page, 83, 0x7561);
    word(page, 84, 0x4163);
    word(page, 85, 0x7069);
    word(page, 86, 0xB441);
    word(page, 87, 0x4163);
    word(page, 88, 0x407F);
    word(page, 89, who.rotation() == 1 ? 1 : 96);
    word(page, 90, who.rotation() == 1 ? 1 : 96);
    word(page, 91, 0x00FE);
    for (int i = 0; i < 4; i++) {
      word(page, 100 + i, (int) (who.sectors() >> 16 * i));
      word(page, 108 + i, (int) (who.worldWideName() >> 16 * (3 - i)));
    }
    word(page, 105, who.rotation() == 1 ? 8 : 0);
    word(page, 106, who.rotation() == 1 ? 0x4000 : 0x6003);
    word(page, 119, 0x401C);
    word(page, 120, 0x401C);
    word(page, 128, 0x0021);
    word(page, 168, who.formFactor());
    word(page, 169, who.rotation() == 1 ? 1 : 0);
    word(page, 206, 0x0039);
    word(page, 209, 0x4000);
    word(page, 217, who.rotation());
    word(page, 222, 0x107F);
    page[510] = (byte) 0xA5;
    return sealed(page);
  }

  /**
   * @param selfTestStatus byte 363
   */
  static byte[] smart(List<Entry> entries, int selfTestStatus) {
    byte[] page = new byte[BYTES];
    page[0] = 0x10;
    int at = 2;
    for (Entry entry : entries) {
      page[at] = (byte) entry.id();
      page[at + 1] = (byte) entry.flags();
      page[at + 2] = (byte) (entry.flags() >> 8);
      page[at + 3] = (byte) entry.value();
      page[at + 4] = (byte) entry.worst();
      for (int i = 0; i < 6; i++) {
        page[at + 5 + i] = (byte) (entry.raw() >> 8 * i);
      }
      at += 12;
    }
    page[362] = (byte) 0x82;
    page[363] = (byte) selfTestStatus;
    page[364] = 0x58;
    page[365] = 0x02;
    page[367] = 0x7B;
    page[368] = 0x03;
    page[370] = 0x01;
    page[372] = 0x02;
    page[373] = (byte) 0x9C;
    page[374] = 0x05;
    return sealed(page);
  }

  static byte[] thresholds(List<Entry> entries) {
    byte[] page = new byte[BYTES];
    page[0] = 0x10;
    int at = 2;
    for (Entry entry : entries) {
      page[at] = (byte) entry.id();
      page[at + 1] = (byte) entry.threshold();
      at += 12;
    }
    return sealed(page);
  }

  private static void word(byte[] page, int word, int value) {
    page[2 * word] = (byte) value;
    page[2 * word + 1] = (byte) (value >> 8);
  }

  /** Two characters a word, the first in the upper byte, padded with spaces. */
  private static void text(byte[] page, int word, int words, String text) {
    byte[] ascii = text.getBytes(StandardCharsets.US_ASCII);
    if (ascii.length > 2 * words) {
      throw new IllegalArgumentException("'%s' is longer than %d".formatted(text, 2 * words));
    }
    for (int i = 0; i < 2 * words; i++) {
      page[2 * word + (i ^ 1)] = i < ascii.length ? ascii[i] : (byte) ' ';
    }
  }

  /** Sets the last byte so that all 512 add up to 0 modulo 256. */
  static byte[] sealed(byte[] page) {
    int sum = 0;
    for (int i = 0; i < BYTES - 1; i++) {
      sum += page[i];
    }
    page[BYTES - 1] = (byte) -sum;
    return page;
  }
}

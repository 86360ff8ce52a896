package tekmerion.core.drive.ata;

import tekmerion.core.page.RawPage;

/** Builds pages by the standards' own offsets; shares nothing with the tables under test. */
final class Bytes {
  private final byte[] page = new byte[512];

  Bytes word(int word, int value) {
    return at(2 * word, value & 0xFF, value >> 8 & 0xFF);
  }

  Bytes at(int offset, int... values) {
    for (int i = 0; i < values.length; i++) {
      page[offset + i] = (byte) values[i];
    }
    return this;
  }

  /** ACS-3, 3.4.9: two characters a word, the first one in the upper byte. */
  Bytes text(int word, String text) {
    for (int i = 0; i < text.length(); i++) {
      page[2 * word + (i ^ 1)] = (byte) text.charAt(i);
    }
    return this;
  }

  RawPage page() {
    return new RawPage(page);
  }

  /** With the last byte such that all 512 add up to 0 modulo 256. */
  RawPage sealed() {
    int sum = 0;
    for (int i = 0; i < 511; i++) {
      sum += page[i];
    }
    page[511] = (byte) -sum;
    return page();
  }
}

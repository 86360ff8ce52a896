package tekmerion.core.memory.identity;

import tekmerion.core.page.RawPage;

/**
 * The checksum of SPD: CRC-16 with the polynomial 1021h, from 0, no reflection.
 *
 * @see "JEDEC Standard 21-C, Annex K (DDR3), byte 126; JESD400-5 (DDR5), byte 510"
 */
final class Crc16 {
  private Crc16() {}

  static int of(RawPage page, int from, int to) {
    int crc = 0;
    for (int i = from; i < to; i++) {
      crc ^= page.u8(i) << 8;
      for (int bit = 0; bit < 8; bit++) {
        crc = (crc & 0x8000) != 0 ? crc << 1 ^ 0x1021 : crc << 1;
      }
    }
    return crc & 0xFFFF;
  }
}

package tekmerion.core.mend;

import static tekmerion.core.mend.VolumeCopy.put;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.zip.CRC32;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.ByteSource;
import tekmerion.core.survey.Damage;

/**
 * A GPT from its other header: each has its own place, the other's, and that of its list.
 *
 * @see "UEFI Specification 2.10, 5.2.3 (protective MBR) and 5.3.2 (header)"
 */
final class GptCopy {
  private static final int MAX_LIST = 1 << 20;

  private GptCopy() {}

  /** Empty if the other header does not hold by its own checksums. */
  static List<Mending.Wanted> pieces(ByteSource source, Damage damage) {
    long copy = damage.backupOffset().orElseThrow();
    // One of the two headers is in the second sector, whose size nothing else tells.
    for (int sector : new int[] {512, 4096}) {
      Optional<Header> from = header(source, copy, sector);
      if (from.isPresent()) {
        long last = source.sizeBytes() / sector - 1;
        return damage.offset() == 0
            ? List.of(protective(last))
            : from.get().at(damage.offset() / sector, last, sector);
      }
    }
    return List.of();
  }

  /** A header and its list, both as their checksums want them. */
  private record Header(byte[] head, byte[] list, int size) {
    /** Header and list are neighbours: the first header has its list behind it, the last before. */
    List<Mending.Wanted> at(long own, long last, int sector) {
      int listSectors = (list.length + sector - 1) / sector;
      boolean first = own == 1;
      byte[] all = new byte[(listSectors + 1) * sector];
      int headAt = first ? 0 : listSectors * sector;
      int listAt = first ? sector : 0;
      System.arraycopy(list, 0, all, listAt, list.length);
      byte[] h = Arrays.copyOf(head, size);
      put(h, 24, 8, own);
      put(h, 32, 8, first ? last : 1);
      put(h, 72, 8, first ? 2 : own - listSectors);
      put(h, 16, 4, 0);
      put(h, 16, 4, crc(h));
      System.arraycopy(h, 0, all, headAt, size);
      return List.of(new Mending.Wanted((first ? own : own - listSectors) * sector, all));
    }
  }

  private static Optional<Header> header(ByteSource source, long at, int sector) {
    Optional<byte[]> bytes = source.bytes(at, sector);
    if (bytes.isEmpty()) {
      return Optional.empty();
    }
    RawPage p = new RawPage(bytes.get());
    long size = p.unsignedLe(12, 4);
    if (!p.hex(0, 8).equals("4546492050415254") // "EFI PART"
        || size < 92
        || size > sector
        || p.unsignedLe(24, 7) != at / sector) {
      return Optional.empty();
    }
    byte[] head = Arrays.copyOf(bytes.get(), (int) size);
    put(head, 16, 4, 0);
    long listBytes = p.unsignedLe(80, 4) * p.unsignedLe(84, 4);
    if (crc(head) != p.unsignedLe(16, 4) || listBytes <= 0 || listBytes > MAX_LIST) {
      return Optional.empty();
    }
    return source
        .bytes(p.unsignedLe(72, 7) * sector, (int) listBytes)
        .filter(list -> crc(list) == p.unsignedLe(88, 4))
        .map(list -> new Header(bytes.get(), list, (int) size));
  }

  /** No code, one entry over everything that 32 bits can tell. */
  private static Mending.Wanted protective(long last) {
    byte[] mbr = new byte[512];
    mbr[446 + 2] = 2; // CHS of sector 1
    mbr[446 + 4] = (byte) 0xEE;
    Arrays.fill(mbr, 446 + 5, 446 + 8, (byte) 0xFF);
    put(mbr, 446 + 8, 4, 1);
    put(mbr, 446 + 12, 4, Math.min(last, 0xFFFF_FFFFL));
    put(mbr, 510, 2, 0xAA55);
    return new Mending.Wanted(0, mbr);
  }

  private static long crc(byte[] bytes) {
    CRC32 crc = new CRC32();
    crc.update(bytes);
    return crc.getValue();
  }
}

package tekmerion.core.mend;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Arrays;
import java.util.Optional;
import java.util.zip.CRC32C;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.ByteSource;
import tekmerion.core.survey.Content;
import tekmerion.core.survey.Damage;

/**
 * The copy that a file system or an encryption keeps of its boot sector, superblock or header, made
 * into what belongs at its first place: copies know where they lie.
 *
 * @see "as for the survey: FAT32 1.03; exFAT 3.4; NTFS boot sector; ext4 super.rst; Btrfs on-disk
 *     format, superblock; LUKS2 1.1.3, 2.1; HFS+ TN1150"
 */
final class VolumeCopy {
  private static final int EXT_BYTES = 1024;
  private static final int BTRFS_BYTES = 4096;
  private static final int LUKS_MOST = 4 << 20;

  private VolumeCopy() {}

  /** Empty if the copy does not hold. */
  static Optional<Mending.Wanted> of(ByteSource source, Content content, long start, Damage d) {
    long copy = d.backupOffset().orElseThrow();
    return switch (content) {
      case FAT32, NTFS -> source.bytes(copy, 512).map(b -> new Mending.Wanted(start, b));
      case EXFAT -> exfat(source, start, copy);
      case HFS_PLUS -> source.bytes(copy, 512).map(b -> new Mending.Wanted(start + 1024, b));
      case EXT2, EXT3, EXT4 -> ext(source, start, copy);
      case BTRFS -> btrfs(source, d.offset(), d.offset() - start, copy);
      case LUKS2 -> luks2(source, start, copy);
      default -> Optional.empty();
    };
  }

  /** Twelve sectors, of the size that the copy tells. */
  private static Optional<Mending.Wanted> exfat(ByteSource source, long start, long copy) {
    return source
        .bytes(copy, 512)
        .map(RawPage::new)
        .filter(p -> p.u8(108) >= 9 && p.u8(108) <= 12)
        .flatMap(p -> source.bytes(copy, 12 << p.u8(108)))
        .filter(VolumeCopy::exfatHolds)
        .map(b -> new Mending.Wanted(start, b));
  }

  /** Over its first eleven sectors, flags and percent in use left out: section 3.4. */
  private static boolean exfatHolds(byte[] region) {
    int sums = region.length / 12 * 11;
    int sum = 0;
    for (int i = 0; i < sums; i++) {
      if (i != 106 && i != 107 && i != 112) {
        sum = (sum << 31 | sum >>> 1) + (region[i] & 0xFF);
      }
    }
    return new RawPage(region).unsignedLe(sums, 4) == Integer.toUnsignedLong(sum);
  }

  /** The first has group 0; its checksum is made anew where there is one. */
  private static Optional<Mending.Wanted> ext(ByteSource source, long start, long copy) {
    return source
        .bytes(copy, EXT_BYTES)
        .filter(b -> !hasSum(b) || new RawPage(b).unsignedLe(0x3FC, 4) == extSum(b))
        .map(
            b -> {
              put(b, 0x5A, 2, 0);
              if (hasSum(b)) {
                put(b, 0x3FC, 4, extSum(b));
              }
              return new Mending.Wanted(start + 1024, b);
            });
  }

  private static boolean hasSum(byte[] superblock) {
    return (new RawPage(superblock).unsignedLe(0x64, 4) & 0x400) != 0;
  }

  /** The kernel's is not turned over. */
  private static long extSum(byte[] superblock) {
    return ~crc32c(superblock, 0, 0x3FC) & 0xFFFF_FFFFL;
  }

  private static Optional<Mending.Wanted> btrfs(
      ByteSource source, long offset, long inVolume, long copy) {
    return source
        .bytes(copy, BTRFS_BYTES)
        .filter(b -> new RawPage(b).u16(0xC4) == 0) // CRC-32C; others are not made here
        .filter(b -> new RawPage(b).unsignedLe(0, 4) == crc32c(b, 0x20, BTRFS_BYTES - 0x20))
        .map(
            b -> {
              put(b, 0x30, 8, inVolume);
              put(b, 0, 4, crc32c(b, 0x20, BTRFS_BYTES - 0x20));
              return new Mending.Wanted(offset, b);
            });
  }

  private static Optional<Mending.Wanted> luks2(ByteSource source, long start, long copy) {
    return source
        .bytes(copy, 4096)
        .map(p -> new RawPage(p).unsignedBe(9, 7))
        .filter(size -> size >= 16 << 10 && size <= LUKS_MOST)
        .flatMap(size -> source.bytes(copy, size.intValue()))
        .filter(b -> text(b, 72, 32).equals("sha256"))
        .filter(b -> Arrays.equals(luksSum(b), Arrays.copyOfRange(b, 448, 480)))
        .map(
            b -> {
              b[0] = 'L';
              b[1] = 'U';
              b[2] = 'K';
              b[3] = 'S';
              Arrays.fill(b, 256, 264, (byte) 0); // where it lies
              System.arraycopy(luksSum(b), 0, b, 448, 32);
              return new Mending.Wanted(start, b);
            });
  }

  /** Over header and its JSON, with the checksum's 64 bytes taken as zero. */
  private static byte[] luksSum(byte[] header) {
    byte[] bytes = header.clone();
    Arrays.fill(bytes, 448, 512, (byte) 0);
    try {
      return MessageDigest.getInstance("SHA-256").digest(bytes);
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }

  private static String text(byte[] bytes, int from, int length) {
    StringBuilder text = new StringBuilder();
    for (int i = from; i < from + length && bytes[i] != 0; i++) {
      text.append((char) (bytes[i] & 0x7F));
    }
    return text.toString();
  }

  private static long crc32c(byte[] bytes, int from, int length) {
    CRC32C crc = new CRC32C();
    crc.update(bytes, from, length);
    return crc.getValue();
  }

  /** Little-endian. */
  static void put(byte[] bytes, int at, int length, long value) {
    for (int i = 0; i < length; i++) {
      bytes[at + i] = (byte) (value >>> 8 * i);
    }
  }
}

package tekmerion.core.survey;

import java.nio.charset.StandardCharsets;
import java.util.Optional;
import tekmerion.core.page.RawPage;

/**
 * Labels that are not in a boot sector or superblock but in a file, a directory or a descriptor.
 *
 * @see "NTFS: Linux kernel, fs/ntfs3/ntfs.h (MFT record, attribute 60h); exFAT specification 7.3;
 *     UDF: ECMA-167 3/10.2 and 3/10.6, OSTA UDF 2.1.3 (dstrings)"
 */
final class Labels {
  private static final int VOLUME_RECORD = 3;
  private static final int VOLUME_NAME = 0x60;
  private static final long END_OF_ATTRIBUTES = 0xFFFF_FFFFL;
  private static final int MAX_RECORD = 4096;
  private static final int EXFAT_LABEL = 0x83;
  private static final int MAX_DIRECTORY = 1 << 16;
  private static final int DISC_SECTOR = 2048;
  private static final int ANCHOR = 2;
  private static final int LOGICAL_VOLUME = 6;
  private static final int TERMINATOR = 8;
  private static final int MAX_DESCRIPTORS = 64;

  private Labels() {}

  /**
   * The name in the file $Volume, which is the fourth record of the table of files.
   *
   * @param boot its boot sector, or the copy
   */
  static Optional<String> ntfs(Window w, RawPage boot) {
    int sector = boot.u16(11);
    int code = boot.u8(13);
    int cluster = (code <= 0x80 ? code : 1 << Math.min(16, 256 - code)) * sector;
    int size = boot.u8(64);
    int record = size < 0x80 ? size * cluster : 1 << Math.min(16, 256 - size);
    if (sector < 256 || record < 256 || record > MAX_RECORD) {
      return Optional.empty();
    }
    long table = boot.unsignedLe(48, 6) * cluster;
    return w.at(table + (long) VOLUME_RECORD * record, record).flatMap(Labels::nameIn);
  }

  private static Optional<String> nameIn(RawPage record) {
    if (record.unsignedLe(0, 4) != 0x454C4946L) { // "FILE"
      return Optional.empty();
    }
    byte[] bytes = record.bytes();
    int fixes = record.u16(4);
    for (int i = 1; i < record.u16(6) && fixes + 2 * i + 1 < bytes.length; i++) {
      int end = 512 * i - 2;
      if (end + 1 < bytes.length) {
        bytes[end] = bytes[fixes + 2 * i];
        bytes[end + 1] = bytes[fixes + 2 * i + 1];
      }
    }
    RawPage fixed = new RawPage(bytes);
    int at = fixed.u16(20);
    while (at + 24 <= fixed.size() && fixed.unsignedLe(at, 4) != END_OF_ATTRIBUTES) {
      int length = (int) Math.min(MAX_RECORD, fixed.unsignedLe(at + 4, 4));
      if (length < 24 || at + length > fixed.size()) {
        return Optional.empty();
      }
      if (fixed.unsignedLe(at, 4) == VOLUME_NAME && fixed.u8(at + 8) == 0) {
        int from = at + fixed.u16(at + 20);
        int name = (int) Math.min(MAX_RECORD, fixed.unsignedLe(at + 16, 4));
        return from + name > at + length
            ? Optional.empty()
            : Window.text(fixed, from, name, StandardCharsets.UTF_16LE);
      }
      at += length;
    }
    return Optional.empty();
  }

  /** An entry of its root directory, among the first of them. */
  static Optional<String> exfat(Window w, RawPage boot) {
    int sector = 1 << Math.min(12, boot.u8(108));
    long cluster = (long) sector << Math.min(25, boot.u8(109));
    long heap = boot.unsignedLe(88, 4) * sector;
    long root = boot.unsignedLe(96, 4);
    int length = (int) Math.min(MAX_DIRECTORY, cluster);
    return root < 2
        ? Optional.empty()
        : w.at(heap + (root - 2) * cluster, length).flatMap(Labels::labelEntry);
  }

  private static Optional<String> labelEntry(RawPage directory) {
    for (int at = 0; at + 32 <= directory.size() && directory.u8(at) != 0; at += 32) {
      int characters = directory.u8(at + 1);
      if (directory.u8(at) == EXFAT_LABEL && characters <= 11) {
        return Window.text(directory, at + 2, 2 * characters, StandardCharsets.UTF_16LE);
      }
    }
    return Optional.empty();
  }

  /** The identifier of the logical volume, by the anchor at sector 256. */
  static Optional<String> udf(Window w) {
    Optional<RawPage> anchor = w.at(256L * DISC_SECTOR, 512).filter(p -> p.u16(0) == ANCHOR);
    if (anchor.isEmpty()) {
      return Optional.empty();
    }
    long from = anchor.get().unsignedLe(20, 4);
    long count = Math.min(MAX_DESCRIPTORS, anchor.get().unsignedLe(16, 4) / DISC_SECTOR);
    for (long i = 0; i < count; i++) {
      Optional<RawPage> one = w.at((from + i) * DISC_SECTOR, 512);
      if (one.isEmpty() || one.get().u16(0) == TERMINATOR) {
        return Optional.empty();
      }
      if (one.get().u16(0) == LOGICAL_VOLUME) {
        return dstring(one.get(), 84, 128);
      }
    }
    return Optional.empty();
  }

  /** Its first byte says how many bits a character has, its last how many bytes are used. */
  private static Optional<String> dstring(RawPage page, int at, int length) {
    int used = page.u8(at + length - 1);
    int bits = page.u8(at);
    if (used < 2 || used >= length || bits != 8 && bits != 16) {
      return Optional.empty();
    }
    return Window.text(
        page,
        at + 1,
        used - 1,
        bits == 8 ? StandardCharsets.ISO_8859_1 : StandardCharsets.UTF_16BE);
  }
}

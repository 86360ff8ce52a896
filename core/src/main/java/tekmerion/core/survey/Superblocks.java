package tekmerion.core.survey;

import static tekmerion.words.Words.say;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.zip.CRC32C;
import tekmerion.core.page.RawPage;

/**
 * Volumes that tell of themselves in a superblock, a header or a label somewhere at their beginning
 * or end.
 *
 * @see "ext: Linux kernel, Documentation/filesystems/ext4/super.rst; XFS: XFS Algorithms and Data
 *     Structures 3rd ed., chapter 13; Btrfs: on-disk format, superblock; HFS+: Apple TN1150; APFS:
 *     Apple File System Reference (2020); ISO 9660: ECMA-119; UDF: ECMA-167 part 2; LUKS1: on-disk
 *     format 1.2.3; LUKS2: on-disk format 1.1.3"
 */
final class Superblocks {
  private static final int EXT_AT = 1024;
  private static final int EXT_BYTES = 1024;
  private static final int EXT_MAGIC = 0xEF53;
  private static final long BTRFS_AT = 64 << 10;
  private static final long BTRFS_COPY_AT = 64L << 20;
  private static final int BTRFS_BYTES = 4096;
  private static final int XFS_SEARCHES = 4096;

  private Superblocks() {}

  static Optional<Volume> recognise(Window w) {
    return luks(w)
        .or(() -> Members.recognise(w))
        .or(() -> xfs(w, 0))
        .or(() -> btrfs(w, BTRFS_AT))
        .or(() -> ext(w, EXT_AT))
        .or(() -> hfs(w, 1024))
        .or(() -> oldHfs(w))
        .or(() -> apfs(w))
        .or(() -> disc(w));
  }

  /** The first one is gone, but a copy of it is where its file system keeps one. */
  static Optional<Volume> fromBackup(Window w) {
    // Group 1 of ext begins there with blocks of 1, 2 and 4 KiB.
    for (long at : new long[] {8193L << 10, 16384L << 11, 32768L << 12}) {
      Optional<Volume> volume = ext(w, at);
      if (volume.isPresent() && volume.get().sizeBytes().orElse(0) <= w.size()) {
        return Optional.of(volume.get().with(lost(w, EXT_AT, EXT_BYTES, at)));
      }
    }
    Optional<Volume> btrfs = btrfs(w, BTRFS_COPY_AT);
    if (btrfs.isPresent() && btrfs.get().sizeBytes().orElse(0) <= w.size()) {
      return Optional.of(btrfs.get().with(lost(w, BTRFS_AT, BTRFS_BYTES, BTRFS_COPY_AT)));
    }
    Optional<Volume> hfs = hfs(w, w.size() - 1024);
    if (hfs.isPresent() && endsWith(hfs.get(), w)) {
      return Optional.of(hfs.get().with(lost(w, 1024, 512, w.size() - 1024)));
    }
    for (long size : new long[] {0x4000, 0x8000, 0x10000, 0x20000, 0x40000}) {
      if (w.says(size, "SKUL\u00ba\u00be")) {
        return Optional.of(Volume.of(Content.LUKS2).with(lost(w, 0, (int) size, size)));
      }
    }
    return Members.lvmByArea(w).or(() -> xfsCopy(w));
  }

  /** Each allocation group begins with a copy, on some block: blocks are tried in even steps. */
  private static Optional<Volume> xfsCopy(Window w) {
    long step = Math.max(1 << 20, Long.highestOneBit(w.size() / XFS_SEARCHES));
    for (long at = step; at < w.size(); at += step) {
      Optional<Volume> copy = xfs(w, at);
      if (copy.isPresent()) {
        return Optional.of(copy.get().with(lost(w, 0, 512, at)));
      }
    }
    return Optional.empty();
  }

  private static Damage lost(Window w, long at, int length, long copy) {
    return new Damage(
        say("survey.the-first-superblock-is-lost-a"),
        w.start() + at,
        length,
        Optional.of(w.start() + copy));
  }

  private static Optional<Volume> luks(Window w) {
    if (!w.says(0, "LUKS\u00ba\u00be")) {
      return Optional.empty();
    }
    return w.at(0, 512)
        .map(
            p ->
                new Volume(
                    p.u16be(6) == 1 ? Content.LUKS1 : Content.LUKS2,
                    p.u16be(6) == 1
                        ? Optional.empty()
                        : Window.text(p, 24, 48, StandardCharsets.UTF_8),
                    Window.text(p, 168, 40, StandardCharsets.US_ASCII),
                    OptionalLong.empty(),
                    OptionalLong.empty(),
                    List.of()));
  }

  private static Optional<Volume> xfs(Window w, long at) {
    Optional<RawPage> page = w.at(at, 512).filter(p -> p.unsignedBe(0, 4) == 0x58465342L);
    if (page.isEmpty()) {
      return Optional.empty();
    }
    RawPage p = page.get();
    long block = p.unsignedBe(4, 4);
    boolean possible = block >= 512 && block <= 65536 && Long.bitCount(block) == 1;
    if (!possible) {
      return Optional.empty();
    }
    long blocks = p.unsignedBe(9, 7);
    Volume volume =
        new Volume(
            Content.XFS,
            Window.text(p, 108, 12, StandardCharsets.UTF_8),
            Optional.of(Window.uuid(p, 32)),
            OptionalLong.of(blocks * block),
            OptionalLong.of((blocks - p.unsignedBe(145, 7)) * block),
            List.of());
    boolean sums = (p.u16be(100) & 0xF) == 5;
    if (at == 0 && sums && !xfsHolds(w, p)) {
      long copy = p.unsignedBe(84, 4) * block;
      boolean intact = w.says(copy, "XFSB");
      return Optional.of(
          volume.with(
              new Damage(
                  say("survey.the-superblock-fails-its-own-checksum"),
                  w.start(),
                  512,
                  intact ? Optional.of(w.start() + copy) : Optional.empty())));
    }
    return Optional.of(volume);
  }

  /** Over its sector, with the checksum's own four bytes taken as zero. */
  private static boolean xfsHolds(Window w, RawPage p) {
    int sector = Math.max(512, p.u16be(102));
    Optional<RawPage> whole = w.at(0, sector);
    return whole.isPresent() && crc(whole.get(), 0, sector, 224) == p.unsignedLe(224, 4);
  }

  private static Optional<Volume> btrfs(Window w, long at) {
    if (!w.says(at + 0x40, "_BHRfS_M")) {
      return Optional.empty();
    }
    Optional<RawPage> page = w.at(at, BTRFS_BYTES);
    if (page.isEmpty()) {
      return Optional.empty();
    }
    RawPage p = page.get();
    Volume volume =
        new Volume(
            Content.BTRFS,
            Window.text(p, 0x12B, 256, StandardCharsets.UTF_8),
            Optional.of(Window.uuid(p, 0x20)),
            OptionalLong.of(p.unsignedLe(0x70, 7)),
            OptionalLong.of(p.unsignedLe(0x78, 7)),
            List.of());
    boolean crc32c = p.u16(0xC4) == 0;
    if (crc32c && crc(p, 0x20, BTRFS_BYTES - 0x20, -1) != p.unsignedLe(0, 4)) {
      boolean intact = at == BTRFS_AT && w.says(BTRFS_COPY_AT + 0x40, "_BHRfS_M");
      return Optional.of(
          volume.with(
              new Damage(
                  say("survey.the-superblock-fails-its-own-checksum"),
                  w.start() + at,
                  BTRFS_BYTES,
                  intact ? Optional.of(w.start() + BTRFS_COPY_AT) : Optional.empty())));
    }
    return Optional.of(volume);
  }

  private static Optional<Volume> ext(Window w, long at) {
    Optional<RawPage> page = w.at(at, EXT_BYTES).filter(p -> p.u16(0x38) == EXT_MAGIC);
    if (page.isEmpty()
        || page.get().unsignedLe(0x18, 4) > 6
        || at == EXT_AT && page.get().u16(0x5A) != 0) { // a copy: it knows its group
      return Optional.empty();
    }
    RawPage p = page.get();
    long compatible = p.unsignedLe(0x5C, 4);
    long incompatible = p.unsignedLe(0x60, 4);
    long readOnly = p.unsignedLe(0x64, 4);
    boolean four = (incompatible & 0x2C0) != 0 || (readOnly & 0x478) != 0;
    Content content = four ? Content.EXT4 : (compatible & 0x4) != 0 ? Content.EXT3 : Content.EXT2;
    long block = 1024L << p.unsignedLe(0x18, 4);
    boolean wide = (incompatible & 0x80) != 0;
    long blocks = p.unsignedLe(4, 4) | (wide ? p.unsignedLe(0x150, 4) << 32 : 0);
    long free = p.unsignedLe(12, 4) | (wide ? p.unsignedLe(0x158, 4) << 32 : 0);
    Volume volume =
        new Volume(
            content,
            Window.text(p, 0x78, 16, StandardCharsets.UTF_8),
            Optional.of(Window.uuid(p, 0x68)),
            OptionalLong.of(blocks * block),
            OptionalLong.of((blocks - free) * block),
            List.of());
    boolean sums = (readOnly & 0x400) != 0;
    if (at == EXT_AT && sums && extCrc(p) != p.unsignedLe(0x3FC, 4)) {
      long copy = extCopy(p, block);
      boolean intact = ext(w, copy).isPresent();
      return Optional.of(
          volume.with(
              new Damage(
                  say("survey.the-superblock-fails-its-own-checksum"),
                  w.start() + at,
                  EXT_BYTES,
                  intact ? Optional.of(w.start() + copy) : Optional.empty())));
    }
    return Optional.of(volume);
  }

  /** Where the copy of group 1 begins. */
  private static long extCopy(RawPage p, long block) {
    long first = block == 1024 ? 1 : 0;
    return (first + p.unsignedLe(0x20, 4)) * block;
  }

  /** The kernel's crc32c begins with all ones and is not turned over at its end. */
  private static long extCrc(RawPage p) {
    CRC32C crc = new CRC32C();
    crc.update(p.bytes(), 0, 0x3FC);
    return ~crc.getValue() & 0xFFFF_FFFFL;
  }

  private static long crc(RawPage p, int from, int length, int zeroAt) {
    byte[] bytes = p.bytes();
    if (zeroAt >= 0) {
      for (int i = 0; i < 4; i++) {
        bytes[zeroAt + i] = 0;
      }
    }
    CRC32C crc = new CRC32C();
    crc.update(bytes, from, length);
    return crc.getValue();
  }

  /**
   * The copy stands 1,024 bytes before the end of its volume (TN1150). One that tells of a shorter
   * volume begins elsewhere, behind a map or another partition: what stands at byte 1,024 here is
   * not its header.
   */
  private static boolean endsWith(Volume volume, Window w) {
    long missing = w.size() - volume.sizeBytes().orElse(0);
    return missing >= 0 && missing < 4096;
  }

  /**
   * Master directory block: Inside Macintosh, Files, 2-60; names an HFS+ volume inside (TN1150).
   */
  private static Optional<Volume> oldHfs(Window w) {
    return w.at(1024, 162)
        .filter(p -> p.u16be(0) == 0x4244 && p.unsignedBe(20, 4) >= 512)
        .map(
            p ->
                new Volume(
                    Content.HFS,
                    Window.text(
                        p,
                        37,
                        Math.min(27, p.u8(36)),
                        java.nio.charset.StandardCharsets.ISO_8859_1),
                    Optional.empty(),
                    OptionalLong.of(p.u16be(18) * p.unsignedBe(20, 4)),
                    OptionalLong.of((p.u16be(18) - p.u16be(34)) * p.unsignedBe(20, 4)),
                    List.of()));
  }

  private static Optional<Volume> hfs(Window w, long at) {
    return w.at(at, 512)
        .filter(p -> p.u16be(0) == 0x482B || p.u16be(0) == 0x4858)
        .map(
            p -> {
              long block = p.unsignedBe(40, 4);
              return new Volume(
                  Content.HFS_PLUS,
                  Optional.empty(), // its label is an entry of its catalog
                  Optional.of(p.hex(104, 8)),
                  OptionalLong.of(p.unsignedBe(44, 4) * block),
                  OptionalLong.of((p.unsignedBe(44, 4) - p.unsignedBe(48, 4)) * block),
                  List.of());
            });
  }

  private static Optional<Volume> apfs(Window w) {
    if (!w.says(32, "NXSB")) {
      return Optional.empty();
    }
    return w.at(0, 512)
        .map(
            p ->
                new Volume(
                    Content.APFS,
                    Optional.empty(),
                    Optional.of(Window.uuid(p, 72)),
                    OptionalLong.of(p.unsignedLe(36, 4) * p.unsignedLe(40, 7)),
                    OptionalLong.empty(),
                    List.of()));
  }

  /** The volume recognition sequence from 32 KiB on: both may be there, UDF is the newer. */
  private static Optional<Volume> disc(Window w) {
    List<String> names = new ArrayList<>();
    for (int i = 0; i < 8; i++) {
      w.at(32768 + 2048L * i + 1, 5)
          .flatMap(p -> Window.text(p, 0, 5, StandardCharsets.US_ASCII))
          .ifPresent(names::add);
    }
    if (names.contains("NSR02") || names.contains("NSR03")) {
      return Optional.of(
          new Volume(
              Content.UDF,
              Labels.udf(w),
              Optional.empty(),
              OptionalLong.empty(),
              OptionalLong.empty(),
              List.of()));
    }
    return names.contains("CD001")
        ? w.at(32768, 2048)
            .map(
                p ->
                    new Volume(
                        Content.ISO_9660,
                        Window.text(p, 40, 32, StandardCharsets.US_ASCII),
                        Optional.empty(),
                        OptionalLong.of(p.unsignedLe(80, 4) * 2048),
                        OptionalLong.empty(),
                        List.of()))
        : Optional.empty();
  }
}

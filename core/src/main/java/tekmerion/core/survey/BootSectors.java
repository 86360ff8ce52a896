package tekmerion.core.survey;

import static tekmerion.words.Words.say;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import tekmerion.core.page.RawPage;

/**
 * Volumes that tell of themselves in their first sector: FAT, exFAT, NTFS, and encryption that
 * keeps that shape.
 *
 * @see "FAT: Microsoft, FAT32 File System Specification 1.03 (2000), BPB and FSInfo; exFAT:
 *     Microsoft, exFAT file system specification (2019), sections 3.1 and 3.4; NTFS: the boot
 *     sector as the Linux kernel lays it out, fs/ntfs3/ntfs.h"
 */
final class BootSectors {
  private static final int SECTOR = 512;
  private static final int SIGNATURE = 0xAA55;
  private static final int EXFAT_BACKUP_SECTORS = 12;

  private BootSectors() {}

  static Optional<Volume> recognise(Window w) {
    Optional<RawPage> boot = w.at(0, SECTOR);
    if (boot.isEmpty()) {
      return Optional.empty();
    }
    RawPage page = boot.get();
    if (is(page, 3, "-FVE-FS-")) {
      return Optional.of(Volume.of(Content.ENCRYPTED_VOLUME));
    }
    if (is(page, 3, "ReFS\0\0\0\0") && is(page, 16, "FSRS")) {
      return Optional.of(Volume.of(Content.REFS));
    }
    if (page.u16(510) != SIGNATURE) {
      return Optional.empty();
    }
    if (is(page, 3, "EXFAT   ")) {
      return Optional.of(exfat(w, page, 0));
    }
    return is(page, 3, "NTFS    ") ? Optional.of(ntfs(w, page)) : fat(w, page);
  }

  /** The first sector is gone, but a copy of it is where its file system keeps one. */
  static Optional<Volume> fromBackup(Window w) {
    Optional<RawPage> last = w.at(w.size() / SECTOR * SECTOR - SECTOR, SECTOR);
    if (last.filter(p -> is(p, 3, "NTFS    ") && p.u16(510) == SIGNATURE).isPresent()) {
      Volume volume = ntfs(w, last.get());
      long sectorBytes = Math.max(SECTOR, last.get().u16(11));
      // The copy stands in the sector after the volume's last one: else it is another volume's.
      if (volume.sizeBytes().orElse(0) + sectorBytes > w.size() / SECTOR * SECTOR - sectorBytes
          && volume.sizeBytes().orElse(0) < w.size()) {
        return Optional.of(volume.with(lost(w, w.size() / SECTOR * SECTOR - SECTOR)));
      }
    }
    for (int sector : new int[] {512, 4096}) {
      Optional<RawPage> copy = w.at((long) EXFAT_BACKUP_SECTORS * sector, SECTOR);
      if (copy.filter(p -> is(p, 3, "EXFAT   ") && p.u16(510) == SIGNATURE).isPresent()) {
        long at = (long) EXFAT_BACKUP_SECTORS * sector;
        Volume volume = exfat(w, copy.get(), at);
        if (fits(volume, w)) {
          return Optional.of(volume.with(lost(w, at)));
        }
      }
    }
    Optional<RawPage> fat = w.at(FatLayout.BACKUP_AT, SECTOR);
    return fat.filter(p -> p.u16(510) == SIGNATURE)
        .flatMap(p -> fat(w, p))
        .filter(v -> v.content() == Content.FAT32 && fits(v, w))
        .map(v -> v.with(lost(w, FatLayout.BACKUP_AT)));
  }

  /** A copy that tells of more than there is room for is of something else. */
  private static boolean fits(Volume volume, Window w) {
    return volume.sizeBytes().orElse(Long.MAX_VALUE) <= w.size();
  }

  private static Damage lost(Window w, long backup) {
    return new Damage(
        say("survey.the-boot-sector-is-lost-a"),
        w.start(),
        SECTOR,
        Optional.of(w.start() + backup));
  }

  private static Optional<Volume> fat(Window w, RawPage p) {
    return FatLayout.of(p).map(l -> fat(w, p, l));
  }

  private static Volume fat(Window w, RawPage p, FatLayout layout) {
    boolean wide = layout.content() == Content.FAT32;
    int id = wide ? 67 : 39;
    return new Volume(
        layout.content(),
        Window.text(p, id + 4, 11, StandardCharsets.ISO_8859_1).filter(l -> !l.equals("NO NAME")),
        Optional.of("%04X-%04X".formatted(p.u16(id + 2), p.u16(id))),
        OptionalLong.of(layout.bytes()),
        wide ? used(w, p, layout.clusters(), layout.clusterBytes()) : OptionalLong.empty(),
        List.of());
  }

  /** By its information sector, which is a hint by its own standard. */
  private static OptionalLong used(Window w, RawPage p, long clusters, long clusterBytes) {
    Optional<RawPage> info = w.at((long) p.u16(48) * p.u16(11), SECTOR);
    if (info.isEmpty()
        || info.get().unsignedLe(0, 4) != 0x41615252L
        || info.get().unsignedLe(484, 4) != 0x61417272L) {
      return OptionalLong.empty();
    }
    long free = info.get().unsignedLe(488, 4);
    return free > clusters
        ? OptionalLong.empty()
        : OptionalLong.of((clusters - free) * clusterBytes);
  }

  private static Volume exfat(Window w, RawPage p, long at) {
    int sector = 1 << Math.min(12, p.u8(108));
    int cluster = sector << Math.min(25, p.u8(109));
    long clusters = p.unsignedLe(92, 4);
    int percent = p.u8(112);
    Volume volume =
        new Volume(
            Content.EXFAT,
            Labels.exfat(w, p),
            Optional.of("%04X-%04X".formatted(p.u16(102), p.u16(100))),
            OptionalLong.of(p.unsignedLe(72, 7) * sector),
            percent <= 100
                ? OptionalLong.of(clusters * cluster / 100 * percent)
                : OptionalLong.empty(),
            List.of());
    if (at == 0 && !checksumHolds(w, 0, sector)) {
      boolean backup = checksumHolds(w, (long) EXFAT_BACKUP_SECTORS * sector, sector);
      return volume.with(
          new Damage(
              say("survey.the-boot-region-fails-its-own"),
              w.start(),
              EXFAT_BACKUP_SECTORS * sector,
              backup
                  ? Optional.of(w.start() + (long) EXFAT_BACKUP_SECTORS * sector)
                  : Optional.empty()));
    }
    return volume;
  }

  /** Section 3.4: over eleven sectors, flags and percent in use left out. */
  private static boolean checksumHolds(Window w, long at, int sector) {
    Optional<RawPage> region = w.at(at, 12 * sector);
    if (region.isEmpty()) {
      return false;
    }
    int sum = 0;
    for (int i = 0; i < 11 * sector; i++) {
      if (i != 106 && i != 107 && i != 112) {
        sum = (sum << 31 | sum >>> 1) + region.get().u8(i);
      }
    }
    return region.get().unsignedLe(11 * sector, 4) == Integer.toUnsignedLong(sum);
  }

  private static Volume ntfs(Window w, RawPage p) {
    int sector = Math.max(SECTOR, p.u16(11));
    long sectors = p.unsignedLe(40, 7);
    return new Volume(
        Content.NTFS,
        Labels.ntfs(w, p),
        Optional.of("%016X".formatted(p.bigUnsignedLe(72, 8))),
        OptionalLong.of(sectors * sector),
        OptionalLong.empty(),
        List.of());
  }

  private static boolean is(RawPage page, int offset, String text) {
    return page.hex(offset, text.length())
        .equals(new RawPage(text.getBytes(StandardCharsets.ISO_8859_1)).hex(0, text.length()));
  }
}

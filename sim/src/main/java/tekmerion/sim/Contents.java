package tekmerion.sim;

import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.NavigableSet;
import tekmerion.sim.disk.DiskContent;
import tekmerion.sim.disk.ExfatVolume;
import tekmerion.sim.disk.MadeFile;
import tekmerion.sim.disk.NtfsVolume;

/** What made-up owners keep on their disks. */
final class Contents {
  private static final int NTFS_OR_EXFAT = 7;
  private static final long FIRST = 2_048;
  private static final int SECTORS_PER_CLUSTER = 8;
  private static final int KB = 1_024;
  private static final int MB = 1_048_576;

  private Contents() {}

  /** A laptop with an order book; two of its files lie where the disk is damaged. */
  static DiskContent bakery(long sectors, NavigableSet<Long> unreadable) {
    List<MadeFile> files = new ArrayList<>(system());
    for (int month = 1; month <= 10; month++) {
      files.add(
          MadeFile.of(
              "Users/quay/Order book/2026-%02d.ods".formatted(month), 310 * KB + month * 777));
    }
    for (int i = 1; i <= 40; i++) {
      files.add(MadeFile.of("Users/quay/Pictures/cake %03d.jpg".formatted(i), 2 * MB + i * 4_321));
    }
    Iterator<Long> bad = unreadable.iterator();
    if (bad.hasNext()) {
      files.add(over("Users/quay/Order book/2025 whole year.pdf", 900 * KB, bad.next()));
      Long last = unreadable.last();
      files.add(over("Users/quay/Pictures/opening day.jpg", 3 * MB, last));
    }
    files.add(MadeFile.of("Users/quay/Recipes/sourdough.txt", 5_210));
    return ntfs(sectors, files);
  }

  /** So that this sector is in the middle of it. */
  private static MadeFile over(String path, int bytes, long sector) {
    long cluster = (sector - FIRST) / SECTORS_PER_CLUSTER;
    return new MadeFile(path, bytes, cluster - bytes / 2 / (SECTORS_PER_CLUSTER * 512));
  }

  /** An outside disk whose first sectors something wrote over. */
  static DiskContent choirLibrary(long sectors) {
    List<MadeFile> files = new ArrayList<>();
    for (int i = 1; i <= 60; i++) {
      files.add(MadeFile.of("Scores/motet %02d.pdf".formatted(i), 400 * KB + i * 1_013));
    }
    for (int i = 1; i <= 6; i++) {
      files.add(MadeFile.of("Recordings/2026 summer/piece %d.flac".formatted(i), 6 * MB + i * 99));
    }
    files.add(MadeFile.of("Members/list of voices.ods", 48 * KB));
    files.add(MadeFile.of("how to read this disk.txt", 611));
    long length = (sectors - FIRST) / 256 * 256;
    DiskContent disk = DiskContent.withPartition(NTFS_OR_EXFAT, FIRST, length);
    ExfatVolume.put(disk, FIRST, length, "CHOIR", files);
    return disk.zeroed(FIRST * 512, 4 * 512);
  }

  static DiskContent anyOwner(long sectors) {
    List<MadeFile> files = new ArrayList<>(system());
    for (int i = 1; i <= 12; i++) {
      files.add(
          MadeFile.of("Users/owner/Documents/letter %02d.odt".formatted(i), 30 * KB + i * 91));
    }
    return ntfs(sectors, files);
  }

  private static List<MadeFile> system() {
    List<MadeFile> files = new ArrayList<>();
    for (int i = 1; i <= 30; i++) {
      files.add(MadeFile.of("Core/modules/part%02d.mod".formatted(i), 700 * KB + i * 3_000));
    }
    files.add(MadeFile.of("Core/start.bin", 4 * MB));
    return files;
  }

  private static DiskContent ntfs(long sectors, List<MadeFile> files) {
    long length = (sectors - FIRST) / SECTORS_PER_CLUSTER * SECTORS_PER_CLUSTER;
    DiskContent disk = DiskContent.withPartition(NTFS_OR_EXFAT, FIRST, length);
    NtfsVolume.put(disk, FIRST, length, files);
    return disk;
  }
}

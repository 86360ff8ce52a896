package tekmerion.sim.disk;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;

/**
 * Lays out an exFAT volume: every file in one piece.
 *
 * @see "Microsoft, exFAT file system specification (2019), sections 3 to 7"
 */
public final class ExfatVolume {
  private static final int SECTOR = 512;
  private static final int SECTORS_PER_CLUSTER_SHIFT = 8; // 128 KiB
  private static final int CLUSTER = SECTOR << SECTORS_PER_CLUSTER_SHIFT;
  private static final int FAT_AT = 128;
  private static final int BOOT_SECTORS = 12;

  private final DiskContent disk;
  private final long start;
  private final long sectors;
  private final long heapAt;
  private final int clusters;
  private final BitSet used = new BitSet();
  private int next = 2;

  private ExfatVolume(DiskContent disk, long firstSector, long sectors) {
    this.disk = disk;
    this.start = firstSector * SECTOR;
    this.sectors = sectors;
    long fatSectors = ((sectors >> SECTORS_PER_CLUSTER_SHIFT) * 4 + SECTOR - 1) / SECTOR + 1;
    this.heapAt = (FAT_AT + fatSectors + 255) / 256 * 256;
    this.clusters = (int) (sectors - heapAt >> SECTORS_PER_CLUSTER_SHIFT);
  }

  /** Puts a volume with these files on a disk. */
  public static void put(
      DiskContent disk, long firstSector, long sectors, String label, List<MadeFile> files) {
    new ExfatVolume(disk, firstSector, sectors).lay(label, files);
  }

  private void lay(String label, List<MadeFile> files) {
    int bitmapBytes = (clusters + 7) / 8;
    int bitmap = take((bitmapBytes + CLUSTER - 1) / CLUSTER);
    int root = take(1);
    ByteBuffer entries = ByteBuffer.allocate(CLUSTER).order(ByteOrder.LITTLE_ENDIAN);
    entries.put((byte) 0x83).put((byte) label.length());
    entries.put(label.getBytes(StandardCharsets.UTF_16LE)).position(32);
    entries.put(32, (byte) 0x81).putInt(32 + 20, bitmap).putLong(32 + 24, bitmapBytes);
    entries.position(64).put(folder(files, ""));
    disk.put(at(root), Arrays.copyOf(entries.array(), entries.position()));
    byte[] bits = used.toByteArray();
    disk.put(at(bitmap), bits); // what is behind is free, and zero
    ByteBuffer fat = ByteBuffer.allocate(4 * (root + 1)).order(ByteOrder.LITTLE_ENDIAN);
    fat.putInt(0xFFFF_FFF8).putInt(-1);
    for (int n = bitmap; n <= root; n++) {
      fat.putInt(n == root - 1 || n == root ? -1 : n + 1);
    }
    disk.put(start + FAT_AT * SECTOR, fat.array());
    boot(root);
  }

  private int take(int count) {
    int first = next;
    used.set(first - 2, first - 2 + count);
    next += count;
    return first;
  }

  private long at(int cluster) {
    return start + heapAt * SECTOR + (long) (cluster - 2) * CLUSTER;
  }

  private byte[] folder(List<MadeFile> files, String path) {
    ByteBuffer out = ByteBuffer.allocate(CLUSTER);
    List<String> seen = new ArrayList<>();
    for (MadeFile file : files) {
      String rest = file.path().startsWith(path) ? file.path().substring(path.length()) : "";
      String name = rest.contains("/") ? rest.substring(0, rest.indexOf('/')) : rest;
      if (name.isEmpty() || seen.contains(name)) {
        continue;
      }
      seen.add(name);
      if (name.equals(rest)) {
        int count = (file.bytes() + CLUSTER - 1) / CLUSTER;
        int first = file.at() < 0 ? take(count) : fixed(file, count);
        disk.body(at(first), file);
        out.put(set(name, 0x20, first, file.bytes()));
      } else {
        int first = take(1);
        disk.put(at(first), folder(files, path + name + "/"));
        out.put(set(name, 0x10, first, CLUSTER));
      }
    }
    return Arrays.copyOf(out.array(), out.position());
  }

  private int fixed(MadeFile file, int count) {
    int first = (int) file.at();
    used.set(first - 2, first - 2 + count);
    return first;
  }

  private static byte[] set(String name, int attributes, int first, long length) {
    int names = (name.length() + 14) / 15;
    ByteBuffer s = ByteBuffer.allocate(32 * (2 + names)).order(ByteOrder.LITTLE_ENDIAN);
    s.put((byte) 0x85).put((byte) (1 + names)).putShort(4, (short) attributes);
    s.putInt(12, (46 << 9 | 9 << 5 | 14) << 16 | 17 << 11);
    s.put(32, (byte) 0xC0).put(33, (byte) 3).put(35, (byte) name.length());
    s.putLong(40, length).putInt(52, first).putLong(56, length);
    for (int i = 0; i < names; i++) {
      s.put(64 + 32 * i, (byte) 0xC1).position(66 + 32 * i);
      String piece = name.substring(15 * i, Math.min(name.length(), 15 * i + 15));
      s.put(piece.getBytes(StandardCharsets.UTF_16LE));
    }
    int sum = 0;
    for (int i = 0; i < s.capacity(); i++) {
      sum = i == 2 || i == 3 ? sum : (sum << 15 | sum >> 1) + (s.get(i) & 0xFF) & 0xFFFF;
    }
    return s.putShort(2, (short) sum).array();
  }

  /** Twelve sectors, the last one full of their sum; then the same again. */
  private void boot(int root) {
    ByteBuffer b = ByteBuffer.allocate(BOOT_SECTORS * SECTOR).order(ByteOrder.LITTLE_ENDIAN);
    b.put(new byte[] {(byte) 0xEB, 0x76, (byte) 0x90});
    b.put("EXFAT   ".getBytes(StandardCharsets.US_ASCII));
    b.putLong(64, start / SECTOR).putLong(72, sectors).putInt(80, FAT_AT);
    b.putInt(84, (int) (heapAt - FAT_AT)).putInt(88, (int) heapAt).putInt(92, clusters);
    b.putInt(96, root).putInt(100, 0x5C0A_E2D1).putShort(104, (short) 0x100);
    b.put(108, (byte) 9).put(109, (byte) SECTORS_PER_CLUSTER_SHIFT).put(110, (byte) 1);
    b.put(111, (byte) 0x80).put(112, (byte) (used.cardinality() * 100L / clusters));
    b.putShort(510, (short) 0xAA55);
    for (int i = 1; i <= 8; i++) {
      b.putInt((i + 1) * SECTOR - 4, 0xAA55_0000);
    }
    int sum = 0;
    for (int i = 0; i < 11 * SECTOR; i++) {
      sum = i == 106 || i == 107 || i == 112 ? sum : (sum << 31 | sum >>> 1) + (b.get(i) & 0xFF);
    }
    for (int i = 0; i < SECTOR; i += 4) {
      b.putInt(11 * SECTOR + i, sum);
    }
    disk.put(start, b.array());
    disk.put(start + BOOT_SECTORS * SECTOR, b.array().clone());
  }
}

package tekmerion.sim.disk;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Lays out an NTFS volume as far as its table of files: who reads it by its indexes finds none.
 *
 * @see "the Linux kernel's fs/ntfs3/ntfs.h: NTFS_BOOT, MFT_REC, ATTRIB, ATTR_FILE_NAME"
 */
public final class NtfsVolume {
  private static final int SECTOR = 512;
  private static final int CLUSTER = 4096;
  private static final int RECORD = 1024;
  private static final long TABLE_AT = 4;
  private static final int FIRST_OF_USERS = 24;
  private static final int ROOT = 5;

  /** 2026-09-14 in units of 100 ns since 1601. */
  private static final long WRITTEN = 134_338_176_000_000_000L;

  private final DiskContent disk;
  private final long start;
  private final long sectors;
  private final Map<String, Integer> numbers = new LinkedHashMap<>();
  private final List<byte[]> records = new ArrayList<>();
  private long next;

  private NtfsVolume(DiskContent disk, long firstSector, long sectors) {
    this.disk = disk;
    this.start = firstSector * SECTOR;
    this.sectors = sectors;
  }

  /** Puts a volume with these files on a disk; a file's place is in clusters of 4,096 bytes. */
  public static void put(DiskContent disk, long firstSector, long sectors, List<MadeFile> files) {
    new NtfsVolume(disk, firstSector, sectors).lay(files);
  }

  private void lay(List<MadeFile> files) {
    numbers.put("", ROOT);
    for (MadeFile file : files) {
      folders(file.path());
      numbers.put(file.path(), FIRST_OF_USERS + numbers.size() - 1);
    }
    int count = FIRST_OF_USERS + numbers.size() - 1;
    long tableClusters = ((long) count * RECORD + CLUSTER - 1) / CLUSTER;
    next = TABLE_AT + tableClusters + 1;
    long bitmapAt = TABLE_AT + tableClusters;
    for (int n = 0; n < FIRST_OF_USERS; n++) {
      records.add(own(n, tableClusters, (long) count * RECORD, bitmapAt));
    }
    numbers.forEach(
        (path, number) -> {
          if (number >= FIRST_OF_USERS) {
            records.add(record(path, number, files));
          }
        });
    byte[] table = new byte[count * RECORD];
    for (int n = 0; n < count; n++) {
      System.arraycopy(records.get(n), 0, table, n * RECORD, RECORD);
    }
    disk.put(start + TABLE_AT * CLUSTER, table);
    byte[] bits = new byte[(count + 63) / 64 * 8];
    for (int n = 0; n < count; n++) {
      bits[n / 8] |= (byte) (n < FIRST_OF_USERS && n > 11 ? 0 : 1 << n % 8);
    }
    disk.put(start + bitmapAt * CLUSTER, bits);
    long mirror = sectors * SECTOR / CLUSTER / 2;
    disk.put(start + mirror * CLUSTER, Arrays.copyOf(table, 4 * RECORD));
    ByteBuffer b = little(SECTOR);
    b.put(new byte[] {(byte) 0xEB, 0x52, (byte) 0x90});
    b.put("NTFS    ".getBytes(StandardCharsets.US_ASCII));
    b.putShort(11, (short) SECTOR).put(13, (byte) (CLUSTER / SECTOR)).put(21, (byte) 0xF8);
    b.putLong(40, sectors - 1).putLong(48, TABLE_AT).putLong(56, mirror);
    b.put(64, (byte) -10).put(68, (byte) 1).putLong(72, 0x4C1D_77A0_93E2_0B58L);
    b.putShort(510, (short) 0xAA55);
    disk.put(start, b.array());
    disk.put(start + (sectors - 1) * SECTOR, b.array().clone());
  }

  private void folders(String path) {
    for (int at = path.indexOf('/'); at >= 0; at = path.indexOf('/', at + 1)) {
      numbers.putIfAbsent(path.substring(0, at), FIRST_OF_USERS + numbers.size() - 1);
    }
  }

  private byte[] own(int number, long tableClusters, long bytes, long bitmapAt) {
    Record r = new Record(number, number <= 11 ? (number == ROOT ? 3 : 1) : 0);
    if (number <= 11) {
      r.name(number == ROOT ? "." : "$" + number, ROOT);
    }
    if (number == 0) {
      r.runs(0x80, TABLE_AT, tableClusters, bytes);
      r.runs(0xB0, bitmapAt, 1, (bytes / RECORD + 63) / 64 * 8);
    }
    return r.done();
  }

  private byte[] record(String path, int number, List<MadeFile> files) {
    MadeFile file = files.stream().filter(f -> f.path().equals(path)).findFirst().orElse(null);
    int slash = path.lastIndexOf('/');
    Record r = new Record(number, file == null ? 3 : 1);
    r.name(path.substring(slash + 1), numbers.get(slash < 0 ? "" : path.substring(0, slash)));
    if (file != null) {
      long clusters = (file.bytes() + CLUSTER - 1L) / CLUSTER;
      long at = file.at() < 0 ? next : file.at();
      next = file.at() < 0 ? next + clusters : next;
      disk.body(start + at * CLUSTER, file);
      r.runs(0x80, at, clusters, file.bytes());
    }
    return r.done();
  }

  private static ByteBuffer little(int bytes) {
    return ByteBuffer.allocate(bytes).order(ByteOrder.LITTLE_ENDIAN);
  }

  /** One record while it is written. */
  private static final class Record {
    private final ByteBuffer b = little(RECORD);
    private int at = 56;

    Record(int number, int flags) {
      b.put("FILE".getBytes(StandardCharsets.US_ASCII));
      b.putShort(4, (short) 48).putShort(6, (short) 3).putShort(16, (short) 1);
      b.putShort(20, (short) at).putShort(22, (short) flags).putInt(28, RECORD);
      b.putInt(44, number);
    }

    void name(String name, int parent) {
      byte[] text = name.getBytes(StandardCharsets.UTF_16LE);
      int length = (24 + 66 + text.length + 7) / 8 * 8;
      b.putInt(at, 0x30).putInt(at + 4, length).putInt(at + 16, 66 + text.length);
      b.putShort(at + 20, (short) 24);
      int in = at + 24;
      b.putLong(in, parent | 1L << 48);
      for (int i = 0; i < 4; i++) {
        b.putLong(in + 8 + 8 * i, WRITTEN);
      }
      b.put(in + 64, (byte) name.length()).put(in + 65, (byte) 1);
      b.position(in + 66);
      b.put(text);
      at += length;
    }

    void runs(int type, long cluster, long clusters, long bytes) {
      b.putInt(at, type).putInt(at + 4, 80).put(at + 8, (byte) 1);
      b.putLong(at + 24, clusters - 1).putShort(at + 32, (short) 64);
      b.putLong(at + 40, clusters * CLUSTER).putLong(at + 48, bytes).putLong(at + 56, bytes);
      if (clusters > 0) {
        // Four bytes of length, six of place.
        b.put(at + 64, (byte) 0x64).putInt(at + 65, (int) clusters);
        b.putInt(at + 69, (int) cluster).putShort(at + 73, (short) (cluster >> 32));
      }
      at += 80;
    }

    byte[] done() {
      b.putInt(at, -1).putInt(24, at + 8);
      // The last two bytes of each sector go to the front; a number stands in their place.
      b.putShort(48, (short) 1);
      for (int i = 1; i <= 2; i++) {
        b.putShort(48 + 2 * i, b.getShort(i * SECTOR - 2)).putShort(i * SECTOR - 2, (short) 1);
      }
      return b.array();
    }
  }
}

package tekmerion.sim.disk;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Arrays;
import java.util.Map;
import java.util.TreeMap;

/** What is on a disk, by place; what nothing was put on is zero. */
public final class DiskContent {
  private static final int SECTOR = 512;
  private static final int MUCH = 1 << 20;

  private final TreeMap<Long, byte[]> pieces = new TreeMap<>();
  private final TreeMap<Long, MadeFile> bodies = new TreeMap<>();
  private int longest;

  /** First byte and the one after the last of what was written over with zeros; none touch. */
  private final TreeMap<Long, Long> zeroed = new TreeMap<>();

  /** Sectors that were written after all that. */
  private final TreeMap<Long, byte[]> written = new TreeMap<>();

  /** One partition in a table of the old kind. */
  public static DiskContent withPartition(int type, long firstSector, long sectors) {
    ByteBuffer table = ByteBuffer.allocate(SECTOR).order(ByteOrder.LITTLE_ENDIAN);
    table.put(446 + 4, (byte) type);
    table.putInt(446 + 8, (int) firstSector);
    table.putInt(446 + 12, (int) Math.min(0xFFFF_FFFFL, sectors));
    table.putShort(510, (short) 0xAA55);
    DiskContent content = new DiskContent();
    content.put(0, table.array());
    return content;
  }

  void put(long offset, byte[] bytes) {
    pieces.put(offset, bytes);
    longest = Math.max(longest, bytes.length);
  }

  void body(long offset, MadeFile file) {
    bodies.put(offset, file);
  }

  /** As if it had been written over. */
  public DiskContent zeroed(long offset, int length) {
    put(offset, new byte[length]);
    return this;
  }

  /**
   * A few sectors are kept as they are. Of more than that only zeros are taken, and one byte is
   * looked at in each block of 4,096, or a terabyte would take minutes.
   *
   * @throws IOException if it is much and anything but zeros
   */
  public synchronized void write(long offset, byte[] bytes) throws IOException {
    if (bytes.length < MUCH) {
      for (int i = 0; i < bytes.length; i += SECTOR) {
        written.put(offset + i, Arrays.copyOfRange(bytes, i, i + SECTOR));
      }
      return;
    }
    for (int i = 0; i < bytes.length; i += 4096) {
      if (bytes[i] != 0) {
        throw new IOException("the simulated disk takes only zeros in such an amount");
      }
    }
    written.subMap(offset, offset + bytes.length).clear();
    long from = offset;
    long to = offset + bytes.length;
    Map.Entry<Long, Long> before = zeroed.floorEntry(from);
    if (before != null && before.getValue() >= from) {
      from = before.getKey();
      to = Math.max(to, before.getValue());
    }
    zeroed.put(from, to);
  }

  /** Of any place. */
  public synchronized byte[] read(long offset, int length) {
    byte[] into = new byte[length];
    Map.Entry<Long, MadeFile> before = bodies.floorEntry(offset);
    long from = before == null ? offset : before.getKey();
    bodies.subMap(from, offset + length).forEach((at, file) -> body(at, file, offset, into));
    // None begins more than the longest one before what it reaches into.
    pieces
        .subMap(offset - longest, offset + length)
        .forEach((at, bytes) -> overlay(at, bytes, offset, into));
    zeroed.headMap(offset + length).forEach((begin, end) -> zero(begin, end, offset, into));
    written
        .subMap(offset - SECTOR + 1, offset + length)
        .forEach((at, sector) -> overlay(at, sector, offset, into));
    return into;
  }

  private static void body(long at, MadeFile file, long offset, byte[] into) {
    long begin = Math.max(at, offset);
    long end = Math.min(at + file.bytes(), offset + into.length);
    if (begin < end) {
      file.fill(begin - at, into, (int) (begin - offset), (int) (end - begin));
    }
  }

  private static void zero(long begin, long end, long offset, byte[] into) {
    int from = (int) Math.max(0, begin - offset);
    int to = (int) Math.max(0, Math.min(into.length, end - offset));
    if (from < to) {
      Arrays.fill(into, from, to, (byte) 0);
    }
  }

  private static void overlay(long at, byte[] bytes, long offset, byte[] into) {
    long begin = Math.max(at, offset);
    long end = Math.min(at + bytes.length, offset + into.length);
    if (begin < end) {
      byte[] part = Arrays.copyOfRange(bytes, (int) (begin - at), (int) (end - at));
      System.arraycopy(part, 0, into, (int) (begin - offset), part.length);
    }
  }
}

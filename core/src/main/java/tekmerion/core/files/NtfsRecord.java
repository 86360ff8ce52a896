package tekmerion.core.files;

import static tekmerion.words.Words.say;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import tekmerion.core.page.RawPage;

/**
 * One record of NTFS's table of files, with what its extension records add.
 *
 * @see "the Linux kernel's fs/ntfs3/ntfs.h: MFT_REC, ATTRIB, ATTR_FILE_NAME"
 */
final class NtfsRecord {
  private static final int STRIDE = 512;
  private static final int FILE_NAME = 0x30;
  private static final int DATA = 0x80;
  private static final int BITMAP = 0xB0;
  private static final int DOS_NAME = 2;
  private static final int COMPRESSED = 1;
  private static final int ENCRYPTED = 0x4000;
  private static final long MAX_RUNS = 1_000_000;

  /** 1601-01-01 to 1970-01-01 in units of 100 ns. */
  private static final long EPOCH = 116_444_736_000_000_000L;

  private final int sequence;
  private final boolean inUse;
  private final boolean folder;
  private final long base;
  private String name = "";
  private long parent = -1;
  private int parentSequence;
  private boolean shortOnly;
  private Optional<Instant> modified = Optional.empty();
  private Optional<RawPage> inside = Optional.empty();
  private final TreeMap<Long, List<Run>> data = new TreeMap<>();
  private final TreeMap<Long, List<Run>> bitmap = new TreeMap<>();
  private long bytes;
  private long initialised;
  private int dataFlags;
  private boolean damaged;

  /**
   * @param cluster where it lies; −1 for a hole
   * @param clusters how many
   */
  record Run(long cluster, long clusters) {}

  private NtfsRecord(int sequence, int flags, long base) {
    this.sequence = sequence;
    this.inUse = (flags & 1) != 0;
    this.folder = (flags & 2) != 0;
    this.base = base;
  }

  /** Empty if it is none, or one of its sectors was not written with the others. */
  static Optional<NtfsRecord> of(RawPage raw) {
    return fixed(raw).map(NtfsRecord::parse);
  }

  /** Puts back the two bytes of each sector that guard it. */
  private static Optional<RawPage> fixed(RawPage raw) {
    byte[] bytes = raw.bytes();
    if (!new String(bytes, 0, 4, StandardCharsets.US_ASCII).equals("FILE")) {
      return Optional.empty();
    }
    int at = raw.u16(4);
    int count = raw.u16(6);
    if (count < 2 || (count - 1) * STRIDE > bytes.length || at + 2 * count > bytes.length) {
      return Optional.empty();
    }
    for (int i = 1; i < count; i++) {
      int end = i * STRIDE - 2;
      if (raw.u16(end) != raw.u16(at)) {
        return Optional.empty();
      }
      bytes[end] = bytes[at + 2 * i];
      bytes[end + 1] = bytes[at + 2 * i + 1];
    }
    return Optional.of(new RawPage(bytes));
  }

  private static NtfsRecord parse(RawPage p) {
    NtfsRecord record =
        new NtfsRecord(p.u16(16), p.u16(22), p.u16(38) == 0 ? -1 : p.unsignedLe(32, 6));
    int at = p.u16(20);
    while (at + 24 <= p.size() && p.unsignedLe(at, 4) != 0xFFFF_FFFFL) {
      long length = p.unsignedLe(at + 4, 4);
      if (length < 24 || at + length > p.size()) {
        record.damaged = true;
        break;
      }
      try {
        record.attribute(p, at, (int) length);
      } catch (IndexOutOfBoundsException e) {
        record.damaged = true; // it points out of its record
      }
      at += (int) length;
    }
    return record;
  }

  private void attribute(RawPage p, int at, int length) {
    int type = (int) p.unsignedLe(at, 4);
    boolean elsewhere = p.u8(at + 8) != 0;
    if (type == FILE_NAME && !elsewhere) {
      fileName(p, at + p.u16(at + 20));
    } else if (type == DATA && p.u8(at + 9) == 0) {
      dataFlags |= p.u16(at + 12);
      if (elsewhere) {
        runs(p, at, length, data);
      } else {
        bytes = p.unsignedLe(at + 16, 4);
        int from = at + p.u16(at + 20);
        inside =
            Optional.of(
                new RawPage(Arrays.copyOfRange(p.bytes(), from, Math.toIntExact(from + bytes))));
      }
    } else if (type == BITMAP && elsewhere) {
      runs(p, at, length, bitmap);
    }
  }

  /** The longest of its names: the short one of eight and three is there for old programs. */
  private void fileName(RawPage p, int at) {
    if (p.u8(at + 65) == DOS_NAME && !name.isEmpty()) {
      return;
    }
    if (name.isEmpty() || shortOnly) {
      name = new String(p.bytes(), at + 66, 2 * p.u8(at + 64), StandardCharsets.UTF_16LE);
      parent = p.unsignedLe(at, 6);
      parentSequence = p.u16(at + 6);
      shortOnly = p.u8(at + 65) == DOS_NAME;
      modified =
          p.u8(at + 23) > 0x7F
              ? Optional.empty()
              : Optional.of(
                  Instant.ofEpochSecond(
                      Math.floorDiv(
                          p.unsignedLe(at + 16, 7) + ((long) p.u8(at + 23) << 56) - EPOCH,
                          10_000_000L)));
    }
  }

  private void runs(RawPage p, int at, int length, TreeMap<Long, List<Run>> into) {
    long firstCluster = p.unsignedLe(at + 16, 7);
    if (firstCluster == 0 && into == data) {
      bytes = p.unsignedLe(at + 48, 7);
      initialised = p.unsignedLe(at + 56, 7);
    }
    List<Run> runs = new ArrayList<>();
    long cluster = 0;
    int i = at + p.u16(at + 32);
    while (i < at + length && p.u8(i) != 0 && runs.size() < MAX_RUNS) {
      int lengthBytes = p.u8(i) & 15;
      int offsetBytes = p.u8(i) >> 4;
      if (lengthBytes < 1 || lengthBytes > 7 || offsetBytes > 7) {
        damaged = true;
        break;
      }
      long clusters = p.unsignedLe(i + 1, lengthBytes);
      if (offsetBytes == 0) {
        runs.add(new Run(-1, clusters));
      } else {
        long step = p.unsignedLe(i + 1 + lengthBytes, offsetBytes);
        long finding = 1L << 8 * offsetBytes - 1;
        cluster += (step ^ finding) - finding;
        runs.add(new Run(cluster, clusters));
      }
      i += 1 + lengthBytes + offsetBytes;
    }
    into.put(firstCluster, runs);
  }

  /** What another record says of the same file. */
  void add(NtfsRecord extension) {
    if (!extension.name.isEmpty() && (name.isEmpty() || shortOnly)) {
      name = extension.name;
      parent = extension.parent;
      parentSequence = extension.parentSequence;
      modified = extension.modified;
      shortOnly = extension.shortOnly;
    }
    if (extension.data.containsKey(0L)) {
      bytes = extension.bytes;
      initialised = extension.initialised;
    }
    data.putAll(extension.data);
    bitmap.putAll(extension.bitmap);
    inside = inside.or(() -> extension.inside);
    dataFlags |= extension.dataFlags;
    damaged |= extension.damaged;
  }

  boolean isInUse() {
    return inUse;
  }

  boolean isFolder() {
    return folder;
  }

  /** Number of the record that this one adds to; −1 if it stands for itself. */
  long base() {
    return base;
  }

  int sequence() {
    return sequence;
  }

  String name() {
    return name;
  }

  long parent() {
    return parent;
  }

  int parentSequence() {
    return parentSequence;
  }

  Optional<Instant> modified() {
    return modified;
  }

  Optional<RawPage> inside() {
    return inside;
  }

  long bytes() {
    return bytes;
  }

  /** What is behind it within the file is zero, whatever the clusters hold. */
  long initialised() {
    return initialised;
  }

  boolean isDamaged() {
    return damaged;
  }

  Optional<String> unreadableHere() {
    return (dataFlags & ENCRYPTED) != 0
        ? Optional.of(say("files.it-is-encrypted"))
        : (dataFlags & 0xFF) == COMPRESSED
            ? Optional.of(say("files.its-file-system-keeps-it-compressed"))
            : Optional.empty();
  }

  /** Empty if a stretch of it is missing. */
  Optional<List<Run>> data() {
    return joined(data);
  }

  Optional<List<Run>> bitmap() {
    return joined(bitmap);
  }

  private static Optional<List<Run>> joined(TreeMap<Long, List<Run>> parts) {
    List<Run> all = new ArrayList<>();
    long at = 0;
    for (var part : parts.entrySet()) {
      if (part.getKey() != at) {
        return Optional.empty();
      }
      all.addAll(part.getValue());
      at += part.getValue().stream().mapToLong(Run::clusters).sum();
    }
    return Optional.of(all);
  }
}

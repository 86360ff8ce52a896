package tekmerion.core.files;

import static tekmerion.words.Words.say;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import tekmerion.core.files.NtfsRecord.Run;
import tekmerion.core.page.RawPage;
import tekmerion.core.survey.Window;

/**
 * NTFS: every record of its table of files; names and folders by what each record says of itself,
 * so that no lost index loses a file. Where the table's own record is lost, its mirror tells where
 * the table lies; where that is lost too, records are looked for everywhere.
 *
 * @see "the Linux kernel's fs/ntfs3/ntfs.h: NTFS_BOOT, MFT_REC, ATTRIB"
 */
final class NtfsFiles {
  private static final int SECTOR = 512;
  private static final int ROOT = 5;
  private static final int EXTEND = 11;
  private static final int MIRRORED = 4;

  /** Records below are the file system's own, but the root. */
  private static final int FIRST_OF_USERS = 16;

  private static final int MAX_DEPTH = 255;

  /** How much longer than its volume a file with holes is believed to be. */
  private static final long MAX_TIMES = 1_000;

  private final Window w;
  private final Found found;
  private final Map<Long, NtfsRecord> records = new TreeMap<>();
  private final Map<Long, String> paths = new HashMap<>();
  private long clusterBytes;
  private int recordBytes;

  NtfsFiles(Window w, Found found) {
    this.w = w;
    this.found = found;
  }

  void walk() {
    Optional<RawPage> boot = boot(0).or(() -> boot(w.size() / SECTOR * SECTOR - SECTOR));
    if (boot.isEmpty()) {
      found.trouble(say("files.the-boot-sector-and-its-copy"));
      return;
    }
    RawPage p = boot.get();
    clusterBytes = (long) p.u16(11) * power(p.u8(13));
    recordBytes = p.u8(64) > 127 ? 1 << 256 - p.u8(64) : (int) (p.u8(64) * clusterBytes);
    long table = p.unsignedLe(48, 7) * clusterBytes;
    long mirror = p.unsignedLe(56, 7) * clusterBytes;
    Optional<NtfsRecord> first = record(table);
    if (first.isEmpty()) {
      first = record(mirror);
      found.trouble(say("files.the-first-record-of-the-table"));
    }
    if (first.filter(r -> !r.data().orElse(List.of()).isEmpty()).isPresent()) {
      readTable(first.get(), mirror);
    } else {
      found.trouble(say("files.where-the-table-lies-is-lost"));
      searchRecords();
    }
    merge();
    records.forEach(this::list);
  }

  private static int power(int sectors) {
    return sectors > 128 ? 1 << Math.min(24, 256 - sectors) : Math.max(1, sectors);
  }

  private Optional<RawPage> boot(long at) {
    return w.at(at, SECTOR)
        .filter(
            p ->
                new String(p.bytes(), 3, 8, StandardCharsets.US_ASCII).equals("NTFS    ")
                    && p.u16(510) == 0xAA55
                    && p.u16(11) >= 256
                    && Integer.bitCount(p.u16(11)) == 1
                    && (p.u8(64) >= 1 && p.u8(64) <= 16 || p.u8(64) >= 240 && p.u8(64) <= 247));
  }

  private Optional<NtfsRecord> record(long at) {
    return w.at(at, recordBytes).flatMap(NtfsRecord::of);
  }

  /** Extension records of the table itself tell where more of it lies; they come early in it. */
  private void readTable(NtfsRecord table, long mirror) {
    long lost = 0;
    records.put(0L, table);
    for (long n = 1; n < Math.min(table.bytes() / recordBytes, FileList.MAX); n++) {
      Optional<NtfsRecord> record =
          place(table.data().orElse(List.of()), n * recordBytes).flatMap(this::record);
      if (record.isEmpty() && n < MIRRORED) {
        record = record(mirror + n * recordBytes);
      }
      if (record.isEmpty()) {
        lost += isUsed(table.bitmap(), n) ? 1 : 0;
      } else if (record.get().base() == 0 && record.get().isInUse()) {
        table.add(record.get());
      } else {
        records.put(n, record.get());
      }
    }
    if (lost > 0) {
      found.trouble(say("files.records-of-the-table-are-lost", "lost", lost));
    }
  }

  /** Unless the bitmap says that it is free. */
  private boolean isUsed(Optional<List<Run>> bitmap, long record) {
    return bitmap
        .flatMap(runs -> place(runs, record / 8))
        .flatMap(at -> w.at(at, 1))
        .map(b -> (b.u8(0) >> record % 8 & 1) != 0)
        .orElse(true);
  }

  /** Where a byte of runs lies in the volume. */
  private Optional<Long> place(List<Run> runs, long byteOffset) {
    long start = 0;
    for (Run run : runs) {
      long bytes = run.clusters() * clusterBytes;
      if (byteOffset < start + bytes) {
        return run.cluster() < 0
            ? Optional.empty()
            : Optional.of(run.cluster() * clusterBytes + byteOffset - start);
      }
      start += bytes;
    }
    return Optional.empty();
  }

  private void searchRecords() {
    for (long at = 0; at + recordBytes <= w.size(); at += recordBytes) {
      Optional<RawPage> page = w.at(at, recordBytes);
      Optional<NtfsRecord> record = page.flatMap(NtfsRecord::of);
      if (record.isPresent()) {
        // The mirror comes after the table, or before it: either says the same.
        records.putIfAbsent(page.get().unsignedLe(44, 4), record.get());
      }
    }
  }

  private void merge() {
    records.forEach(
        (n, r) -> {
          NtfsRecord base = r.base() < 0 ? null : records.get(r.base());
          if (base != null && r.isInUse()) {
            base.add(r);
          }
        });
  }

  private void list(long number, NtfsRecord r) {
    if (!r.isInUse() || r.base() >= 0 || number < FIRST_OF_USERS || r.name().isEmpty()) {
      return;
    }
    Optional<String> path = path(number, r, 0);
    if (path.isEmpty()) {
      return;
    }
    if (r.isFolder()) {
      if (paths.putIfAbsent(-number, path.get()) == null) {
        found.add(FoundFile.folder(path.get(), r.modified()));
      }
      return;
    }
    found.add(file(path.get(), r));
  }

  /** Empty if it is the file system's own. */
  private Optional<String> path(long number, NtfsRecord r, int depth) {
    String known = paths.get(number);
    if (known != null) {
      return Optional.of(known);
    }
    if (r.parent() == EXTEND) {
      return Optional.empty();
    }
    String path;
    NtfsRecord parent = records.get(r.parent());
    if (r.parent() == ROOT) {
      path = Found.join("", r.name());
    } else if (parent == null
        || !parent.isFolder()
        || !parent.isInUse()
        || parent.sequence() != r.parentSequence()
        || depth > MAX_DEPTH) {
      path = Found.join(FileList.FOUND + "/folder-" + r.parent(), r.name());
    } else {
      Optional<String> above = path(r.parent(), parent, depth + 1);
      if (above.isEmpty()) {
        return Optional.empty();
      }
      path = Found.join(above.get(), r.name());
    }
    paths.put(number, path);
    return Optional.of(path);
  }

  private FoundFile file(String path, NtfsRecord r) {
    List<Piece> pieces = new ArrayList<>();
    Optional<List<Run>> runs = r.data();
    for (Run run : runs.orElse(List.of())) {
      if (run.clusters() > 0) {
        FoundFile.append(
            pieces,
            run.cluster() < 0 ? Piece.HOLE : w.start() + run.cluster() * clusterBytes,
            run.clusters() * clusterBytes);
      }
    }
    long written = Math.min(r.bytes(), r.initialised());
    List<Piece> cut = new ArrayList<>(FoundFile.cut(pieces, written));
    boolean possible = r.bytes() <= MAX_TIMES * w.size();
    if (r.inside().isEmpty() && r.bytes() > written && runs.isPresent() && possible) {
      FoundFile.append(cut, Piece.HOLE, r.bytes() - written);
    }
    Optional<String> trouble =
        r.unreadableHere()
            .or(
                () ->
                    runs.isEmpty() || r.isDamaged()
                        ? Optional.of(say("files.part-of-where-it-lies-is"))
                        : Optional.empty());
    return new FoundFile(path, false, r.bytes(), r.modified(), cut, r.inside(), trouble);
  }
}

package tekmerion.core.files;

import static tekmerion.words.Words.say;

import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import tekmerion.core.page.RawPage;
import tekmerion.core.survey.Content;
import tekmerion.core.survey.FatLayout;
import tekmerion.core.survey.Window;

/**
 * FAT12, FAT16, FAT32: folders from the root, chains by either copy of the table. Folders that
 * nothing leads to any more tell of themselves: the first entry of each names its own cluster.
 *
 * @see "Microsoft, FAT32 File System Specification 1.03 (2000)"
 */
final class FatFiles {
  private static final int ENTRY = 32;
  private static final int LONG_NAME = 0x0F;
  private static final int FOLDER = 0x10;
  private static final int LABEL = 0x08;

  private final Window w;
  private final Found found;
  private FatLayout layout;
  private final BitSet reached = new BitSet();
  private final Map<Long, String> folders = new HashMap<>();

  FatFiles(Window w, Found found) {
    this.w = w;
    this.found = found;
  }

  void walk() {
    Optional<FatLayout> of = FatLayout.of(w);
    if (of.isEmpty()) {
      found.trouble(say("files.the-boot-sector-and-its-copy"));
      return;
    }
    layout = of.get();
    folders.put(0L, "");
    if (layout.content() == Content.FAT32) {
      folders.put(layout.rootCluster(), "");
      folder("", chain(layout.rootCluster(), -1));
    } else {
      folder("", new Chain(List.of(new Piece(layout.rootStart(), layout.rootBytes())), false));
    }
    orphans();
  }

  /** Clusters in their order; {@code broken} if the table does not lead to their end. */
  private record Chain(List<Piece> pieces, boolean broken) {}

  /**
   * @param bytes how long the file says that it is; −1 for a folder, which ends where its chain
   *     does. Where a file's chain breaks, what follows is taken to lie right behind
   */
  private Chain chain(long first, long bytes) {
    List<Piece> pieces = new ArrayList<>();
    long wanted = bytes < 0 ? Long.MAX_VALUE : bytes;
    boolean broken = false;
    long cluster = first;
    for (long got = 0; got < wanted; got += layout.clusterBytes()) {
      if (!isCluster(cluster) || bytes < 0 && reached.get((int) cluster)) {
        broken = true;
        break;
      }
      reached.set((int) cluster);
      FoundFile.append(pieces, at(cluster), layout.clusterBytes());
      if (got + layout.clusterBytes() >= wanted) {
        break;
      }
      long next = next(cluster);
      if (next == END && bytes < 0) {
        break;
      }
      if (next == END || next == BROKEN) {
        broken = true;
        if (bytes < 0) {
          break;
        }
        next = cluster + 1;
      }
      cluster = next;
    }
    return new Chain(pieces, broken);
  }

  private static final long END = -1;
  private static final long BROKEN = -2;

  private boolean isCluster(long n) {
    return n >= 2 && n <= layout.clusters() + 1;
  }

  private long at(long cluster) {
    return layout.dataStart() + (cluster - 2) * layout.clusterBytes();
  }

  /** By the first table that says something possible. */
  private long next(long cluster) {
    for (int table = 0; table < layout.fats(); table++) {
      Optional<Long> value = value(table, cluster);
      if (value.isPresent() && (value.get() == END || isCluster(value.get()))) {
        return value.get();
      }
    }
    return BROKEN;
  }

  /** Empty if it cannot be read. */
  private Optional<Long> value(int table, long cluster) {
    long start = layout.fatStart() + table * layout.fatBytes();
    if (layout.content() == Content.FAT32) {
      return w.at(start + 4 * cluster, 4)
          .map(p -> p.unsignedLe(0, 4) & 0x0FFF_FFFF)
          .map(v -> v >= 0x0FFF_FFF8L ? END : v);
    }
    if (layout.content() == Content.FAT16) {
      return w.at(start + 2 * cluster, 2).map(p -> (long) p.u16(0)).map(v -> v >= 0xFFF8 ? END : v);
    }
    return w.at(start + cluster * 3 / 2, 2)
        .map(p -> (long) (cluster % 2 == 0 ? p.u16(0) & 0xFFF : p.u16(0) >> 4))
        .map(v -> v >= 0xFF8 ? END : v);
  }

  private void folder(String path, Chain chain) {
    if (chain.broken()) {
      found.trouble(say("files.the-folder-ends-too-early", "path", path));
    }
    LongName name = new LongName();
    int sector = layout.sectorBytes();
    for (Piece piece : chain.pieces()) {
      for (long at = piece.offset(); at < piece.offset() + piece.bytes(); at += sector) {
        Optional<RawPage> page = w.at(at, sector);
        if (page.isEmpty()) {
          found.trouble(say("files.a-sector-of-the-folder-cannot", "path", path));
          name.clear();
        } else {
          entries(path, page.get(), name);
        }
      }
    }
  }

  /** What follows the end mark in a sector was there once, and is not listed. */
  private void entries(String path, RawPage page, LongName name) {
    for (int at = 0; at + ENTRY <= page.size() && page.u8(at) != 0; at += ENTRY) {
      int attributes = page.u8(at + 11);
      if (page.u8(at) == 0xE5) {
        name.clear();
      } else if ((attributes & 0x3F) == LONG_NAME) {
        name.add(page, at);
      } else {
        Optional<String> whole = name.of(page, at);
        name.clear();
        if ((attributes & LABEL) == 0 && page.u8(at) != '.' && attributes < 0x40) {
          entry(path, page, at, whole.isPresent() ? whole.get() : shortName(page, at));
        }
      }
    }
  }

  private void entry(String folder, RawPage page, int at, String name) {
    long first = page.u16(at + 26);
    if (layout.content() == Content.FAT32) {
      first |= (long) (page.u16(at + 20) & 0x0FFF) << 16;
    }
    long bytes = page.unsignedLe(at + 28, 4);
    boolean isFolder = (page.u8(at + 11) & FOLDER) != 0;
    String path = Found.join(folder, name);
    Optional<Instant> modified = time(page.u16(at + 24), page.u16(at + 22));
    if (isFolder) {
      found.add(FoundFile.folder(path, modified));
      if (!isCluster(first)) {
        found.trouble(say("files.the-folder-lies-nowhere", "path", path));
      } else if (folders.putIfAbsent(first, path) == null) {
        folder(path, chain(first, -1));
      } else {
        found.trouble(say("files.the-folder-is-one-of-its", "path", path));
      }
    } else {
      Chain chain = bytes == 0 ? new Chain(List.of(), false) : chain(first, bytes);
      Optional<String> trouble =
          chain.broken()
              ? Optional.of(say("files.the-table-does-not-lead-to-2"))
              : Optional.empty();
      found.add(
          new FoundFile(
              path,
              false,
              bytes,
              modified,
              FoundFile.cut(onSource(chain.pieces()), bytes),
              Optional.empty(),
              trouble));
    }
  }

  private List<Piece> onSource(List<Piece> inVolume) {
    return inVolume.stream().map(p -> new Piece(w.start() + p.offset(), p.bytes())).toList();
  }

  private static String shortName(RawPage page, int at) {
    byte[] raw = page.bytes();
    if (raw[at] == 0x05) {
      raw[at] = (byte) 0xE5;
    }
    int cases = page.u8(at + 12);
    String base = new String(raw, at, 8, StandardCharsets.ISO_8859_1).stripTrailing();
    String extension = new String(raw, at + 8, 3, StandardCharsets.ISO_8859_1).stripTrailing();
    base = (cases & 0x08) != 0 ? base.toLowerCase(Locale.ROOT) : base;
    extension = (cases & 0x10) != 0 ? extension.toLowerCase(Locale.ROOT) : extension;
    return extension.isEmpty() ? base : base + "." + extension;
  }

  static Optional<Instant> time(int date, int time) {
    try {
      return Optional.of(
          LocalDateTime.of(
                  1980 + (date >> 9),
                  date >> 5 & 15,
                  date & 31,
                  time >> 11,
                  time >> 5 & 63,
                  (time & 31) * 2)
              .toInstant(ZoneOffset.UTC));
    } catch (DateTimeException e) {
      return Optional.empty();
    }
  }

  /** Clusters in use that nothing led to: which of them begin a folder, and whose it is. */
  private void orphans() {
    Map<Long, Long> parents = new TreeMap<>();
    for (long n = 2; n <= layout.clusters() + 1; n++) {
      if (!reached.get((int) n) && next(n) != BROKEN) {
        Optional<RawPage> head = w.at(at(n), 2 * ENTRY);
        if (head.isPresent() && cluster(head.get(), 0) == n && isDots(head.get())) {
          parents.put(n, cluster(head.get(), ENTRY));
        }
      }
    }
    parents.forEach(
        (n, parent) -> {
          if (!parents.containsKey(parent)) {
            orphan(n, folders.getOrDefault(parent, FileList.FOUND));
          }
        });
    // Whatever is left belongs to a ring of its own.
    parents.keySet().forEach(n -> orphan(n, FileList.FOUND));
  }

  private void orphan(long cluster, String parent) {
    if (!reached.get((int) cluster)) {
      String path = Found.join(parent, "folder-" + cluster);
      folders.put(cluster, path);
      found.trouble(say("files.the-entry-of-a-folder-is", "path", path));
      found.add(FoundFile.folder(path, Optional.empty()));
      folder(path, chain(cluster, -1));
    }
  }

  private static boolean isDots(RawPage head) {
    String dots = new String(head.bytes(), StandardCharsets.ISO_8859_1);
    return dots.startsWith(".          ")
        && dots.startsWith("..         ", ENTRY)
        && (head.u8(11) & FOLDER) != 0;
  }

  private long cluster(RawPage page, int at) {
    long low = page.u16(at + 26);
    return layout.content() == Content.FAT32
        ? low | (long) (page.u16(at + 20) & 0x0FFF) << 16
        : low;
  }

  /** The pieces of a long name that stand before its short one. */
  private static final class LongName {
    private final TreeMap<Integer, String> pieces = new TreeMap<>();
    private int checksum;

    void clear() {
      pieces.clear();
    }

    void add(RawPage page, int at) {
      int order = page.u8(at);
      if ((order & 0x40) != 0) {
        clear();
        checksum = page.u8(at + 13);
      }
      byte[] raw = page.bytes();
      String text =
          new String(raw, at + 1, 10, StandardCharsets.UTF_16LE)
              + new String(raw, at + 14, 12, StandardCharsets.UTF_16LE)
              + new String(raw, at + 28, 4, StandardCharsets.UTF_16LE);
      if (page.u8(at + 13) == checksum) {
        pieces.put(order & 0x1F, text);
      }
    }

    /** Empty if it is not whole, or belongs to another short name. */
    Optional<String> of(RawPage page, int at) {
      int sum = 0;
      for (int i = 0; i < 11; i++) {
        sum = ((sum & 1) << 7) + (sum >> 1) + page.u8(at + i) & 0xFF;
      }
      boolean whole =
          !pieces.isEmpty()
              && sum == checksum
              && pieces.firstKey() == 1
              && pieces.lastKey() == pieces.size();
      if (!whole) {
        return Optional.empty();
      }
      String text = String.join("", pieces.values());
      int zero = text.indexOf('\0');
      return Optional.of(zero < 0 ? text : text.substring(0, zero));
    }
  }
}

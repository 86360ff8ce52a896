package tekmerion.core.files;

import static tekmerion.words.Words.say;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import tekmerion.core.page.RawPage;
import tekmerion.core.survey.Window;

/**
 * exFAT: sets of entries, each under a checksum of its own, from the root. Folders that nothing
 * leads to are known by a whole set at their beginning.
 *
 * @see "Microsoft, exFAT file system specification (2019), sections 3, 4, 6 and 7"
 */
final class ExfatFiles {
  private static final int ENTRY = 32;
  private static final int SECTOR = 512;
  private static final int BACKUP_SECTORS = 12;
  private static final int FILE = 0x85;
  private static final int STREAM = 0xC0;
  private static final int NAME = 0xC1;
  private static final int BITMAP = 0x81;
  private static final int FOLDER = 0x10;
  private static final int NO_CHAIN = 2;

  /** Section 7.4: a folder is no longer than this. */
  private static final long MAX_FOLDER_BYTES = 256L << 20;

  private final Window w;
  private final Found found;
  private final BitSet reached = new BitSet();
  private Optional<BitSet> inUse = Optional.empty();
  private long fatStart;
  private long heapStart;
  private long clusters;
  private long clusterBytes;
  private int sectorBytes;

  ExfatFiles(Window w, Found found) {
    this.w = w;
    this.found = found;
  }

  void walk() {
    Optional<RawPage> boot = boot(0);
    for (int sector = SECTOR; boot.isEmpty() && sector <= 4096; sector *= 2) {
      boot = boot((long) BACKUP_SECTORS * sector);
    }
    if (boot.isEmpty()) {
      found.trouble(say("files.the-boot-sector-and-its-copy"));
      return;
    }
    RawPage p = boot.get();
    sectorBytes = 1 << p.u8(108);
    clusterBytes = (long) sectorBytes << p.u8(109);
    fatStart = p.unsignedLe(80, 4) * sectorBytes;
    heapStart = p.unsignedLe(88, 4) * sectorBytes;
    clusters = p.unsignedLe(92, 4);
    folder("", chain(p.unsignedLe(96, 4), -1, false));
    orphans();
  }

  private Optional<RawPage> boot(long at) {
    return w.at(at, SECTOR)
        .filter(
            p ->
                new String(p.bytes(), 3, 8, StandardCharsets.US_ASCII).equals("EXFAT   ")
                    && p.u16(510) == 0xAA55
                    && p.u8(108) >= 9
                    && p.u8(108) <= 12
                    && p.u8(108) + p.u8(109) <= 25
                    && p.unsignedLe(92, 4) < Integer.MAX_VALUE);
  }

  private record Chain(List<Piece> pieces, boolean broken) {}

  private boolean isCluster(long n) {
    return n >= 2 && n <= clusters + 1;
  }

  private long at(long cluster) {
    return heapStart + (cluster - 2) * clusterBytes;
  }

  /**
   * @param bytes of the file or folder; −1 for the root, which ends where its chain does
   */
  private Chain chain(long first, long bytes, boolean behind) {
    List<Piece> pieces = new ArrayList<>();
    long wanted = bytes < 0 ? MAX_FOLDER_BYTES : bytes;
    boolean broken = false;
    long cluster = first;
    for (long got = 0; got < wanted; got += clusterBytes) {
      if (!isCluster(cluster)) {
        broken = true;
        break;
      }
      reached.set((int) cluster);
      FoundFile.append(pieces, at(cluster), clusterBytes);
      if (got + clusterBytes >= wanted) {
        break;
      }
      Optional<Long> next =
          behind
              ? Optional.of(cluster + 1)
              : w.at(fatStart + 4 * cluster, 4).map(f -> f.unsignedLe(0, 4));
      if (bytes < 0 && next.isPresent() && next.get() >= 0xFFFF_FFF8L) {
        break;
      }
      if (next.isEmpty() || !isCluster(next.get())) {
        broken = true;
        if (bytes < 0) {
          break;
        }
        cluster++;
      } else {
        cluster = next.get();
      }
    }
    return new Chain(pieces, broken);
  }

  private void folder(String path, Chain chain) {
    if (chain.broken()) {
      found.trouble(say("files.the-table-does-not-lead-to", "path", path));
    }
    RawPage page = content(path, chain.pieces());
    int at = 0;
    while (at + ENTRY <= page.size()) {
      int type = page.u8(at);
      if (type == 0) {
        at = (at / sectorBytes + 1) * sectorBytes;
      } else if (type == FILE && setHolds(page, at)) {
        set(path, page, at);
        at += (1 + page.u8(at + 1)) * ENTRY;
      } else {
        if (type == FILE) {
          found.trouble(say("files.an-entry-of-the-folder-fails", "path", path));
        } else if (type == BITMAP && path.isEmpty()) {
          bitmap(page.unsignedLe(at + 20, 4), page.unsignedLe(at + 24, 7));
        }
        at += ENTRY;
      }
    }
  }

  /** Sectors that cannot be read are zero. */
  private RawPage content(String path, List<Piece> pieces) {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    for (Piece piece : pieces) {
      for (long at = piece.offset(); at < piece.offset() + piece.bytes(); at += sectorBytes) {
        Optional<RawPage> sector = w.at(at, sectorBytes);
        if (sector.isEmpty()) {
          found.trouble(say("files.a-sector-of-the-folder-cannot", "path", path));
        }
        bytes.writeBytes(sector.map(RawPage::bytes).orElse(new byte[sectorBytes]));
      }
    }
    return new RawPage(bytes.toByteArray());
  }

  /** Section 6.3.3: over all entries of the set, its own field left out. */
  private static boolean setHolds(RawPage page, int at) {
    int length = (1 + page.u8(at + 1)) * ENTRY;
    if (page.u8(at + 1) < 2
        || at + length > page.size()
        || page.u8(at + ENTRY) != STREAM
        || page.u8(at + 2 * ENTRY) != NAME) {
      return false;
    }
    int sum = 0;
    for (int i = 0; i < length; i++) {
      if (i != 2 && i != 3) {
        sum = ((sum & 1) << 15) + (sum >> 1) + page.u8(at + i) & 0xFFFF;
      }
    }
    return sum == page.u16(at + 2);
  }

  private void set(String folder, RawPage page, int at) {
    int stream = at + ENTRY;
    int nameLength = page.u8(stream + 3);
    StringBuilder name = new StringBuilder();
    for (int i = 2; i <= page.u8(at + 1); i++) {
      if (page.u8(at + i * ENTRY) == NAME) {
        name.append(new String(page.bytes(), at + i * ENTRY + 2, 30, StandardCharsets.UTF_16LE));
      }
    }
    name.setLength(Math.min(nameLength, name.length()));
    String path = Found.join(folder, name.toString());
    boolean behind = (page.u8(stream + 1) & NO_CHAIN) != 0;
    long first = page.unsignedLe(stream + 20, 4);
    long bytes = page.unsignedLe(stream + 24, 7);
    long valid = Math.min(bytes, page.unsignedLe(stream + 8, 7));
    if ((page.u16(at + 4) & FOLDER) != 0) {
      found.add(FoundFile.folder(path, time(page, at)));
      if (isCluster(first) && reached.get((int) first)) {
        found.trouble(say("files.the-folder-is-one-of-its", "path", path));
      } else {
        folder(path, chain(first, Math.min(bytes, MAX_FOLDER_BYTES), behind));
      }
      return;
    }
    long most = clusters * clusterBytes;
    Chain chain = chain(first, Math.min(bytes, most), behind);
    List<Piece> pieces = new ArrayList<>(FoundFile.cut(onSource(chain.pieces()), valid));
    if (bytes > valid && bytes <= most) {
      pieces.add(new Piece(Piece.HOLE, bytes - valid));
    }
    found.add(
        new FoundFile(
            path,
            false,
            bytes,
            time(page, at),
            pieces,
            Optional.empty(),
            bytes > most
                ? Optional.of(say("files.it-says-that-it-is-longer"))
                : chain.broken()
                    ? Optional.of(say("files.the-table-does-not-lead-to-2"))
                    : Optional.empty()));
  }

  private List<Piece> onSource(List<Piece> inVolume) {
    return inVolume.stream().map(p -> new Piece(w.start() + p.offset(), p.bytes())).toList();
  }

  /** Section 7.4.10: the offset from UTC counts quarters of an hour, if it is there. */
  private static Optional<Instant> time(RawPage page, int at) {
    int offset = page.u8(at + 23);
    int quarters = (offset & 0x80) == 0 ? 0 : (byte) (offset << 1) >> 1;
    return FatFiles.time(page.u16(at + 14), page.u16(at + 12))
        .map(t -> t.minusSeconds(quarters * 900L));
  }

  private void bitmap(long first, long bytes) {
    BitSet bits = new BitSet();
    long at = 0;
    for (Piece piece : FoundFile.cut(chain(first, bytes, false).pieces(), bytes)) {
      for (long i = 0; i < piece.bytes(); i += sectorBytes) {
        int length = (int) Math.min(sectorBytes, piece.bytes() - i);
        // What cannot be read may be in use.
        byte[] page = new byte[length];
        Arrays.fill(page, (byte) 0xFF);
        page = w.at(piece.offset() + i, length).map(RawPage::bytes).orElse(page);
        for (int bit = 0; bit < length * 8; bit++) {
          if ((page[bit / 8] >> bit % 8 & 1) != 0) {
            bits.set((int) Math.min(Integer.MAX_VALUE - 1, at * 8 + bit + 2));
          }
        }
        at += length;
      }
    }
    inUse = Optional.of(bits);
  }

  private void orphans() {
    if (inUse.isEmpty()) {
      found.trouble(say("files.the-map-of-what-is-in"));
    }
    for (int n = 2; n <= clusters + 1; n++) {
      if (reached.get(n) || inUse.isPresent() && !inUse.get().get(n)) {
        continue;
      }
      Optional<RawPage> head = w.at(at(n), sectorBytes);
      if (head.isPresent() && head.get().u8(0) == FILE && setHolds(head.get(), 0)) {
        String path = Found.join(FileList.FOUND, "folder-" + n);
        found.trouble(say("files.the-entry-of-a-folder-is", "path", path));
        found.add(FoundFile.folder(path, Optional.empty()));
        // Its length was in the lost entry: where no chain leads on, one cluster of it is sure.
        Chain chain = chain(n, -1, false);
        folder(path, new Chain(chain.pieces(), false));
      }
    }
  }
}

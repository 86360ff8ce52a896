package tekmerion.core.files;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.LongConsumer;
import tekmerion.core.page.RawPage;
import tekmerion.core.survey.Window;

/**
 * ext2, ext3, ext4: folders from the root's inode. Where a folder or its inode is damaged, every
 * inode is looked at, and what nothing leads to is listed by its number.
 *
 * @see "Linux kernel, Documentation/filesystems/ext4: super.rst, group_descr.rst, inodes.rst,
 *     ifork.rst, directory.rst"
 */
final class ExtFiles {
  private static final int MAGIC = 0xEF53;
  private static final int ROOT = 2;
  private static final int FIRST_OWN = 11;
  private static final int EXTENT_MAGIC = 0xF30A;
  private static final int EXTENTS = 0x80000;
  private static final int INLINE = 0x1000_0000;
  private static final int ENCRYPTED = 0x800;
  private static final int FOLDER = 4;
  private static final int FILE = 8;
  private static final int MAX_DEPTH = 5;
  private static final int[] COPIES = {1, 3, 5, 7, 9, 25, 27, 49, 81};

  private final Window w;
  private final Found found;
  private final BitSet reached = new BitSet();
  private final Map<Long, String> folders = new HashMap<>();
  private int blockBytes;
  private int inodeBytes;
  private long blocks;
  private long blocksPerGroup;
  private long inodesPerGroup;
  private long inodes;
  private long firstBlock;
  private int descriptorBytes;

  ExtFiles(Window w, Found found) {
    this.w = w;
    this.found = found;
  }

  void walk() {
    if (!superblock()) {
      found.trouble("The superblock and its copies are lost.");
      return;
    }
    Optional<Inode> root = inode(ROOT);
    reached.set(ROOT);
    folders.put((long) ROOT, "");
    if (root.filter(i -> i.kind() == FOLDER).isPresent()) {
      folder("", root.get());
    } else {
      found.trouble("The root folder is lost.");
    }
    if (found.anyTrouble()) {
      orphans();
    }
  }

  private boolean superblock() {
    List<Long> places = new ArrayList<>(List.of(1024L));
    for (int log = 0; log <= 2; log++) {
      for (int group : COPIES) {
        long block = 1024L << log;
        places.add((group * 8 * block + (log == 0 ? 1 : 0)) * block);
      }
    }
    for (long at : places) {
      Optional<RawPage> page = w.at(at, 1024).filter(ExtFiles::isSuper);
      if (page.isPresent()) {
        take(page.get());
        return true;
      }
    }
    return false;
  }

  private static boolean isSuper(RawPage p) {
    return p.u16(56) == MAGIC
        && p.unsignedLe(24, 4) <= 6
        && p.unsignedLe(32, 4) > 0
        && p.unsignedLe(40, 4) > 0
        && p.unsignedLe(0, 4) > 0;
  }

  private void take(RawPage p) {
    boolean wide = (p.unsignedLe(96, 4) & 0x80) != 0;
    blockBytes = 1024 << (int) p.unsignedLe(24, 4);
    blocks = p.unsignedLe(4, 4) | (wide ? p.unsignedLe(0x150, 4) << 32 : 0);
    inodes = p.unsignedLe(0, 4);
    firstBlock = p.unsignedLe(20, 4);
    blocksPerGroup = p.unsignedLe(32, 4);
    inodesPerGroup = p.unsignedLe(40, 4);
    inodeBytes = p.unsignedLe(76, 4) >= 1 && p.u16(88) >= 128 ? p.u16(88) : 128;
    descriptorBytes = wide && p.u16(254) >= 64 ? p.u16(254) : 32;
    if ((p.unsignedLe(96, 4) & 0x10) != 0) {
      found.trouble("Its descriptors lie scattered (meta_bg): inodes of later groups are missed.");
    }
  }

  /** An inode as it stands. */
  private record Inode(RawPage page) {
    int kind() {
      return page.u16(0) >> 12;
    }

    long bytes() {
      return page.unsignedLe(4, 4) | (kind() == FILE ? page.unsignedLe(108, 3) << 32 : 0);
    }

    boolean has(int flag) {
      return (page.unsignedLe(32, 4) & flag) != 0;
    }

    boolean isInUse() {
      return page.u16(26) > 0 && page.unsignedLe(20, 4) == 0;
    }

    Optional<Instant> modified() {
      return Optional.of(Instant.ofEpochSecond(page.unsignedLe(16, 4)));
    }
  }

  private Optional<Inode> inode(long number) {
    if (number < 1 || number > inodes) {
      return Optional.empty();
    }
    long index = (number - 1) % inodesPerGroup;
    return table((number - 1) / inodesPerGroup)
        .flatMap(at -> w.at(at + index * inodeBytes, inodeBytes))
        .map(Inode::new);
  }

  /** Of the first copy of the descriptors that says something possible. */
  private Optional<Long> table(long group) {
    Optional<Long> first = table(group, firstBlock + 1);
    for (int i = 0; first.isEmpty() && i < COPIES.length; i++) {
      first = table(group, firstBlock + COPIES[i] * blocksPerGroup + 1);
    }
    return first;
  }

  private Optional<Long> table(long group, long descriptorBlock) {
    return w.at(descriptorBlock * blockBytes + group * descriptorBytes, descriptorBytes)
        .map(d -> d.unsignedLe(8, 4) | (descriptorBytes >= 64 ? d.unsignedLe(0x28, 3) << 32 : 0))
        .filter(block -> block > firstBlock + 1 && block < blocks)
        .map(block -> block * blockBytes);
  }

  /** Where it lies, holes and all; within the volume. */
  private Optional<List<Piece>> pieces(Inode inode) {
    List<Piece> pieces = new ArrayList<>();
    long wanted = (inode.bytes() + blockBytes - 1) / blockBytes;
    boolean whole = true;
    if (inode.has(EXTENTS)) {
      whole =
          extents(
              new RawPage(Arrays.copyOfRange(inode.page().bytes(), 40, 100)), pieces, MAX_DEPTH);
    } else {
      for (int i = 0; i < 15; i++) {
        whole &=
            indirect(inode.page().unsignedLe(40 + 4 * i, 4), Math.max(0, i - 11), pieces, wanted);
      }
    }
    return whole ? Optional.of(pieces) : Optional.empty();
  }

  /** Appends what lies behind the last; a gap between two extents is a hole. */
  private boolean extents(RawPage node, List<Piece> pieces, int depthLeft) {
    int entries = node.u16(2);
    int depth = node.u16(6);
    if (node.u16(0) != EXTENT_MAGIC || depth > depthLeft || 12 + 12 * entries > node.size()) {
      return false;
    }
    boolean whole = true;
    for (int i = 0; i < entries; i++) {
      int at = 12 + 12 * i;
      long logical = node.unsignedLe(at, 4);
      if (depth > 0) {
        long leaf = node.unsignedLe(at + 4, 4) | (long) node.u16(at + 8) << 32;
        Optional<RawPage> next = w.at(leaf * blockBytes, blockBytes);
        whole &= next.isPresent() && extents(next.get(), pieces, depth - 1);
        continue;
      }
      int length = node.u16(at + 4);
      boolean unwritten = length > 32_768;
      long count = unwritten ? length - 32_768 : length;
      long block = node.unsignedLe(at + 8, 4) | (long) node.u16(at + 6) << 32;
      long gap = logical * blockBytes - pieces.stream().mapToLong(Piece::bytes).sum();
      if (gap < 0 || count == 0 || block + count > blocks) {
        return false;
      }
      if (gap > 0) {
        FoundFile.append(pieces, Piece.HOLE, gap);
      }
      if (unwritten) {
        FoundFile.append(pieces, Piece.HOLE, count * blockBytes);
      } else {
        FoundFile.append(pieces, w.start() + block * blockBytes, count * blockBytes);
      }
    }
    return whole;
  }

  private boolean indirect(long block, int level, List<Piece> pieces, long wantedBlocks) {
    long have = pieces.stream().mapToLong(Piece::bytes).sum() / blockBytes;
    if (have >= wantedBlocks) {
      return true;
    }
    long covers = 1;
    for (int i = 0; i < level; i++) {
      covers *= blockBytes / 4;
    }
    if (block == 0) {
      FoundFile.append(pieces, Piece.HOLE, Math.min(covers, wantedBlocks - have) * blockBytes);
      return true;
    }
    if (block >= blocks) {
      return false;
    }
    if (level == 0) {
      FoundFile.append(pieces, w.start() + block * blockBytes, blockBytes);
      return true;
    }
    Optional<RawPage> table = w.at(block * blockBytes, blockBytes);
    boolean whole = table.isPresent();
    for (int i = 0; whole && i < blockBytes / 4; i++) {
      whole = indirect(table.get().unsignedLe(4 * i, 4), level - 1, pieces, wantedBlocks);
    }
    return whole;
  }

  private void folder(String path, Inode inode) {
    if (inode.has(INLINE)) {
      // A folder within its inode: its parent's number, then entries as elsewhere.
      entries(path, new RawPage(Arrays.copyOfRange(inode.page().bytes(), 44, 100)));
      return;
    }
    if (inode.has(ENCRYPTED)) {
      found.trouble("The folder /%s is encrypted: its names are not readable.".formatted(path));
    }
    Optional<List<Piece>> pieces = pieces(inode);
    if (pieces.isEmpty()) {
      found.trouble("Where the folder /%s lies is lost.".formatted(path));
      return;
    }
    for (Piece piece : pieces.get()) {
      for (long at = 0; !piece.isHole() && at < piece.bytes(); at += blockBytes) {
        entries(path, block(path, piece.offset() - w.start() + at));
      }
    }
  }

  /** Sectors of it that cannot be read are zero. */
  private RawPage block(String path, long at) {
    Optional<RawPage> whole = w.at(at, blockBytes);
    if (whole.isPresent()) {
      return whole.get();
    }
    found.trouble("A block of the folder /%s cannot be read.".formatted(path));
    byte[] bytes = new byte[blockBytes];
    int sector = w.sectorBytes();
    for (int i = 0; i < blockBytes; i += sector) {
      Optional<RawPage> page = w.at(at + i, sector);
      if (page.isPresent()) {
        System.arraycopy(page.get().bytes(), 0, bytes, i, sector);
      }
    }
    return new RawPage(bytes);
  }

  /** Where an entry is impossible, the next possible one is looked for. */
  private void entries(String path, RawPage page) {
    int at = 0;
    boolean lost = false;
    while (at + 8 <= page.size()) {
      int length = page.u16(at + 4);
      boolean used = page.unsignedLe(at, 4) != 0;
      if (!isEntry(page, at, length, used, lost)) {
        if (!lost) {
          found.trouble("Entries of the folder /%s are lost.".formatted(path));
        }
        lost = true;
        at += 4;
        continue;
      }
      lost = false;
      if (used) {
        String name = new String(page.bytes(), at + 8, page.u8(at + 6), StandardCharsets.UTF_8);
        if (!name.equals(".") && !name.equals("..")) {
          take(path, name, page.unsignedLe(at, 4));
        }
      }
      at += length;
    }
  }

  /** After a loss only one that names an inode convinces. */
  private boolean isEntry(RawPage page, int at, int length, boolean used, boolean afterLoss) {
    int name = page.u8(at + 6);
    boolean possible = length >= 8 && length % 4 == 0 && at + length <= page.size();
    boolean named = used && name > 0 && 8 + name <= length && page.unsignedLe(at, 4) <= inodes;
    return possible
        && (named || !used && !afterLoss)
        && (!afterLoss || page.u8(at + 7) <= 7 && isText(page, at + 8, name));
  }

  private static boolean isText(RawPage page, int at, int length) {
    for (int i = at; i < at + length; i++) {
      if (page.u8(i) < 0x20 || page.u8(i) == '/') {
        return false;
      }
    }
    return true;
  }

  private void take(String folder, String name, long number) {
    String path = Found.join(folder, name);
    Optional<Inode> inode = inode(number);
    if (inode.isEmpty() || inode.get().kind() == 0) {
      found.trouble("The inode of /%s is lost.".formatted(path));
      return;
    }
    boolean again = reached.get((int) number);
    reached.set((int) number);
    if (inode.get().kind() == FOLDER) {
      if (again) {
        found.trouble("The folder /%s is one of its own, or of another.".formatted(path));
        return;
      }
      found.add(FoundFile.folder(path, inode.get().modified()));
      folders.put(number, path);
      folder(path, inode.get());
    } else if (inode.get().kind() == FILE) {
      found.add(file(path, inode.get()));
    }
  }

  private FoundFile file(String path, Inode inode) {
    long bytes = inode.bytes();
    if (inode.has(INLINE)) {
      int length = (int) Math.min(60, bytes);
      RawPage inside = new RawPage(Arrays.copyOfRange(inode.page().bytes(), 40, 40 + length));
      return new FoundFile(
          path,
          false,
          bytes,
          inode.modified(),
          List.of(),
          Optional.of(inside),
          bytes > 60
              ? Optional.of("What is behind its first 60 bytes is not read.")
              : Optional.empty());
    }
    Optional<List<Piece>> pieces = pieces(inode);
    List<Piece> whole = new ArrayList<>(FoundFile.cut(pieces.orElse(List.of()), bytes));
    long gap = bytes - whole.stream().mapToLong(Piece::bytes).sum();
    if (pieces.isPresent() && gap > 0 && bytes <= blocks * blockBytes * 1024) {
      FoundFile.append(whole, Piece.HOLE, gap);
    }
    return new FoundFile(
        path,
        false,
        bytes,
        inode.modified(),
        whole,
        Optional.empty(),
        pieces.isEmpty()
            ? Optional.of("Where it lies is lost.")
            : inode.has(ENCRYPTED) ? Optional.of("It is encrypted.") : Optional.empty());
  }

  /** Folders first, from those that hang highest, so that what they lead to has its name. */
  private void orphans() {
    Map<Long, Long> parents = new TreeMap<>();
    inUse(FOLDER, n -> parents.put(n, parent(n)));
    parents.forEach(
        (n, parent) -> {
          if (!parents.containsKey(parent)) {
            takeOrphan(folders.getOrDefault(parent, FileList.FOUND), "folder-" + n, n);
          }
        });
    parents.keySet().forEach(n -> takeOrphan(FileList.FOUND, "folder-" + n, n));
    inUse(FILE, n -> takeOrphan(FileList.FOUND, "file-" + n, n));
  }

  private void inUse(int kind, LongConsumer each) {
    for (long n = FIRST_OWN; n <= inodes; n++) {
      Optional<Inode> inode = reached.get((int) n) ? Optional.empty() : inode(n);
      if (inode.filter(i -> i.kind() == kind && i.isInUse()).isPresent()) {
        each.accept(n);
      }
    }
  }

  private void takeOrphan(String folder, String name, long number) {
    if (!reached.get((int) number)) {
      take(folder, name, number);
    }
  }

  /** By its second entry; 0 if that is lost. */
  private long parent(long number) {
    return inode(number)
        .flatMap(this::pieces)
        .filter(p -> !p.isEmpty() && !p.get(0).isHole())
        .flatMap(p -> w.at(p.get(0).offset() - w.start(), 24))
        .filter(p -> p.u8(18) == 2 && p.u8(20) == '.' && p.u8(21) == '.')
        .map(p -> p.unsignedLe(12, 4))
        .orElse(0L);
  }
}

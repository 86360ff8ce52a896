package tekmerion.core.files;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import tekmerion.core.page.RawPage;
import tekmerion.core.survey.Window;

/**
 * The inodes of ext2, ext3, ext4, by the first superblock that is left, and where their content
 * lies.
 *
 * @see "Linux kernel, Documentation/filesystems/ext4: super.rst, group_descr.rst, inodes.rst,
 *     ifork.rst"
 */
final class ExtInodes {
  static final int FOLDER = 4;
  static final int FILE = 8;

  private static final int MAGIC = 0xEF53;
  private static final int EXTENT_MAGIC = 0xF30A;
  private static final int EXTENTS = 0x80000;
  private static final int MAX_DEPTH = 5;
  private static final int[] COPIES = {1, 3, 5, 7, 9, 25, 27, 49, 81};

  private final Window w;
  private final int blockBytes;
  private final int inodeBytes;
  private final long blocks;
  private final long blocksPerGroup;
  private final long inodesPerGroup;
  private final long inodes;
  private final long firstBlock;
  private final int descriptorBytes;
  private final boolean scattered;

  /** Empty if the superblock and its copies are lost. */
  static Optional<ExtInodes> of(Window w) {
    List<Long> places = new ArrayList<>(List.of(1024L));
    for (int log = 0; log <= 2; log++) {
      for (int group : COPIES) {
        long block = 1024L << log;
        places.add((group * 8 * block + (log == 0 ? 1 : 0)) * block);
      }
    }
    return places.stream()
        .flatMap(at -> w.at(at, 1024).filter(ExtInodes::isSuper).stream())
        .findFirst()
        .map(p -> new ExtInodes(w, p));
  }

  private static boolean isSuper(RawPage p) {
    return p.u16(56) == MAGIC
        && p.unsignedLe(24, 4) <= 6
        && p.unsignedLe(32, 4) > 0
        && p.unsignedLe(40, 4) > 0
        && p.unsignedLe(0, 4) > 0;
  }

  private ExtInodes(Window w, RawPage p) {
    this.w = w;
    boolean wide = (p.unsignedLe(96, 4) & 0x80) != 0;
    blockBytes = 1024 << (int) p.unsignedLe(24, 4);
    blocks = p.unsignedLe(4, 4) | (wide ? p.unsignedLe(0x150, 4) << 32 : 0);
    inodes = p.unsignedLe(0, 4);
    firstBlock = p.unsignedLe(20, 4);
    blocksPerGroup = p.unsignedLe(32, 4);
    inodesPerGroup = p.unsignedLe(40, 4);
    inodeBytes = p.unsignedLe(76, 4) >= 1 && p.u16(88) >= 128 ? p.u16(88) : 128;
    descriptorBytes = wide && p.u16(254) >= 64 ? p.u16(254) : 32;
    scattered = (p.unsignedLe(96, 4) & 0x10) != 0;
  }

  int blockBytes() {
    return blockBytes;
  }

  long blocks() {
    return blocks;
  }

  /** Their numbers go from 1 to this. */
  long count() {
    return inodes;
  }

  /** Whether its descriptors lie scattered (meta_bg): inodes of later groups are missed. */
  boolean isScattered() {
    return scattered;
  }

  /** An inode as it stands. */
  record Inode(RawPage page) {
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

  /** Empty if there is none, or where it stands is lost. */
  Optional<Inode> inode(long number) {
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
  Optional<List<Piece>> pieces(Inode inode) {
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
}

package tekmerion.core.files;

import static tekmerion.words.Words.say;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.LongConsumer;
import tekmerion.core.files.ExtInodes.Inode;
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
  private static final int ROOT = 2;
  private static final int FIRST_OWN = 11;
  private static final int INLINE = 0x1000_0000;
  private static final int ENCRYPTED = 0x800;

  private final Window w;
  private final Found found;
  private final BitSet reached = new BitSet();
  private final Map<Long, String> folders = new HashMap<>();
  private ExtInodes volume;

  ExtFiles(Window w, Found found) {
    this.w = w;
    this.found = found;
  }

  void walk() {
    Optional<ExtInodes> left = ExtInodes.of(w);
    if (left.isEmpty()) {
      found.trouble(say("files.the-superblock-and-its-copies-are"));
      return;
    }
    volume = left.get();
    if (volume.isScattered()) {
      found.trouble(say("files.its-descriptors-lie-scattered-meta-bg"));
    }
    Optional<Inode> root = volume.inode(ROOT);
    reached.set(ROOT);
    folders.put((long) ROOT, "");
    if (root.filter(i -> i.kind() == ExtInodes.FOLDER).isPresent()) {
      folder("", root.get());
    } else {
      found.trouble(say("files.the-root-folder-is-lost"));
    }
    if (found.anyTrouble()) {
      orphans();
    }
  }

  private void folder(String path, Inode inode) {
    if (inode.has(INLINE)) {
      // A folder within its inode: its parent's number, then entries as elsewhere.
      entries(path, new RawPage(Arrays.copyOfRange(inode.page().bytes(), 44, 100)));
      return;
    }
    if (inode.has(ENCRYPTED)) {
      found.trouble(say("files.the-folder-is-encrypted-its-names", "path", path));
    }
    Optional<List<Piece>> pieces = volume.pieces(inode);
    if (pieces.isEmpty()) {
      found.trouble(say("files.where-the-folder-lies-is-lost", "path", path));
      return;
    }
    for (Piece piece : pieces.get()) {
      for (long at = 0; !piece.isHole() && at < piece.bytes(); at += volume.blockBytes()) {
        entries(path, block(path, piece.offset() - w.start() + at));
      }
    }
  }

  /** Sectors of it that cannot be read are zero. */
  private RawPage block(String path, long at) {
    Optional<RawPage> whole = w.at(at, volume.blockBytes());
    if (whole.isPresent()) {
      return whole.get();
    }
    found.trouble(say("files.a-block-of-the-folder-cannot", "path", path));
    byte[] bytes = new byte[volume.blockBytes()];
    int sector = w.sectorBytes();
    for (int i = 0; i < volume.blockBytes(); i += sector) {
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
          found.trouble(say("files.entries-of-the-folder-are-lost", "path", path));
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
    boolean named =
        used && name > 0 && 8 + name <= length && page.unsignedLe(at, 4) <= volume.count();
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
    Optional<Inode> inode = volume.inode(number);
    if (inode.isEmpty() || inode.get().kind() == 0) {
      found.trouble(say("files.the-inode-of-is-lost", "path", path));
      return;
    }
    boolean again = reached.get((int) number);
    reached.set((int) number);
    if (inode.get().kind() == ExtInodes.FOLDER) {
      if (again) {
        found.trouble(say("files.the-folder-is-one-of-its", "path", path));
        return;
      }
      found.add(FoundFile.folder(path, inode.get().modified()));
      folders.put(number, path);
      folder(path, inode.get());
    } else if (inode.get().kind() == ExtInodes.FILE) {
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
          bytes > 60 ? Optional.of(say("files.what-is-behind-its-first-60")) : Optional.empty());
    }
    Optional<List<Piece>> pieces = volume.pieces(inode);
    List<Piece> whole = new ArrayList<>(FoundFile.cut(pieces.orElse(List.of()), bytes));
    long gap = bytes - whole.stream().mapToLong(Piece::bytes).sum();
    if (pieces.isPresent() && gap > 0 && bytes <= volume.blocks() * volume.blockBytes() * 1024) {
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
            ? Optional.of(say("files.where-it-lies-is-lost"))
            : inode.has(ENCRYPTED) ? Optional.of(say("files.it-is-encrypted")) : Optional.empty());
  }

  /** Folders first, from those that hang highest, so that what they lead to has its name. */
  private void orphans() {
    Map<Long, Long> parents = new TreeMap<>();
    inUse(ExtInodes.FOLDER, n -> parents.put(n, parent(n)));
    parents.forEach(
        (n, parent) -> {
          if (!parents.containsKey(parent)) {
            takeOrphan(folders.getOrDefault(parent, FileList.FOUND), "folder-" + n, n);
          }
        });
    parents.keySet().forEach(n -> takeOrphan(FileList.FOUND, "folder-" + n, n));
    inUse(ExtInodes.FILE, n -> takeOrphan(FileList.FOUND, "file-" + n, n));
  }

  private void inUse(int kind, LongConsumer each) {
    for (long n = FIRST_OWN; n <= volume.count(); n++) {
      Optional<Inode> inode = reached.get((int) n) ? Optional.empty() : volume.inode(n);
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
    return volume
        .inode(number)
        .flatMap(volume::pieces)
        .filter(p -> !p.isEmpty() && !p.get(0).isHole())
        .flatMap(p -> w.at(p.get(0).offset() - w.start(), 24))
        .filter(p -> p.u8(18) == 2 && p.u8(20) == '.' && p.u8(21) == '.')
        .map(p -> p.unsignedLe(12, 4))
        .orElse(0L);
  }
}

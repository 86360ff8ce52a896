package tekmerion.core.files;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import tekmerion.core.DebianTool;

/**
 * Volumes with one tree of files, made by Debian's own tools where they can write files without a
 * mount. mkfs.exfat cannot: its files are put in by hand after the standard. Of NTFS's tools only
 * copying to the root works so: folders are made of such files by hand.
 */
final class MadeVolumes {
  private static final int MIB = 1 << 20;

  private final Path folder;
  final Map<String, byte[]> tree = new LinkedHashMap<>();

  MadeVolumes(Path folder) {
    this.folder = folder;
    Random random = new Random(7);
    put(random, "readme of the harbour office.txt", 100);
    put(random, "empty.bin", 0);
    put(random, "Photos/harbour at dawn.jpg", 200_000);
    put(random, "Photos/2026/quay wall.jpg", 70_001);
    put(random, "Photos/2026/crane.jpg", 4_096);
    for (int i = 1; i <= 40; i++) {
      put(random, "Invoices/inv-%04d.txt".formatted(i), 300 + 997 * i);
    }
  }

  private void put(Random random, String path, int bytes) {
    byte[] content = new byte[bytes];
    random.nextBytes(content);
    tree.put(path, content);
  }

  private Path written() throws IOException {
    Path root = folder.resolve("tree");
    for (Map.Entry<String, byte[]> file : tree.entrySet()) {
      Path path = root.resolve(file.getKey());
      Files.createDirectories(path.getParent());
      Files.write(path, file.getValue());
    }
    return root;
  }

  private Path empty(String name, int mebibytes) throws IOException {
    Path file = folder.resolve(name);
    try (RandomAccessFile sparse = new RandomAccessFile(file.toFile(), "rw")) {
      sparse.setLength((long) mebibytes * MIB);
    }
    return file;
  }

  /** Two groups at least, so that there are copies. */
  byte[] ext(String type, int blockBytes) throws Exception {
    Path image = empty(type, blockBytes == 1024 ? 24 : 136);
    String block = "" + blockBytes;
    DebianTool.run(
        "mkfs." + type, "-q", "-F", "-b", block, "-d", written().toString(), image.toString());
    return Files.readAllBytes(image);
  }

  byte[] fat(int bits) throws Exception {
    Path image = empty("fat" + bits, bits == 32 ? 64 : bits == 16 ? 32 : 4);
    DebianTool.run("mkfs.fat", "-F", "" + bits, image.toString());
    for (String name : List.of("Photos", "Invoices", "empty.bin")) {
      DebianTool.run(
          "mcopy", "-s", "-i", image.toString(), written().resolve(name).toString(), "::/");
    }
    DebianTool.run(
        "mcopy", "-i", image.toString(), written() + "/readme of the harbour office.txt", "::/");
    return Files.readAllBytes(image);
  }

  /** Fifty processes make it: once is enough. */
  private static byte[] ntfs;

  byte[] ntfs() throws Exception {
    if (ntfs == null) {
      ntfs = madeNtfs();
    }
    return ntfs.clone();
  }

  /** Files into the root by the tool; then three of them become folders and take the others in. */
  private byte[] madeNtfs() throws Exception {
    Path image = empty("ntfs", 32);
    DebianTool.run("mkfs.ntfs", "-q", "-F", image.toString());
    Path nothing = Files.write(folder.resolve("nothing"), new byte[0]);
    for (String name : List.of("Photos", "2026", "Invoices")) {
      DebianTool.run("ntfscp", "-f", "-q", image.toString(), nothing.toString(), name);
    }
    for (String path : tree.keySet()) {
      String from = written().resolve(path).toString();
      DebianTool.run(
          "ntfscp", "-f", "-q", image.toString(), from, path.substring(path.lastIndexOf('/') + 1));
    }
    byte[] bytes = Files.readAllBytes(image);
    long photos = becomesFolder(bytes, "Photos");
    long invoices = becomesFolder(bytes, "Invoices");
    long year = becomesFolder(bytes, "2026");
    moveInto(bytes, "2026", photos);
    for (String path : tree.keySet()) {
      String name = path.substring(path.lastIndexOf('/') + 1);
      if (path.startsWith("Photos/2026/")) {
        moveInto(bytes, name, year);
      } else if (path.startsWith("Photos/")) {
        moveInto(bytes, name, photos);
      } else if (path.startsWith("Invoices/")) {
        moveInto(bytes, name, invoices);
      }
    }
    return bytes;
  }

  private static final int RECORD = 1024;

  /** Reference of the record: its number, and its sequence in the upper two bytes. */
  private static long becomesFolder(byte[] image, String name) {
    int record = recordOf(image, name);
    ByteBuffer b = ByteBuffer.wrap(image).order(ByteOrder.LITTLE_ENDIAN);
    b.putShort(record + 22, (short) 3);
    return b.getInt(record + 44) | (long) b.getShort(record + 16) << 48;
  }

  private static void moveInto(byte[] image, String name, long parent) {
    ByteBuffer b = ByteBuffer.wrap(image).order(ByteOrder.LITTLE_ENDIAN);
    int record = recordOf(image, name);
    byte[] wanted = name.getBytes(StandardCharsets.UTF_16LE);
    b.putLong(find(image, wanted, record) - 66, parent);
  }

  /** The record with this name in the table; the root's own holds a few names of its index. */
  static int recordOf(byte[] image, String name) {
    byte[] wanted = name.getBytes(StandardCharsets.UTF_16LE);
    int table = ByteBuffer.wrap(image).order(ByteOrder.LITTLE_ENDIAN).getInt(48) * 4096;
    for (int at = find(image, wanted, table); at >= 0; at = find(image, wanted, at + 1)) {
      int record = at / RECORD * RECORD;
      boolean isRecord = new String(image, record, 4, StandardCharsets.US_ASCII).equals("FILE");
      if (isRecord && image[record + 44] != 5) {
        return record;
      }
    }
    throw new AssertionError("no record of " + name);
  }

  static int find(byte[] in, byte[] what, int from) {
    outer:
    for (int i = from; i <= in.length - what.length; i++) {
      for (int j = 0; j < what.length; j++) {
        if (in[i + j] != what[j]) {
          continue outer;
        }
      }
      return i;
    }
    return -1;
  }

  byte[] exfat() throws Exception {
    Path image = empty("exfat", 32);
    DebianTool.run("mkfs.exfat", "-c", "4K", image.toString());
    return new ExfatByHand(Files.readAllBytes(image)).with(tree);
  }

  /** After the standard's sections 3, 5 and 6; clusters are given out one after the other. */
  private static final class ExfatByHand {
    private final byte[] image;
    private final ByteBuffer b;
    private final int cluster;
    private final int heap;
    private final int fat;
    private int next;

    ExfatByHand(byte[] image) {
      this.image = image;
      b = ByteBuffer.wrap(image).order(ByteOrder.LITTLE_ENDIAN);
      int sector = 1 << image[108];
      cluster = sector << image[109];
      heap = b.getInt(88) * sector;
      fat = b.getInt(80) * sector;
      next = b.getInt(96) + 1;
    }

    byte[] with(Map<String, byte[]> tree) {
      int root = heap + (b.getInt(96) - 2) * cluster;
      byte[] first = Arrays.copyOfRange(image, root, root + 96);
      byte[] entries = folder(tree, "", first);
      System.arraycopy(entries, 0, image, root, entries.length); // it fits one cluster
      return image;
    }

    /** Entries of a folder; what lies below is written already. */
    private byte[] folder(Map<String, byte[]> tree, String path, byte[] before) {
      ByteBuffer out = ByteBuffer.allocate(64 << 10).put(before);
      List<String> seen = new ArrayList<>();
      for (Map.Entry<String, byte[]> file : tree.entrySet()) {
        if (!file.getKey().startsWith(path)) {
          continue;
        }
        String rest = file.getKey().substring(path.length());
        String name = rest.contains("/") ? rest.substring(0, rest.indexOf('/')) : rest;
        if (seen.contains(name)) {
          continue;
        }
        seen.add(name);
        if (name.equals(rest)) {
          // Every second file in a chain, the others behind one another without one.
          out.put(set(name, file.getValue(), 0x20, seen.size() % 2 == 0, file.getValue().length));
        } else {
          byte[] inner = folder(tree, path + name + "/", new byte[0]);
          int whole = (inner.length + cluster - 1) / cluster * cluster;
          out.put(set(name, inner, 0x10, true, whole));
        }
      }
      return Arrays.copyOf(out.array(), out.position());
    }

    private byte[] set(String name, byte[] content, int attributes, boolean chain, int length) {
      int clusters = (length + cluster - 1) / cluster;
      int first = clusters == 0 ? 0 : next;
      for (int i = 0; i < clusters; i++) {
        int n = next + i;
        b.putInt(fat + 4 * n, !chain ? 0 : i == clusters - 1 ? -1 : n + 1);
        int bitmap = heap + (b.getInt(bitmapEntry() + 20) - 2) * cluster;
        image[bitmap + (n - 2) / 8] |= (byte) (1 << (n - 2) % 8);
      }
      System.arraycopy(content, 0, image, heap + (next - 2) * cluster, content.length);
      next += clusters;
      int names = (name.length() + 14) / 15;
      ByteBuffer s = ByteBuffer.allocate(32 * (2 + names)).order(ByteOrder.LITTLE_ENDIAN);
      s.put((byte) 0x85).put((byte) (1 + names)).putShort(4, (short) attributes);
      s.putInt(12, (46 << 9 | 11 << 5 | 27) << 16);
      s.put(32, (byte) 0xC0).put(33, (byte) (chain ? 1 : 3)).put(35, (byte) name.length());
      s.putLong(40, length).putInt(52, first).putLong(56, length);
      for (int i = 0; i < names; i++) {
        s.put(64 + 32 * i, (byte) 0xC1);
        String piece = name.substring(15 * i, Math.min(name.length(), 15 * i + 15));
        s.position(66 + 32 * i);
        s.put(piece.getBytes(StandardCharsets.UTF_16LE));
      }
      int sum = 0;
      for (int i = 0; i < s.capacity(); i++) {
        sum = i == 2 || i == 3 ? sum : (sum << 15 | sum >> 1) + (s.get(i) & 0xFF) & 0xFFFF;
      }
      s.putShort(2, (short) sum);
      return s.array();
    }

    private int bitmapEntry() {
      int root = heap + (b.getInt(96) - 2) * cluster;
      for (int at = root; ; at += 32) {
        if ((image[at] & 0xFF) == 0x81) {
          return at;
        }
      }
    }
  }
}

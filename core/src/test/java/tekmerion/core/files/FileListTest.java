package tekmerion.core.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.function.Predicate;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import tekmerion.core.DebianTool.Image;
import tekmerion.core.port.ByteSource;
import tekmerion.core.rescue.RescueMap;
import tekmerion.core.rescue.State;
import tekmerion.core.survey.Content;

/**
 * One tree of files on each kind of volume. What is listed of a damaged one must be what was put on
 * it, without what is truly lost, byte for byte.
 */
class FileListTest {
  @TempDir Path folder;
  private MadeVolumes volumes;

  @BeforeEach
  void tree() {
    volumes = new MadeVolumes(folder);
  }

  enum Made {
    EXT2(Content.EXT2),
    EXT4(Content.EXT4),
    FAT12(Content.FAT12),
    FAT16(Content.FAT16),
    FAT32(Content.FAT32),
    EXFAT(Content.EXFAT),
    NTFS(Content.NTFS);

    private final Content content;

    Made(Content content) {
      this.content = content;
    }
  }

  private byte[] image(Made made) throws Exception {
    return switch (made) {
      case EXT2 -> volumes.ext("ext2", 1024);
      case EXT4 -> volumes.ext("ext4", 4096);
      case FAT12 -> volumes.fat(12);
      case FAT16 -> volumes.fat(16);
      case FAT32 -> volumes.fat(32);
      case EXFAT -> volumes.exfat();
      case NTFS -> volumes.ntfs();
    };
  }

  private static FileList list(Made made, ByteSource source) {
    return FileList.of(source, 0, source.sizeBytes(), made.content).orElseThrow();
  }

  /** Text of the bytes, so that a difference can be printed. */
  private static Map<String, String> contents(FileList list, ByteSource source) {
    Map<String, String> contents = new TreeMap<>();
    for (FoundFile file : list.files()) {
      if (!file.folder() && !file.path().startsWith("lost+found")) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        long lost = FileBody.read(source, file, (b, n) -> bytes.write(b, 0, n));
        contents.put(file.path(), digest(bytes.toByteArray()) + (lost == 0 ? "" : " lost " + lost));
      }
    }
    return contents;
  }

  private static String digest(byte[] bytes) {
    return bytes.length + ":" + Integer.toHexString(Arrays.hashCode(bytes));
  }

  private Map<String, String> tree(Predicate<String> kept) {
    Map<String, String> wanted = new TreeMap<>();
    volumes.tree.forEach(
        (path, bytes) -> {
          if (kept.test(path)) {
            wanted.put(path, digest(bytes));
          }
        });
    return wanted;
  }

  @ParameterizedTest
  @EnumSource
  void listsWhatWasPutOnIt(Made made) throws Exception {
    Image image = new Image(image(made), 0, 0);

    FileList list = list(made, image);

    assertThat(contents(list, image)).isEqualTo(tree(p -> true));
    assertThat(list.troubles()).isEmpty();
    assertThat(list.files())
        .filteredOn(f -> f.folder() && !f.path().equals("lost+found"))
        .extracting(FoundFile::path)
        .containsExactly("Invoices", "Photos", "Photos/2026");
    assertThat(list.files()).allMatch(f -> f.modified().isPresent() && f.trouble().isEmpty());
  }

  /** Boot sector or superblock, with what lies behind it. */
  @ParameterizedTest
  @EnumSource(names = {"EXT2", "EXT4", "FAT32", "EXFAT", "NTFS"})
  void losesNothingWithTheBootSector(Made made) throws Exception {
    byte[] bytes = image(made);
    Arrays.fill(bytes, 0, made.content == Content.EXT4 ? 8192 : 2048, (byte) 0);
    Image image = new Image(bytes, 0, 0);

    assertThat(contents(list(made, image), image)).isEqualTo(tree(p -> true));
  }

  /**
   * First table of FAT; of exFAT, whose only one it is; group descriptors; first record of NTFS.
   */
  @ParameterizedTest
  @EnumSource(names = {"EXT2", "EXT4", "FAT16", "FAT32", "EXFAT", "NTFS"})
  void losesNothingWithTheFirstTable(Made made) throws Exception {
    byte[] bytes = image(made);
    int sector = 512;
    switch (made) {
      case EXT2 -> Arrays.fill(bytes, 2048, 3072, (byte) 0);
      case EXT4 -> Arrays.fill(bytes, 4096, 8192, (byte) 0);
      case FAT16 -> zero(bytes, u16(bytes, 14) * sector, u16(bytes, 22) * sector);
      case FAT32 -> zero(bytes, u16(bytes, 14) * sector, u16(bytes, 36) * sector);
      case EXFAT -> zero(bytes, u16(bytes, 80) * sector, u16(bytes, 84) * sector);
      default -> zero(bytes, u16(bytes, 48) * 4096, 1024);
    }
    Image image = new Image(bytes, 0, 0);

    FileList list = list(made, image);

    assertThat(contents(list, image)).isEqualTo(tree(p -> true));
  }

  private static void zero(byte[] bytes, int from, int length) {
    Arrays.fill(bytes, from, from + length, (byte) 0);
  }

  private static int u16(byte[] bytes, int at) {
    return (bytes[at] & 0xFF) | (bytes[at + 1] & 0xFF) << 8;
  }

  /** Where the entries of a folder with this name in it begin; its cluster or block whole. */
  private static int block(Made made, byte[] bytes, String name, int size) {
    byte[] wanted =
        made == Made.EXFAT
            ? name.getBytes(StandardCharsets.UTF_16LE)
            : name.getBytes(StandardCharsets.US_ASCII);
    int at = MadeVolumes.find(bytes, wanted, 0);
    assertThat(at).isPositive();
    return at / size * size;
  }

  /** All entries of the folder Photos: what is directly in it, and where 2026 lies. */
  @ParameterizedTest
  @EnumSource(names = {"EXT2", "EXT4", "FAT32", "EXFAT"})
  void findsWhatIsBelowALostFolder(Made made) throws Exception {
    byte[] bytes = image(made);
    boolean ext = made == Made.EXT2 || made == Made.EXT4;
    String inIt = made == Made.FAT32 ? "HARBOU~1JPG" : ext ? "harbour at dawn" : "harbour at dawn";
    int size = made == Made.FAT32 ? 512 : made == Made.EXT2 ? 1024 : 4096;
    zero(bytes, block(made, bytes, inIt, size), size);
    Image image = new Image(bytes, 0, 0);

    FileList list = list(made, image);

    Map<String, String> wanted = tree(p -> !p.startsWith("Photos/"));
    Map<String, String> got = contents(list, image);
    assertThat(got).containsAllEntriesOf(wanted);
    // The names of what was in it are lost; the contents are where something still tells of them.
    Map<String, String> found = new LinkedHashMap<>(got);
    found.keySet().removeAll(wanted.keySet());
    List<String> contents =
        tree(p -> p.startsWith(ext ? "Photos/" : "Photos/2026/")).values().stream().toList();
    assertThat(found.values()).containsExactlyInAnyOrderElementsOf(contents);
    assertThat(found.keySet())
        .allMatch(p -> ext || p.matches(".*folder-\\d+/(quay wall|crane).jpg"));
    assertThat(list.troubles()).isNotEmpty();
  }

  /** One sector of the folder with forty invoices. */
  @ParameterizedTest
  @EnumSource(names = {"EXT4", "FAT32", "EXFAT"})
  void losesOnlyWhatStoodInAnUnreadableSector(Made made) throws Exception {
    byte[] bytes = image(made);
    String inIt = made == Made.FAT32 ? "INV-0020TXT" : "inv-0020.txt";
    int bad = block(made, bytes, inIt, 512);
    Image image = new Image(bytes, bad, bad + 512);

    FileList list = list(made, image);

    Map<String, String> got = contents(list, image);
    got.keySet().removeIf(p -> p.startsWith(FileList.FOUND));
    // A sector holds 16 entries of 32 bytes: five whole sets of exFAT, up to eight pairs of FAT;
    // of ext up to 25 of 20 bytes. The entry at its edge goes with it.
    assertThat(tree(p -> true)).containsAllEntriesOf(got);
    assertThat(got).hasSizeBetween(45 - 27, 45 - 5);
    assertThat(got).doesNotContainKey("Invoices/inv-0020.txt").containsKey("Invoices/inv-0040.txt");
    assertThat(list.troubles()).isNotEmpty();
  }

  @Test
  void losesOfNtfsOnlyTheFilesWhoseRecordsAreLost() throws Exception {
    byte[] bytes = image(Made.NTFS);
    zero(bytes, MadeVolumes.recordOf(bytes, "inv-0007.txt"), 1024);
    zero(bytes, MadeVolumes.recordOf(bytes, "2026"), 1024);
    Image image = new Image(bytes, 0, 0);

    FileList list = list(Made.NTFS, image);

    Map<String, String> got = contents(list, image);
    assertThat(got)
        .containsAllEntriesOf(tree(p -> !p.contains("2026") && !p.equals("Invoices/inv-0007.txt")));
    assertThat(got.keySet())
        .filteredOn(p -> p.startsWith("found/"))
        .allMatch(p -> p.matches("found/folder-\\d+/(quay wall|crane).jpg"))
        .hasSize(2);
    assertThat(list.troubles().toString()).contains("2 records");
  }

  /** Table and mirror gone: each record is looked for. */
  @Test
  void findsRecordsOfNtfsWithoutTheirTable() throws Exception {
    byte[] bytes = image(Made.NTFS);
    zero(bytes, u16(bytes, 48) * 4096, 1024);
    zero(bytes, u16(bytes, 56) * 4096, 1024);
    Image image = new Image(bytes, 0, 0);

    assertThat(contents(list(Made.NTFS, image), image)).isEqualTo(tree(p -> true));
  }

  @ParameterizedTest
  @EnumSource
  void saysWhichFileAnUnreadableStretchBelongsTo(Made made) throws Exception {
    byte[] bytes = image(made);
    byte[] photo = volumes.tree.get("Photos/harbour at dawn.jpg");
    int at = MadeVolumes.find(bytes, Arrays.copyOfRange(photo, 4096, 4160), 0);
    Image image = new Image(bytes, at, at + 1024);
    RescueMap map = new RescueMap(bytes.length);
    map.set(0, bytes.length, State.READ);
    map.set(at, at + 1024, State.BAD);

    FileList list = list(made, image);

    assertThat(list.files())
        .filteredOn(f -> FileBody.missing(f, map) > 0)
        .extracting(FoundFile::path)
        .containsExactly("Photos/harbour at dawn.jpg");
    assertThat(contents(list, image).get("Photos/harbour at dawn.jpg")).endsWith(" lost 1024");
  }

  /** Whatever the bytes are, there is a list. */
  @ParameterizedTest
  @EnumSource(names = {"EXT2", "FAT16", "FAT32", "EXFAT", "NTFS"})
  void neverFailsOnMutatedVolumes(Made made) throws Exception {
    byte[] sound = image(made);
    Random random = new Random(13);
    for (int i = 0; i < 40; i++) {
      byte[] bytes = sound.clone();
      for (int m = 0; m < 3_000; m++) {
        // Structures are where a volume is not empty; most of what is changed should be theirs.
        int at = random.nextInt(bytes.length);
        if (bytes[at] != 0 || m % 4 == 0) {
          bytes[at] = (byte) random.nextInt(256);
        }
      }
      Image image = new Image(bytes, 0, 0);
      for (FoundFile file : list(made, image).files()) {
        if (file.bytes() < 1 << 20) {
          long[] got = {0};
          long lost = FileBody.read(image, file, (b, n) -> got[0] += n);
          assertThat(lost).isBetween(0L, file.bytes());
        }
      }
    }
  }
}

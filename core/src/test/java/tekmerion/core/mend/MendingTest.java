package tekmerion.core.mend;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.params.provider.Arguments.arguments;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import tekmerion.core.DebianTool;
import tekmerion.core.DebianTool.Image;
import tekmerion.core.survey.Reason;
import tekmerion.core.survey.Survey;

/** What is put back must satisfy the checks of the tools that made it, not only our own survey. */
class MendingTest {
  private static final int MIB = 1 << 20;
  private static final Set<Reason> DAMAGED =
      Set.of(Reason.DAMAGED_BOOT_SECTOR, Reason.DAMAGED_TABLE);

  @TempDir Path folder;

  private static Survey survey(byte[] bytes) {
    return Survey.of(new Image(bytes, 0, 0), Survey.READ_BY_MOST);
  }

  private static Mending mending(byte[] bytes) {
    return Mending.of(new Image(bytes, 0, 0), survey(bytes));
  }

  private static byte[] written(byte[] bytes, List<Piece> pieces) {
    byte[] mended = bytes.clone();
    for (Piece piece : pieces) {
      byte[] now =
          Arrays.copyOfRange(
              mended, (int) piece.offset(), (int) piece.offset() + piece.before().length);
      assertThat(now).isEqualTo(piece.before());
      System.arraycopy(piece.after(), 0, mended, (int) piece.offset(), piece.after().length);
    }
    return mended;
  }

  private static byte[] takenBack(byte[] mended, List<Piece> pieces) {
    List<Piece> back = new ArrayList<>(pieces.stream().map(Piece::back).toList());
    Collections.reverse(back);
    return written(mended, back);
  }

  private void tool(String command, Path image) throws Exception {
    DebianTool.run(command.replace("%s", image.toString()).split(" "));
  }

  /** Made, damaged, mended; then the maker's own check, which changes nothing, finds no fault. */
  @ParameterizedTest(name = "{0}")
  @MethodSource("volumes")
  void putsBackWhatTheMakersOwnCheckFindsSound(
      String make, int mebibytes, int from, int to, String check) throws Exception {
    Path file = folder.resolve("volume.img");
    DebianTool.empty(file, (long) mebibytes * MIB);
    Files.writeString(folder.resolve("volume.img.key"), "harbour");
    tool(make, file);
    byte[] sound = Files.readAllBytes(file);
    byte[] damaged = sound.clone();
    Arrays.fill(damaged, from, to, (byte) 0);
    assertThat(survey(damaged).reason()).isEqualTo(Reason.DAMAGED_BOOT_SECTOR);

    Mending mending = mending(damaged);
    byte[] mended = written(damaged, mending.pieces());

    assertThat(mending.left()).isEmpty();
    assertThat(DAMAGED).doesNotContain(survey(mended).reason());
    Files.write(file, mended);
    tool(check, file);
    assertThat(takenBack(mended, mending.pieces())).isEqualTo(damaged);
  }

  static Stream<Arguments> volumes() {
    return Stream.of(
        arguments("mkfs.ext2 -q -F %s", 16, 1024, 2048, "e2fsck -fn %s"),
        arguments("mkfs.ext4 -q -F %s", 64, 1024, 2048, "e2fsck -fn %s"),
        arguments("mkfs.fat -F 32 %s", 64, 0, 512, "fsck.fat -n %s"),
        arguments("mkfs.exfat %s", 32, 0, 512, "fsck.exfat -n %s"),
        arguments("mkfs.exfat %s", 32, 0, 12 * 512, "fsck.exfat -n %s"),
        arguments("mkfs.ntfs -q -F %s", 32, 0, 512, "ntfsfix -n %s"),
        arguments("mkfs.btrfs -q -f %s", 120, 65536, 65536 + 4096, "btrfs check --readonly %s"),
        arguments(
            "cryptsetup luksFormat -q --type luks2 --pbkdf pbkdf2 --pbkdf-force-iterations 1000"
                + " --key-file %s.key %s",
            32, 0, 4096, "cryptsetup open --test-passphrase --key-file %s.key %s"));
  }

  private byte[] gpt() throws Exception {
    Path file = folder.resolve("disk.img");
    DebianTool.empty(file, 32L * MIB);
    DebianTool.run(
        List.of("sfdisk", "-q", file.toString()),
        "label: gpt\nstart=2048, size=8192, name=charts\nstart=10240, size=8192, name=logs\n");
    return Files.readAllBytes(file);
  }

  /** To the byte: what sfdisk had written. Code before the entries of the MBR was zero. */
  @ParameterizedTest
  @MethodSource("tables")
  void putsATableBackAsItWas(int from, int to) throws Exception {
    byte[] disk = gpt();
    byte[] damaged = disk.clone();
    Arrays.fill(
        damaged, from < 0 ? disk.length + from : from, to <= 0 ? disk.length + to : to, (byte) 0);

    Mending mending = mending(damaged);

    byte[] mended = written(damaged, mending.pieces());
    assertThat(mended).isEqualTo(disk);
    assertThat(takenBack(mended, mending.pieces())).isEqualTo(damaged);
  }

  static Stream<Arguments> tables() {
    return Stream.of(
        arguments(512, 1024), // the header
        arguments(1024, 1100), // its first entry
        arguments(0, 512), // the protective MBR
        arguments(-512, 0), // the header's copy
        arguments(-33 * 512, -32 * 512), // the first entry of the copy's list
        arguments(0, 34 * 512)); // all of the beginning
  }

  @Test
  void leavesAloneWhatCannotBeKeptFirst() throws Exception {
    byte[] disk = gpt();
    Image image = new Image(disk, 512, 1024);

    Mending mending = Mending.of(image, Survey.of(image, Survey.READ_BY_MOST));

    assertThat(mending.pieces()).isEmpty();
    assertThat(mending.left()).hasSize(1).allMatch(l -> l.contains("cannot be kept"));
  }

  /** A copy whose own checksum fails is worth no more than what it is to replace. */
  @Test
  void putsNothingBackFromACopyThatDoesNotHold() throws Exception {
    byte[] disk = gpt();
    Arrays.fill(disk, 512, 1024, (byte) 0);
    disk[disk.length - 512 + 40] ^= 1; // first usable sector, of the copy

    assertThat(mending(disk).pieces()).isEmpty();
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("withSums")
  void putsNoVolumeBackFromACopyThatDoesNotHold(String make, int from, int to, int inCopy)
      throws Exception {
    Path file = folder.resolve("volume.img");
    DebianTool.empty(file, 128L * MIB);
    Files.writeString(folder.resolve("volume.img.key"), "harbour");
    tool(make, file);
    byte[] damaged = Files.readAllBytes(file);
    Arrays.fill(damaged, from, to, (byte) 0);
    assertThat(mending(damaged).pieces()).hasSize(1);
    damaged[inCopy] ^= 1;

    Mending mending = mending(damaged);

    assertThat(mending.pieces()).isEmpty();
    assertThat(mending.left()).hasSize(1).allMatch(l -> l.contains("does not hold"));
  }

  /** One bit of the copy, in what its own checksum covers and its shape does not tell. */
  static Stream<Arguments> withSums() {
    return Stream.of(
        arguments("mkfs.ext4 -q -F -b 1024 %s", 1024, 2048, (8193 << 10) + 0x30), // last write
        arguments("mkfs.exfat %s", 0, 512, 12 * 512 + 100), // serial
        arguments("mkfs.btrfs -q -f %s", 65536, 65536 + 4096, (64 << 20) + 0x78), // used bytes
        arguments(
            "cryptsetup luksFormat -q --type luks2 --pbkdf pbkdf2 --pbkdf-force-iterations 1000"
                + " --key-file %s.key %s",
            0, 4096, 0x4000 + 30)); // label
  }
}

package tekmerion.core.survey;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.io.TempDir;
import tekmerion.core.DebianTool;
import tekmerion.core.DebianTool.Image;

/** Volumes made by Debian's own tools, and what is done to them. */
abstract class MadeImages {
  static final int MIB = 1 << 20;

  @TempDir Path folder;

  /** How a file system is made, and what its tool was told. */
  enum Made {
    EXT2(Content.EXT2, 16, "mkfs.ext2 -q -F -L HARBOUR %s"),
    EXT3(Content.EXT3, 16, "mkfs.ext3 -q -F -L HARBOUR %s"),
    EXT4(Content.EXT4, 32, "mkfs.ext4 -q -F -L HARBOUR %s"),
    FAT12(Content.FAT12, 4, "mkfs.fat -F 12 -n HARBOUR %s"),
    FAT16(Content.FAT16, 32, "mkfs.fat -F 16 -n HARBOUR %s"),
    FAT32(Content.FAT32, 64, "mkfs.fat -F 32 -n HARBOUR %s"),
    EXFAT(Content.EXFAT, 32, "mkfs.exfat -L HARBOUR %s"),
    NTFS(Content.NTFS, 32, "mkfs.ntfs -q -F -L HARBOUR %s"),
    XFS(Content.XFS, 320, "mkfs.xfs -q -f -L HARBOUR %s"),
    BTRFS(Content.BTRFS, 120, "mkfs.btrfs -q -f -L HARBOUR %s"),
    SWAP(Content.SWAP, 8, "mkswap -q -L HARBOUR %s"),
    LUKS1(
        Content.LUKS1,
        16,
        "cryptsetup luksFormat -q --type luks1 --pbkdf-force-iterations 1000 --key-file %s.key %s"),
    LUKS2(
        Content.LUKS2,
        32,
        "cryptsetup luksFormat -q --type luks2 --pbkdf pbkdf2 --pbkdf-force-iterations 1000"
            + " --key-file %s.key %s"),
    LVM(Content.LVM, 0),
    MD_1_2(Content.MD_RAID, 1),
    MD_1_0(Content.MD_RAID, 2),
    MD_0_90(Content.MD_RAID, 3);

    final Content content;
    final int mebibytes;
    private final String command;

    Made(Content content, int mebibytes, String command) {
      this.content = content;
      this.mebibytes = mebibytes;
      this.command = command;
    }

    /**
     * @param byKernel its place among what a kernel made
     */
    Made(Content content, int byKernel) {
      this(content, 64, String.valueOf(byKernel));
    }

    boolean isByKernel() {
      return content == Content.LVM || content == Content.MD_RAID;
    }
  }

  private static List<byte[]> byKernel;

  @AfterAll
  static void forget() {
    byKernel = null;
  }

  final byte[] image(Made made) throws IOException, InterruptedException {
    if (made.isByKernel()) {
      if (byKernel == null) {
        byKernel = KernelMade.all(folder);
      }
      return byKernel.get(Integer.parseInt(made.command)).clone();
    }
    Path file = folder.resolve(made.name() + ".img");
    DebianTool.empty(file, (long) made.mebibytes * MIB);
    Files.writeString(folder.resolve(made.name() + ".img.key"), "harbour");
    DebianTool.run(made.command.replace("%s", file.toString()).split(" "));
    return Files.readAllBytes(file);
  }

  static Survey survey(byte[] bytes) {
    return Survey.of(new Image(bytes, 0, 0), Survey.READ_BY_MOST);
  }

  static Volume only(Survey survey) {
    assertThat(survey.parts()).hasSize(1);
    return survey.parts().get(0).volume();
  }

  static byte[] zeroed(byte[] image, int from, int to) {
    byte[] bytes = image.clone();
    Arrays.fill(bytes, from, Math.min(to, bytes.length), (byte) 0);
    return bytes;
  }

  /** Five ways in which each is damaged; what must be said of it then. */
  enum Damaged {
    /** Where it tells what it is. */
    ZEROED,
    /** The same, written over with something else. */
    OVERWRITTEN,
    /** What tells of it, and a mebibyte behind. */
    UNREADABLE,
    /** All of it. */
    BLANKED,
    /** The last quarter is not there. */
    CUT
  }

  static Survey damaged(Made made, byte[] image, Damaged how) {
    // Btrfs tells of itself at 64 KiB, swap at the end of its first page, an array of RAID in its
    // second page or at its end, the others before.
    int from =
        made == Made.MD_1_0 ? image.length - 8192 : made == Made.MD_0_90 ? image.length - 65536 : 0;
    int length =
        switch (made) {
          case BTRFS -> 68 << 10;
          case SWAP, MD_1_0, MD_0_90 -> 4096;
          case MD_1_2 -> 8192;
          default -> 2048;
        };
    byte[] bytes = image.clone();
    switch (how) {
      case ZEROED -> Arrays.fill(bytes, from, from + length, (byte) 0);
      case OVERWRITTEN -> {
        byte[] noise = new byte[length];
        new Random(23).nextBytes(noise);
        System.arraycopy(noise, 0, bytes, from, length);
      }
      case BLANKED -> Arrays.fill(bytes, (byte) 0);
      case CUT -> bytes = Arrays.copyOf(bytes, bytes.length / 4 * 3);
      default -> {
        return Survey.of(new Image(bytes, 0, MIB), Survey.READ_BY_MOST);
      }
    }
    return survey(bytes);
  }
}

package tekmerion.probe.copy;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tekmerion.link.HeldCopy;

/** What lies in a folder of copies, as a look at its names and sizes tells. */
class HeldCopiesTest {
  private static final long SIZE = 1 << 20;
  @TempDir Path all;

  @Test
  void tellsImagesFilesAndWhatIsGone() throws IOException {
    CopyFolder whole = CopyFolder.open(all, "J-2291", "drive-a");
    begin(whole);
    Files.createDirectories(whole.files(2));
    CopyFolder cutOff = CopyFolder.open(all, "J-2292", "TEKD0001");
    begin(cutOff);
    try (RandomAccessFile image = new RandomAccessFile(cutOff.image().toFile(), "rw")) {
      image.setLength(SIZE - 512);
    }

    assertThat(HeldCopies.in(all))
        .containsExactly(
            new HeldCopy("J-2291", "drive-a", true, Set.of(2), false),
            new HeldCopy("J-2292", "TEKD0001", false, Set.of(), false));

    Files.delete(whole.image());
    assertThat(HeldCopies.in(all).get(0).image()).isFalse();
    assertThat(HeldCopies.in(all.resolve("a disk that is not mounted"))).isEqualTo(List.of());
  }

  private static void begin(CopyFolder folder) throws IOException {
    try (ImageFile image = ImageFile.open(folder.image(), folder.map(), SIZE)) {
      image.now();
    }
  }

  /** Every file system of its own has such a folder at its top. */
  @Test
  void whatIsNotOursIsNoReasonToSeeNothing() throws IOException {
    Files.createDirectories(all.resolve("lost+found/#1234"));
    Files.createDirectories(all.resolve("holiday pictures/2019"));
    Files.createDirectories(CopyFolder.open(all, "J-2291", "drive-a").byContent());

    assertThat(HeldCopies.in(all))
        .containsExactly(new HeldCopy("J-2291", "drive-a", false, Set.of(), true));
  }
}

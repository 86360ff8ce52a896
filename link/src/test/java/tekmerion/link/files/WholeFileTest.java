package tekmerion.link.files;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class WholeFileTest {
  @TempDir private Path folder;
  private Path file;

  @BeforeEach
  void before() throws IOException {
    file = folder.resolve("kept.txt");
    WholeFile.write(file, "before");
  }

  @Test
  void isReplacedAsAWholeAndOnlyItsOwnerReadsIt() throws IOException {
    WholeFile.write(file, "after");

    assertThat(file).hasContent("after");
    assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(file)))
        .isEqualTo("rw-------");
    assertThat(folder).isDirectoryContaining(file::equals).isNotEmptyDirectory();
  }

  @Test
  void whatCannotBeWrittenToItsEndLeavesTheOldFileAndNoPart() throws IOException {
    assertThatThrownBy(
            () ->
                WholeFile.write(
                    file,
                    out -> {
                      out.write(new byte[1 << 20]);
                      throw new IOException("the disk is gone");
                    }))
        .isInstanceOf(IOException.class)
        .hasMessage("the disk is gone");

    assertThat(file).hasContent("before");
    try (var files = Files.list(folder)) {
      assertThat(files).containsExactly(file);
    }
  }

  @Test
  void partsOfAKilledProgramGoAtTheNextStart() throws IOException {
    Path part = Files.createFile(folder.resolve(".kept.txt.1234.part"));

    WholeFile.deleteLeftParts(folder);

    assertThat(part).doesNotExist();
    assertThat(file).exists();
  }
}

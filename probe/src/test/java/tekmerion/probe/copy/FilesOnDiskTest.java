package tekmerion.probe.copy;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tekmerion.core.files.FileCopy;
import tekmerion.core.files.FoundFile;

/** What a copy of files holds is what was copied, whatever the files are called. */
class FilesOnDiskTest {
  @TempDir private Path folder;

  private static FoundFile file(String path, String content) {
    return new FoundFile(
        path,
        false,
        content.length(),
        Optional.empty(),
        List.of(),
        Optional.empty(),
        Optional.empty());
  }

  private static void write(FilesOnDisk to, String path, String content) {
    try (FileCopy.Target target = to.begin(file(path, content))) {
      target.write(content.getBytes(StandardCharsets.US_ASCII), content.length());
      target.keep();
    }
  }

  /** A browser makes both while it loads: an empty file, and what it has so far beside it. */
  @Test
  void aFileThatIsCalledAsAPartOfAnotherStays() throws IOException {
    FilesOnDisk to = new FilesOnDisk(folder.resolve("files-1"));
    write(to, "Downloads/atlas.zip.part", "what came so far");
    write(to, "Downloads/atlas.zip", "");

    assertThat(folder.resolve("files-1/Downloads/atlas.zip.part")).hasContent("what came so far");
    assertThat(folder.resolve("files-1/Downloads/atlas.zip")).isEmptyFile();
  }

  /** The disk is full, or the drive fails: half a file is none. */
  @Test
  void whatIsNotKeptLeavesNoTrace() throws IOException {
    FilesOnDisk to = new FilesOnDisk(folder.resolve("files-1"));
    write(to, "letter.txt", "before");
    try (FileCopy.Target target = to.begin(file("letter.txt", "after"))) {
      target.write(new byte[3], 3);
    }

    assertThat(folder.resolve("files-1/letter.txt")).hasContent("before");
    try (Stream<Path> left = Files.walk(folder)) {
      assertThat(left.filter(Files::isRegularFile)).hasSize(1);
    }
  }

  @Test
  void namesThatAreTooLongStayApart() throws IOException {
    FilesOnDisk to = new FilesOnDisk(folder.resolve("files-1"));
    String same = "\u6E2F".repeat(100);
    write(to, same + "a" + same.substring(0, 12), "one");
    write(to, same + "b" + same.substring(0, 12), "two");

    try (Stream<Path> files = Files.list(folder.resolve("files-1"))) {
      assertThat(files.map(f -> readString(f))).containsExactlyInAnyOrder("one", "two");
    }
  }

  private static String readString(Path file) {
    try {
      return Files.readString(file);
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }

  @Test
  void noNameLeadsOutOfTheFolder() throws IOException {
    FilesOnDisk to = new FilesOnDisk(folder.resolve("files-1"));
    for (String path : List.of("../out.txt", "a/../../out.txt", "/../out.txt", "..", ".", "a/..")) {
      assertThatThrownBy(() -> write(to, path, "x"))
          .as(path)
          .isInstanceOf(FileCopy.DestinationException.class);
    }
    try (Stream<Path> left = Files.walk(folder)) {
      assertThat(left.filter(Files::isRegularFile)).isEmpty();
    }
  }
}

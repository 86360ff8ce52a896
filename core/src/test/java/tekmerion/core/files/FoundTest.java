package tekmerion.core.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class FoundTest {
  private static FoundFile file(String path, long offset) {
    return new FoundFile(
        path,
        false,
        512,
        Optional.empty(),
        List.of(new Piece(offset, 512)),
        Optional.empty(),
        Optional.empty());
  }

  /** A folder that lists a name twice, and names that differ only in what no name here may hold. */
  @Test
  void noTwoFilesHaveOnePath() {
    Found found = new Found();
    found.add(file(Found.join("Letters", "aunt.txt"), 4096));
    found.add(file(Found.join("Letters", "aunt.txt"), 1024));
    found.add(file(Found.join("Letters", "a\u0001b"), 0));
    found.add(file(Found.join("Letters", "a\u0002b"), 512));
    found.add(file(Found.join("Letters", "a_b"), 8192));
    found.add(file(Found.join("Letters", "a_b (2)"), 9216));

    assertThat(found.list().files())
        .extracting(f -> f.path() + " at " + f.pieces().get(0).offset())
        .containsExactlyInAnyOrder(
            "Letters/aunt.txt at 1024",
            "Letters/aunt.txt (2) at 4096",
            "Letters/a_b at 0",
            "Letters/a_b (3) at 512", // (2) is another's name already
            "Letters/a_b (4) at 8192",
            "Letters/a_b (2) at 9216");
  }
}

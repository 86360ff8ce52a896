package tekmerion.probe.console;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ScreensTest {
  @TempDir Path folder;

  @Test
  void whatADriveSaysOfItselfMovesNoCursor() {
    assertThat(Screens.plain("HELM\u001b[2J-1000S\r\n")).isEqualTo("HELM [2J-1000S  ");
  }

  @Test
  void aLineIsBrokenAtWordsAndFits() {
    String line = "Link    " + "word ".repeat(30).strip();

    List<String> lines = Screens.broken(line);

    assertThat(lines).hasSize(3).allMatch(l -> l.length() <= Screens.COLUMNS);
    assertThat(lines.get(1)).startsWith("        word");
    assertThat(String.join("", lines).replace(" ", "")).isEqualTo(line.replace(" ", ""));
    // One without a space is broken all the same.
    assertThat(Screens.broken("x".repeat(200))).allMatch(l -> l.length() <= Screens.COLUMNS);
  }

  @Test
  void showsNoMoreThanFitsAndTheSameOnlyOnce() throws IOException {
    Path terminal = Files.createFile(folder.resolve("tty"));
    Path none = folder.resolve("no/such/tty");
    List<String> many = Collections.nCopies(60, "line");
    try (Screens screens = new Screens(List.of(none, terminal))) {
      screens.show(many);
      long once = Files.size(terminal);
      screens.show(many);

      assertThat(Files.readString(terminal).lines()).hasSizeLessThanOrEqualTo(Screens.ROWS);
      assertThat(Files.size(terminal)).isEqualTo(once);
    }
  }
}

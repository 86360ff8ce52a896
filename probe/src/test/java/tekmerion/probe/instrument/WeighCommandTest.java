package tekmerion.probe.instrument;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tekmerion.probe.Tekmerion;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class WeighCommandTest {
  @TempDir private Path folder;
  private String out;
  private String err;

  private int weigh(String json) throws IOException {
    Path file = Files.writeString(folder.resolve("case.json"), json);
    StringWriter printed = new StringWriter();
    ByteArrayOutputStream errors = new ByteArrayOutputStream();
    PrintStream before = System.err;
    System.setErr(new PrintStream(errors, true, StandardCharsets.UTF_8));
    try {
      return Tekmerion.commandLine()
          .setOut(new PrintWriter(printed, true))
          .execute("weigh", file.toString());
    } finally {
      System.setErr(before);
      out = printed.toString();
      err = errors.toString(StandardCharsets.UTF_8);
    }
  }

  @Test
  void answersWithCausesMovesPlansAndWhatWouldChangeThem() throws IOException {
    int exit =
        weigh(
            """
            {"families": ["mount-failure"], "dataStatus": "WANTED",
             "findings": [{"id": "boot-stage", "level": "loader"},
                       {"id": "drive.pending-sectors", "part": "drive-a", "level": "many"}],
             "done": ["restart-once@machine"]}
            """);

    JsonNode answer = JsonMapper.builder().build().readTree(out);
    assertThat(exit).isZero();
    assertThat(answer.at("/causes/0/cause").stringValue()).isEqualTo("failing-drive");
    assertThat(answer.get("moves").findValuesAsString("move"))
        .isNotEmpty()
        .doesNotContain("restart-once");
    assertThat(answer.at("/plans/0/words").stringValue())
        .isEqualTo("Recover the data, then replace the drive");
    assertThat(answer.has("firstPlaceHangsOn")).isTrue();
  }

  @Test
  void anEmptyCaseIsWeighedByItsPriors() throws IOException {
    assertThat(weigh("{}")).isZero();
  }

  @ParameterizedTest(name = "{1}")
  @CsvSource(
      delimiter = '|',
      value = {
        "{\"families\": [\"bewitched\"]} | no complaint family bewitched",
        "{\"findings\": [{\"id\": \"colour\", \"level\": \"blue\"}]} | no finding colour",
        "{\"findings\": [{\"id\": \"boot-stage\", \"level\": \"moon\"}]} | has no level moon",
        "{\"wand\": 1} | this is not the JSON that is wanted",
        "[ | this is not the JSON that is wanted"
      })
  void whatIsNoCaseIsToldAndNothingElse(String json, String words) throws IOException {
    assertThat(weigh(json)).isEqualTo(2);
    assertThat(err).contains(words).contains("docs/formats.md");
    assertThat(out).isEmpty();
  }
}

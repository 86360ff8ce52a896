package tekmerion.probe.instrument;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import tekmerion.probe.Tekmerion;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Every instrument with every bad input: one object that says what, exit 2, and no stack trace. */
class BadInputTest {
  private static final JsonMapper JSON = JsonMapper.builder().build();

  @TempDir static Path folder;

  /** Files that are nothing that any instrument wants. */
  private static Map<String, byte[]> contents() {
    Map<String, byte[]> contents = new LinkedHashMap<>();
    contents.put("empty", new byte[0]);
    contents.put("one-byte", new byte[] {7});
    contents.put("null.json", "null".getBytes(StandardCharsets.UTF_8));
    contents.put("list.json", "[1, 2]".getBytes(StandardCharsets.UTF_8));
    contents.put("cut.json", "{\"findings\": [".getBytes(StandardCharsets.UTF_8));
    contents.put("other.json", "{\"nothing\": {\"known\": 1}}".getBytes(StandardCharsets.UTF_8));
    contents.put("not-utf8", new byte[] {(byte) 0xC3, (byte) 0x28, 10, (byte) 0xFF, 10});
    contents.put("header.csv", "t_s,voltage_v,current_a\n".getBytes(StandardCharsets.UTF_8));
    contents.put("quote.csv", "\"a,b\n1,2".getBytes(StandardCharsets.UTF_8));
    contents.put(
        "trend-header.csv",
        "taken_at,power_on_hours,attribute,raw\n".getBytes(StandardCharsets.UTF_8));
    contents.put(
        "no-numbers.csv",
        "t_s,voltage_v,current_a\na,b,c\nd,e,f\n".getBytes(StandardCharsets.UTF_8));
    contents.put(
        "short-row.csv",
        "taken_at,power_on_hours,attribute,raw\n2026-01-01T00:00:00Z,5\n"
            .getBytes(StandardCharsets.UTF_8));
    return contents;
  }

  static Stream<Arguments> cases() throws IOException {
    List<Path> files = new ArrayList<>();
    for (var one : contents().entrySet()) {
      files.add(Files.write(folder.resolve(one.getKey()), one.getValue()));
    }
    files.add(Files.createDirectories(folder.resolve("folder")));
    files.add(folder.resolve("none"));
    files.add(Path.of("/dev/null"));
    List<Arguments> all = new ArrayList<>();
    for (Path file : files) {
      String f = file.toString();
      String name = file.getFileName().toString();
      boolean image = Files.isRegularFile(file) && Files.size(file) > 0;
      add(all, name, "decode", "ata-identify", f);
      add(all, name, "decode", "ata-smart", "--thresholds", f, f);
      add(all, name, "decode", "nvme-smart", f);
      add(all, name, "decode", "spd-ddr4", f);
      add(all, name, "discharge", f);
      add(all, name, "trend", f);
      add(all, name, "weigh", f);
      add(all, name, "march", "--size", "64K", "--faults", f);
      add(all, name, "load", "--seconds", "5", "--before", f);
      if (!image) {
        // Any bytes are an image with something or nothing on it.
        add(all, name, "survey", f);
        add(all, name, "files", f);
        add(all, name, "carve", f);
        add(all, name, "surface", "--quiet", f);
        add(all, name, "rescue", f, folder + "/to.img", "--map", folder + "/to.map");
      }
    }
    String good = Files.write(folder.resolve("good"), new byte[4_096]).toString();
    add(all, "options", "march", "--size", "64K", "--passes", "0");
    add(all, "options", "march", "--size", "64K", "--threads", "-2");
    add(all, "options", "march", "--size", "much");
    add(all, "options", "march", "--size", "64K", "--algorithm", "none");
    add(all, "options", "discharge", discharge(), "--cut-off", "-5");
    add(all, "options", "discharge", discharge(), "--design", "0");
    add(all, "options", "discharge", discharge(), "--sensor-gain", "NaN");
    add(all, "options", "discharge", discharge().replace("run", "reversed"));
    add(all, "options", "trend", good, "--kind", "sideways");
    add(all, "options", "surface", good, "--limit-rate", "0");
    add(all, "options", "survey", good, "--reads", "nothingfs");
    add(all, "options", "rescue", good, good, "--map", folder + "/m");
    add(all, "options", "rescue", good, folder + "/o", "--map", folder + "/m", "--retries", "-1");
    add(all, "options", "load", "--seconds", "-1");
    add(all, "options", "decode", "no-such-kind", good);
    add(all, "options", "surface");
    add(all, "options", "march", "--size");
    return all.stream();
  }

  private static void add(List<Arguments> to, String name, String... words) {
    to.add(Arguments.of(words[0], name, words));
  }

  private static String discharge() throws IOException {
    StringBuilder rows = new StringBuilder("t_s,voltage_v,current_a\n");
    StringBuilder reversed = new StringBuilder(rows);
    for (int s = 0; s < 20; s++) {
      rows.append("%d,12.0,1.0%n".formatted(s));
      reversed.append("%d,12.0,-1.0%n".formatted(s));
    }
    Files.writeString(folder.resolve("reversed.csv"), reversed);
    return Files.writeString(folder.resolve("run.csv"), rows).toString();
  }

  @ParameterizedTest(name = "{0} of {1}")
  @MethodSource("cases")
  void isToldInOneObject(String instrument, String input, String[] words) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ByteArrayOutputStream err = new ByteArrayOutputStream();
    PrintStream outBefore = System.out;
    PrintStream errBefore = System.err;
    System.setOut(new PrintStream(out, true, StandardCharsets.UTF_8));
    System.setErr(new PrintStream(err, true, StandardCharsets.UTF_8));
    int exit;
    try {
      exit = Tekmerion.commandLine().execute(words);
    } finally {
      System.setOut(outBefore);
      System.setErr(errBefore);
    }
    String told = err.toString(StandardCharsets.UTF_8);
    assertThat(exit).as(told + out).isEqualTo(2);
    assertThat(out.toString(StandardCharsets.UTF_8)).isEmpty();
    JsonNode error = JSON.readTree(told).get("error");
    assertThat(error.get("what").stringValue()).isNotBlank();
    assertThat(error.get("expected").stringValue()).isNotBlank();
    assertThat(error.has("found")).isTrue();
    assertThat(told)
        .doesNotContain("Exception")
        .doesNotContain("java.")
        .doesNotContain("tekmerion.core")
        .doesNotContain("tekmerion.probe")
        .doesNotContain("\tat ");
  }
}

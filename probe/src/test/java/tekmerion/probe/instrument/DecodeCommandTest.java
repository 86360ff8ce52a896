package tekmerion.probe.instrument;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.port.PageKind;
import tekmerion.probe.Tekmerion;
import tekmerion.sim.SimMachines;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Runs the command as the launcher does, on pages of a simulated drive. */
class DecodeCommandTest {
  private static final JsonMapper JSON = JsonMapper.builder().build();
  @TempDir private Path folder;

  /** What a run printed. */
  private record Run(int exit, String out, String err) {
    JsonNode json() {
      return JSON.readTree(out);
    }

    JsonNode error() {
      return JSON.readTree(err).get("error");
    }
  }

  @BeforeEach
  void writePages() throws IOException {
    MachineUnderTest machine = new SimMachines().open("sim:worn-disk,0").orElseThrow();
    for (PageKind kind : machine.drives().get(0).pages().kinds()) {
      byte[] bytes = machine.drives().get(0).pages().read(kind).bytes().orElseThrow().bytes();
      Files.write(folder.resolve(kind.wireName()), bytes);
    }
  }

  private Run decode(Object... args) {
    String[] words =
        Arrays.stream(args)
            .map(arg -> arg instanceof Path path ? folder.resolve(path).toString() : arg.toString())
            .toArray(String[]::new);
    String[] all = new String[words.length + 1];
    all[0] = "decode";
    System.arraycopy(words, 0, all, 1, words.length);
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ByteArrayOutputStream err = new ByteArrayOutputStream();
    PrintStream outBefore = System.out;
    PrintStream errBefore = System.err;
    try {
      System.setOut(new PrintStream(out, true, StandardCharsets.UTF_8));
      System.setErr(new PrintStream(err, true, StandardCharsets.UTF_8));
      int exit = Tekmerion.commandLine().execute(all);
      return new Run(
          exit, out.toString(StandardCharsets.UTF_8), err.toString(StandardCharsets.UTF_8));
    } finally {
      System.setOut(outBefore);
      System.setErr(errBefore);
    }
  }

  @Test
  void printsEveryFieldOfAnIdentityPage() {
    Run run = decode("ata-identify", Path.of("ata-identify"));

    assertThat(run.exit()).isZero();
    assertThat(run.json().get("serialNumber").stringValue()).isEqualTo("OS7K-44019-B");
    assertThat(run.json().get("capacityBytes").longValue()).isEqualTo(1_000_204_886_016L);
    assertThat(run.json().at("/fields/smartSelfTestSupported").booleanValue()).isTrue();
    assertThat(run.json().at("/fields/worldWideName").stringValue()).isEqualTo("5f1d0a440190000b");
    assertThat(run.json().at("/fields/currentMediaSerialNumber").isNull()).isTrue();
  }

  @Test
  void printsAttributesWithTheirRawBytesAndThresholds() {
    Run run = decode("ata-smart", Path.of("ata-smart"), "--thresholds", Path.of("ata-thresholds"));

    assertThat(run.exit()).isZero();
    JsonNode spinUp =
        run.json()
            .get("attributes")
            .valueStream()
            .filter(a -> a.get("id").intValue() == 10)
            .findFirst()
            .orElseThrow();
    assertThat(spinUp.get("threshold").intValue()).isEqualTo(97);
    assertThat(spinUp.get("thresholdState").stringValue()).isEqualTo("PASSES");
    assertThat(spinUp.get("rawHex").stringValue()).isEqualTo("000000000000");
  }

  @Test
  void withoutThresholdsNothingIsSaidOfTheirState() {
    Run run = decode("ata-smart", Path.of("ata-smart"));

    assertThat(run.json().at("/attributes/0/threshold").isNull()).isTrue();
    assertThat(run.json().at("/attributes/0/thresholdState").isNull()).isTrue();
  }

  @Test
  void printsOneLineAFileForSeveral() {
    Run run = decode("ata-smart", Path.of("ata-smart"), Path.of("ata-smart"));

    assertThat(run.out().lines()).hasSize(2).allSatisfy(line -> JSON.readTree(line));
  }

  @ParameterizedTest(name = "{0} bytes")
  @ValueSource(ints = {0, 1, 511, 513, 4096})
  void aPageOfTheWrongSizeIsOneErrorObject(int size) throws IOException {
    Files.write(folder.resolve("page"), new byte[size]);

    Run run = decode("ata-smart", Path.of("page"));

    assertThat(run.exit()).isEqualTo(2);
    assertThat(run.out()).isEmpty();
    assertThat(run.error().get("offset").intValue()).isEqualTo(Math.min(size, 512));
    assertThat(run.error().get("expected").stringValue()).isEqualTo("512 bytes");
    assertThat(run.error().get("found").stringValue())
        .isEqualTo(size == 1 ? "1 byte" : size + " bytes");
    assertThat(run.error().get("what").stringValue()).contains("SMART READ DATA");
  }

  @Test
  void aMissingFileIsTheSameKindOfError() {
    Run run = decode("ata-identify", Path.of("nowhere"));

    assertThat(run.exit()).isEqualTo(2);
    assertThat(run.error().get("what").stringValue()).isEqualTo("the file cannot be opened");
    assertThat(run.err()).doesNotContain("\tat ");
  }
}

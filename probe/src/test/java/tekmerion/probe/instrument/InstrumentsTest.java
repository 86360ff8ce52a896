package tekmerion.probe.instrument;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tekmerion.core.rescue.KeptRescue;
import tekmerion.core.rescue.State;
import tekmerion.probe.Tekmerion;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The commands as a person calls them: words in, exit code and JSON out. */
class InstrumentsTest {
  private static final JsonMapper JSON = JsonMapper.builder().build();
  @TempDir Path folder;

  private record Said(int exit, String out, String err) {
    JsonNode json() {
      return JSON.readTree(out);
    }
  }

  private static synchronized Said run(Object... words) {
    PrintStream out = System.out;
    PrintStream err = System.err;
    ByteArrayOutputStream said = new ByteArrayOutputStream();
    ByteArrayOutputStream complained = new ByteArrayOutputStream();
    try {
      System.setOut(new PrintStream(said, true, StandardCharsets.UTF_8));
      System.setErr(new PrintStream(complained, true, StandardCharsets.UTF_8));
      String[] args = Arrays.stream(words).map(Object::toString).toArray(String[]::new);
      int exit = Tekmerion.commandLine().execute(args);
      return new Said(
          exit, said.toString(StandardCharsets.UTF_8), complained.toString(StandardCharsets.UTF_8));
    } finally {
      System.setOut(out);
      System.setErr(err);
    }
  }

  private Path csv(String... lines) throws IOException {
    return Files.write(folder.resolve("series.csv"), List.of(lines));
  }

  @Test
  void tellsATrendFromAFile() throws IOException {
    Path file =
        csv(
            "taken_at,power_on_hours,attribute,raw,serial,firmware",
            "2026-03-14T10:00:00Z,402,197,0,A,1",
            "2026-05-14T10:00:00Z,602,197,10,A,1",
            "2026-07-14T10:00:00+01:00,802,197,20,A,1",
            "2026-09-09T10:00:00Z,1002,197,30,A,1");

    JsonNode json = run("trend", file).json();

    assertThat(json.get("attribute").asString()).isEqualTo("197");
    assertThat(json.get("slope").get("value").asDouble()).isCloseTo(50, within(1e-9)); // per 1000 h
    assertThat(json.get("growth").get("s").asInt()).isEqualTo(6);
    assertThat(json.get("splits")).isEmpty();
    assertThat(json.get("forecast").get("points")).isNotEmpty();
  }

  @Test
  void readsTheHoursOutOfAPackedRawValue() throws IOException {
    // 24 bits of hours, above them milliseconds of the hour: 402 + 1000·2^24.
    Path file =
        csv("taken_at,power_on_hours,attribute,raw", "2026-03-14T10:00:00Z,402,9,16777216402");

    JsonNode json = run("trend", file).json();

    assertThat(json.get("slope").isNull()).isTrue();
    assertThat(json.get("why").asString()).contains("need 3");
  }

  @ParameterizedTest(name = "{0}")
  @CsvSource({
    "'2026-03-14,402,197,0', taken_at is no time",
    "'2026-03-14T10:00:00Z,many,197,0', power_on_hours is no number",
    "'2026-03-14T10:00:00Z,402,197,NaN', raw is no number"
  })
  void namesTheLineThatIsWrong(String row, String what) throws IOException {
    Said said = run("trend", csv("taken_at,power_on_hours,attribute,raw", row));

    assertThat(said.exit()).isEqualTo(2);
    assertThat(said.out()).isEmpty();
    JsonNode error = JSON.readTree(said.err()).get("error");
    assertThat(error.get("what").asString()).isEqualTo(what);
    assertThat(error.get("line").asInt()).isEqualTo(2);
  }

  @Test
  void readsTheSurfaceOfAFile() throws IOException {
    Path file = Files.write(folder.resolve("disk.img"), new byte[20 << 20]);

    Said said = run("surface", file, "--quiet");

    assertThat(said.exit()).isZero();
    assertThat(said.json().get("end").asString()).isEqualTo("complete");
    assertThat(said.json().get("bytesRead").asLong()).isEqualTo(20 << 20);
    assertThat(said.json().get("badSectors").asInt()).isZero();
  }

  @Test
  void saysWhatItCannotRead() {
    Said said = run("surface", folder.resolve("none"), "--quiet");

    assertThat(said.exit()).isEqualTo(2);
    assertThat(JSON.readTree(said.err()).get("error").get("file").asString()).isEqualTo("none");
  }

  @ParameterizedTest(name = "{0} is {1} bytes a second")
  @CsvSource({"20M, 20000000", "512k, 512000", "1.5G, 1500000000", "900, 900", "3MB/s, 3000000"})
  void readsARate(String text, long bytes) {
    assertThat(SurfaceCommand.rate(text)).isEqualTo(bytes);
  }

  /**
   * A process of its own, ended with SIGKILL while it reads; the next one goes on from its state.
   */
  @Test
  void goesOnAfterASigkill() throws Exception {
    Path file = Files.write(folder.resolve("disk.img"), new byte[96 << 20]);
    Path state = folder.resolve("state");
    Process first = surface(file, "--limit-rate", "10M", "--state", state.toString());
    long until = System.nanoTime() + TimeUnit.SECONDS.toNanos(30);
    while (!Files.exists(state) && System.nanoTime() < until) {
      Thread.sleep(50);
    }
    first.destroyForcibly().waitFor();
    long kept = Files.size(state);

    Said said = run("surface", file, "--state", state, "--quiet");

    assertThat(kept).isPositive();
    assertThat(said.json().get("end").asString()).isEqualTo("complete");
    assertThat(said.json().get("bytesRead").asLong()).isEqualTo(96 << 20);
    assertThat(state).doesNotExist();
  }

  private static Process surface(Path file, String... more) throws IOException {
    List<String> command =
        new ArrayList<>(
            List.of(
                ProcessHandle.current().info().command().orElse("java"),
                "-cp",
                System.getProperty("java.class.path"),
                "tekmerion.probe.Tekmerion",
                "surface",
                file.toString(),
                "--quiet"));
    command.addAll(List.of(more));
    return new ProcessBuilder(command).redirectErrorStream(true).start();
  }

  @Test
  void marchesThroughThisMachinesMemory() {
    Said said =
        run("march", "--size", "4M", "--algorithm", "March C-", "--threads", "2", "--quiet");

    assertThat(said.exit()).isZero();
    assertThat(said.json().get("bytes").asLong()).isEqualTo(4L << 20);
    assertThat(said.json().get("where").asString()).isEqualTo("No error");
    assertThat(said.json().get("coverage").asString()).contains("cannot be reached");
  }

  @Test
  void marchesThroughSimulatedMemoryWithFaults() throws IOException {
    Path faults =
        Files.writeString(
            folder.resolve("faults.json"),
            """
            ["stuck-at word=5 bit=3 state=1",
             "coupling-inversion word=20 bit=9 by-word=30 by-bit=9 by-state=1"]
            """);

    Said said = run("march", "--size", "4K", "--faults", faults, "--quiet");

    assertThat(said.exit()).isEqualTo(1);
    assertThat(said.json().at("/byClass/STUCK_AT").asInt()).isEqualTo(1);
    assertThat(said.json().at("/byClass/COUPLING").asInt()).isEqualTo(1);
    assertThat(run("march", "--size", "4X", "--quiet").err()).contains("no size");
    Files.writeString(faults, "[\"stuck-at word=5 bit=64 state=1\"]");
    assertThat(run("march", "--size", "4K", "--faults", faults, "--quiet").err())
        .contains("bit must be 0 to 63");
  }

  @Test
  void tellsWhatADischargeRunSays() throws IOException {
    // An hour at 2 A: 2 Ah, half of a pack of 4.
    Path file = csv("t_s,voltage_v,current_a", "0,12,2", "1200,11.5,2", "2400,11,2", "3600,9,2");

    Said said = run("discharge", file, "--design", "4");

    assertThat(said.exit()).isZero();
    assertThat(said.json().at("/chargeAh/value").asDouble()).isCloseTo(2, within(1e-9));
    assertThat(said.json().at("/healthByCapacity/value").asDouble()).isCloseTo(0.5, within(1e-9));
    assertThat(said.json().get("resistanceOhm").isNull()).isTrue(); // no load steps
    assertThat(run("discharge", csv("t_s,voltage_v", "0,12")).err())
        .contains("a column is missing")
        .contains("\"current_a\"");
  }

  /** The signature of an encrypted volume, and nothing else; the image is left as it was. */
  @Test
  void surveysAnImageAndLeavesItAsItWas() throws IOException {
    byte[] image = new byte[1 << 20];
    System.arraycopy("-FVE-FS-".getBytes(StandardCharsets.US_ASCII), 0, image, 3, 8);
    Path file = Files.write(folder.resolve("outside.img"), image);

    Said said = run("survey", file);

    assertThat(said.exit()).isZero();
    assertThat(said.json().get("reason").stringValue()).isEqualTo("encrypted");
    assertThat(said.json().get("parts").get(0).get("startByte").intValue()).isZero();
    assertThat(Files.readAllBytes(file)).isEqualTo(image);
    assertThat(run("survey", folder.resolve("none.img")).exit()).isEqualTo(2);
    assertThat(run("survey", file, "--reads", "harbourfs").err()).contains("harbourfs");
  }

  /** What a system wrote into the folder of its battery, as a person would copy it. */
  @Test
  void decodesABatteryFromAFolderAndFromRegisters() throws IOException {
    Path supply = Files.createDirectories(folder.resolve("BAT0"));
    Files.writeString(supply.resolve("type"), "Battery\n");
    Files.writeString(supply.resolve("energy_full_design"), "50000000\n");
    Files.writeString(supply.resolve("energy_full"), "40000000\n");
    // Full 1,000 mAh of 2,000 mAh: registers 10h and 18h, two bytes each, low byte first.
    Path registers =
        Files.write(
            folder.resolve("registers.bin"),
            new byte[] {0x10, 2, (byte) 0xE8, 0x03, 0x18, 2, (byte) 0xD0, 0x07});

    assertThat(run("decode", "battery", supply).json().get("health").doubleValue())
        .isCloseTo(0.8, within(1e-9));
    assertThat(run("decode", "battery", registers).json().get("health").doubleValue())
        .isCloseTo(0.5, within(1e-9));
  }

  @Test
  void samplesThisMachineAndComparesWithBefore() throws IOException {
    Said before = run("load", "--seconds", 5);
    assertThat(before.exit()).as(before.err()).isZero();
    Path file = Files.writeString(folder.resolve("before.json"), before.out());

    Said after = run("load", "--seconds", 5, "--before", file);

    assertThat(after.exit()).as(after.err()).isZero();
    assertThat(after.json().get("changes").size()).isPositive();
    assertThat(run("load", "--seconds", 1).exit()).isEqualTo(2);
  }

  @Test
  void rescuesAnImageGoesOnFromItsMapAndNeverWritesToItsSource() throws IOException {
    byte[] bytes = new byte[3_000_000];
    new Random(5).nextBytes(bytes);
    Path source = Files.write(folder.resolve("source.img"), bytes);
    Path image = folder.resolve("copy.img");
    Path map = folder.resolve("copy.map");
    // Killed after 1,954 sectors: map and sums say so, and only these are in the image.
    byte[] read = Arrays.copyOf(bytes, 1_954 * 512);
    KeptRescue kept = KeptRescue.begin(bytes.length);
    kept.map().set(0, read.length, State.READ);
    kept.sums().add(0, read);
    Files.write(image, read);
    Files.writeString(map, kept.text());

    Said said = run("rescue", source, image, "--map", map);

    assertThat(said.exit()).as(said.err()).isZero();
    assertThat(said.json().get("readBytes").intValue()).isEqualTo(3_000_000);
    assertThat(Files.readAllBytes(image)).isEqualTo(bytes);
    assertThat(Files.readAllBytes(source)).isEqualTo(bytes);
    assertThat(run("rescue", source, source, "--map", folder.resolve("m")).err())
        .contains("the destination is the source");
    assertThat(run("rescue", source, folder.resolve("new.img"), "--map", map).err())
        .contains("not the image");
  }
}

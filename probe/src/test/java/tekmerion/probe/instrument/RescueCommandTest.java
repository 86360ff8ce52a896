package tekmerion.probe.instrument;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The command as a process of its own. */
class RescueCommandTest {
  private static final int SIZE = 160 << 20;

  @TempDir Path folder;

  private Process rescue(Path source, String... more) throws IOException {
    List<String> command =
        new ArrayList<>(
            List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-cp",
                System.getProperty("java.class.path"),
                "tekmerion.probe.Tekmerion",
                "rescue",
                source.toString(),
                folder.resolve("disk.img").toString(),
                "--map",
                folder.resolve("disk.map").toString()));
    command.addAll(List.of(more));
    return new ProcessBuilder(command).redirectErrorStream(true).start();
  }

  private static String end(Process process) throws Exception {
    String output = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    process.waitFor();
    return output;
  }

  private Path source() throws IOException {
    byte[] bytes = new byte[SIZE];
    new Random(5).nextBytes(bytes);
    return Files.write(folder.resolve("source"), bytes);
  }

  /** SIGKILL at any moment: from before it reads until it is nearly done. */
  @Test
  void goesOnAfterBeingKilledAndHasTheSameBytes() throws Exception {
    Path source = source();
    FileTime before = Files.getLastModifiedTime(source);
    Random random = new Random(9);
    int killed = 0;
    for (int i = 0; i < 8; i++) {
      Process process = rescue(source);
      if (!process.waitFor(150 + random.nextInt(700), TimeUnit.MILLISECONDS)) {
        process.destroyForcibly().waitFor();
        killed++;
      }
    }
    Process last = rescue(source, "--verify");

    String output = end(last);

    assertThat(killed).isPositive();
    assertThat(last.exitValue()).as(output).isZero();
    assertThat(output).contains("\"agrees\" : true");
    assertThat(Files.mismatch(source, folder.resolve("disk.img"))).isEqualTo(-1);
    assertThat(Files.getLastModifiedTime(source)).isEqualTo(before);
  }

  /** Opened for reading only, even by whoever may write to it. */
  @Test
  void neverOpensTheSourceForWriting() throws Exception {
    Path source = source();
    Process process = rescue(source);
    String flags = "";
    while (process.isAlive() && flags.isEmpty()) {
      flags = flagsOf(process, source);
    }
    end(process);

    // Octal, as in open(2): the last digit is 0 for O_RDONLY.
    assertThat(flags).matches("flags:\\s+0\\d*0");
  }

  private static String flagsOf(Process process, Path source) throws IOException {
    Path open = Path.of("/proc/" + process.pid() + "/fd");
    try (var links = Files.list(open)) {
      for (Path link : links.toList()) {
        if (Files.isSymbolicLink(link) && Files.readSymbolicLink(link).equals(source)) {
          Path info = Path.of("/proc/" + process.pid() + "/fdinfo", link.getFileName().toString());
          return Files.readAllLines(info).stream()
              .filter(l -> l.startsWith("flags"))
              .findFirst()
              .orElse("");
        }
      }
    } catch (IOException | UncheckedIOException e) {
      return ""; // it began or ended just now
    }
    return "";
  }

  @Test
  void refusesTheSourceAndADamagedMap() throws Exception {
    Path source = source();
    Files.createLink(folder.resolve("disk.img"), source);
    assertThat(end(rescue(source))).contains("the destination is the source");
    Files.delete(folder.resolve("disk.img"));
    try (RandomAccessFile map = new RandomAccessFile(folder.resolve("disk.map").toFile(), "rw")) {
      map.writeBytes("tekmerion rescue map 1\n" + SIZE + "\n0 " + SIZE + " +\n");
    }

    Process process = rescue(source);

    assertThat(end(process)).contains("not the image that it is of");
    Files.createFile(folder.resolve("disk.img"));
    assertThat(end(rescue(source))).contains("its sums are missing");
  }
}

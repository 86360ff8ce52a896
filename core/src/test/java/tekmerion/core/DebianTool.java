package tekmerion.core;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import tekmerion.core.port.ByteSource;
import tekmerion.core.port.ReadResult;

/** Debian's own file-system tools, and the images that they make. */
public final class DebianTool {
  private DebianTool() {}

  /** On a path without /sbin they are found by their whole name. */
  public static void run(List<String> words, String input)
      throws IOException, InterruptedException {
    List<String> command = new ArrayList<>(words);
    for (String place : List.of("/usr/sbin/", "/sbin/", "/usr/bin/")) {
      if (Files.isExecutable(Path.of(place + words.get(0)))) {
        command.set(0, place + words.get(0));
        break;
      }
    }
    ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true);
    builder.environment().merge("PATH", "/usr/sbin:/sbin", (a, b) -> a + ":" + b);
    Process process = builder.start();
    process.getOutputStream().write(input.getBytes(StandardCharsets.US_ASCII));
    process.getOutputStream().close();
    String output = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    assertThat(process.waitFor()).as(command + ": " + output).isZero();
  }

  public static void run(String... words) throws IOException, InterruptedException {
    run(List.of(words), "");
  }

  /** Of zeros that take no room. */
  public static void empty(Path image, long bytes) throws IOException {
    try (RandomAccessFile sparse = new RandomAccessFile(image.toFile(), "rw")) {
      sparse.setLength(0);
      sparse.setLength(bytes);
    }
  }

  /** An image in memory; a stretch of it may be unreadable. */
  public record Image(byte[] bytes, long badFrom, long badTo) implements ByteSource {
    @Override
    public long sizeBytes() {
      return bytes.length;
    }

    @Override
    public int sectorBytes() {
      return 512;
    }

    @Override
    public ReadResult read(long offset, int length) {
      return offset < badTo && offset + length > badFrom
          ? new ReadResult.MediumError(0, "input/output error")
          : ReadResult.data(Arrays.copyOfRange(bytes, (int) offset, (int) offset + length), 0);
    }

    @Override
    public void close() {
      // in memory
    }
  }
}

package tekmerion.probe.console;

import static tekmerion.words.Words.say;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * One of the instruments at work without a server, in a process of its own: what breaks there does
 * not take the screen along. They only read.
 */
final class SoleWork {
  private static final JsonMapper JSON = JsonMapper.builder().build();
  private static final long LAST_BYTES = 400;

  private Process process;
  private String command = "";
  private Path device;
  private Path out;
  private Path progress;
  private String notBegun = "";

  boolean isRunning() {
    return process != null && process.isAlive();
  }

  /**
   * @param with one of the program's commands that reads
   */
  void begin(String with, Path drive) {
    command = with;
    device = drive;
    try {
      clear();
      out = Files.createTempFile("work", ".json");
      progress = Files.createTempFile("work", ".txt");
      process =
          new ProcessBuilder(
                  Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                  "-XX:TieredStopAtLevel=1",
                  "-XX:+UseSerialGC",
                  "-cp",
                  System.getProperty("java.class.path"),
                  "tekmerion.probe.Tekmerion",
                  command,
                  drive.toString())
              .redirectInput(new File("/dev/null"))
              .redirectOutput(out.toFile())
              .redirectError(progress.toFile())
              .start();
    } catch (IOException e) {
      process = null;
      notBegun = String.valueOf(e.getMessage());
    }
  }

  /** What the one before it left behind. */
  private void clear() throws IOException {
    notBegun = "";
    for (Path left : new Path[] {out, progress}) {
      if (left != null) {
        Files.deleteIfExists(left);
      }
    }
  }

  void stop() {
    if (isRunning()) {
      process.destroy();
      try {
        process.waitFor(10, TimeUnit.SECONDS);
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
      }
    }
  }

  /** What it does or has found; empty before anything. */
  String words() {
    if (command.isEmpty()) {
      return "";
    }
    if (!notBegun.isEmpty()) {
      return say("console.could-not-run", "device", device.toString(), "why", notBegun);
    }
    if (isRunning()) {
      return say(
          "console.at-work", "command", command, "device", device.toString(), "said", last());
    }
    try {
      return found(JSON.readTree(Files.readString(out)));
    } catch (IOException | JacksonException e) {
      return say("console.could-not-run", "device", device.toString(), "why", last());
    }
  }

  private String found(JsonNode json) {
    return command.equals("surface")
        ? say(
            "console.scanned",
            "device",
            device.toString(),
            "bad",
            json.path("badSectors").asLong(),
            "percent",
            Math.floor(100 * json.path("shareRead").asDouble()))
        : say(
            "console.surveyed",
            "device",
            device.toString(),
            "parts",
            json.path("parts").size(),
            "contents",
            String.join(
                ", ",
                json.path("parts")
                    .valueStream()
                    .map(p -> p.path("content").asString("?"))
                    .toList()));
  }

  /** The last line that it said while at work. */
  private String last() {
    try {
      byte[] all = Files.readAllBytes(progress);
      int from = (int) Math.max(0, all.length - LAST_BYTES);
      List<String> lines =
          new String(all, from, all.length - from)
              .lines()
              .flatMap(l -> List.of(l.split("\r")).stream())
              .filter(line -> !line.isBlank())
              .toList();
      return lines.isEmpty() ? "" : lines.get(lines.size() - 1).strip();
    } catch (IOException e) {
      return "";
    }
  }
}

package tekmerion.probe.console;

import static tekmerion.words.Words.say;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
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
  private static final String MARCH = "march";
  private static final long LAST_BYTES = 400;

  private Process process;
  private String command = "";
  private String device = "";
  private Path out;
  private Path progress;
  private String notBegun = "";
  private boolean stopped;

  boolean isRunning() {
    return process != null && process.isAlive();
  }

  /**
   * @param with one of the program's commands that reads
   * @param drive its device
   */
  void begin(String with, Path drive) {
    begin(with, drive.toString(), List.of(drive.toString()));
  }

  /** Marches through all the memory that the system can spare. */
  void beginMarch() {
    begin(MARCH, "", List.of("--size", "all"));
  }

  private void begin(String with, String on, List<String> options) {
    command = with;
    device = on;
    try {
      clear();
      out = Files.createTempFile("work", ".json");
      progress = Files.createTempFile("work", ".txt");
      List<String> line =
          new ArrayList<>(
              List.of(
                  Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                  "-XX:+UseSerialGC",
                  "-cp",
                  System.getProperty("java.class.path"),
                  "tekmerion.probe.Tekmerion",
                  command));
      line.addAll(options);
      process =
          new ProcessBuilder(line)
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
    stopped = false;
    for (Path left : new Path[] {out, progress}) {
      if (left != null) {
        Files.deleteIfExists(left);
      }
    }
  }

  void stop() {
    if (isRunning()) {
      stopped = true;
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
      return couldNot(notBegun);
    }
    if (isRunning()) {
      return command.equals(MARCH)
          ? say("console.testing-the-memory", "said", last())
          : say("console.at-work", "command", command, "device", device, "said", last());
    }
    if (stopped) {
      return say("console.stopped", "said", last());
    }
    try {
      return found(JSON.readTree(Files.readString(out)));
    } catch (IOException | JacksonException e) {
      return couldNot(last());
    }
  }

  private String couldNot(String why) {
    return command.equals(MARCH)
        ? say("console.memory-could-not-be-tested", "why", why)
        : say("console.could-not-run", "device", device, "why", why);
  }

  private String found(JsonNode json) {
    if (command.equals(MARCH)) {
      return say(
          "console.marched",
          "gib",
          json.path("bytes").asDouble() / (1L << 30),
          "errors",
          json.path("errors").asLong());
    }
    return command.equals("surface")
        ? say(
            "console.scanned",
            "device",
            device,
            "bad",
            json.path("badSectors").asLong(),
            "percent",
            Math.floor(100 * json.path("shareRead").asDouble()))
        : say(
            "console.surveyed",
            "device",
            device,
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

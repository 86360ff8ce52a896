package tekmerion.probe.devices;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;

/** Programs of the system that make images and parts. */
final class Shell {
  private Shell() {}

  /**
   * @throws IOException with what it printed, if it does not end well
   */
  static void run(Path folder, String... words) throws IOException {
    out(folder, words);
  }

  static String out(Path folder, String... words) throws IOException {
    Process process =
        new ProcessBuilder(words).directory(folder.toFile()).redirectErrorStream(true).start();
    process.getOutputStream().close();
    String out = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    try {
      if (process.waitFor() != 0) {
        throw new IOException(String.join(" ", words) + ": " + out);
      }
    } catch (InterruptedException e) {
      process.destroy();
      Thread.currentThread().interrupt();
      throw new IOException(e);
    }
    return out;
  }
}

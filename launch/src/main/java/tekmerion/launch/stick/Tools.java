package tekmerion.launch.stick;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import tekmerion.link.files.WholeFile;

/** Debian's programs, each run to its end; whatever they write bears one moment. */
final class Tools {
  /** Of every file of an image, so that the same parts give the same bytes: 1 January 2026, UTC. */
  static final long MOMENT_SECONDS = 1_767_225_600L;

  private static final Map<String, String> ENVIRONMENT =
      Map.of(
          "SOURCE_DATE_EPOCH", Long.toString(MOMENT_SECONDS),
          "TZ", "UTC",
          "LC_ALL", "C",
          "PATH", "/usr/sbin:/usr/bin:/sbin:/bin",
          "MTOOLS_SKIP_CHECK", "1");

  private Tools() {}

  /**
   * @return what it printed
   * @throws StickException if it is not there or ends with an error
   */
  static String run(Path in, String... command) {
    return run(in, null, List.of(command));
  }

  /**
   * @param input a file that it reads; null for none
   */
  static String run(Path in, Path input, List<String> command) {
    try {
      Path said = Files.createTempFile("tekmerion-stick", ".txt");
      Path wrong = Files.createTempFile("tekmerion-stick", ".txt");
      try {
        ProcessBuilder builder =
            new ProcessBuilder(command)
                .directory(in.toFile())
                .redirectOutput(said.toFile())
                .redirectError(wrong.toFile());
        builder.environment().keySet().removeIf(name -> name.startsWith("MTOOLS"));
        builder.environment().putAll(ENVIRONMENT);
        builder.redirectInput(input == null ? Path.of("/dev/null").toFile() : input.toFile());
        int code = builder.start().waitFor();
        if (code != 0) {
          throw new StickException(
              "%s ended with %d: %s"
                  .formatted(command.get(0), code, Files.readString(wrong).strip()));
        }
        return Files.readString(said);
      } finally {
        Files.delete(said);
        Files.delete(wrong);
      }
    } catch (IOException e) {
      throw new StickException(
          "%s could not be run: %s".formatted(command.get(0), e.getMessage()), e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new StickException("It was interrupted.", e);
    }
  }

  /** An empty folder in the place of whatever is there. */
  static Path fresh(Path folder) {
    try {
      if (Files.exists(folder)) {
        WholeFile.deleteFolder(folder);
      }
      return Files.createDirectories(folder);
    } catch (IOException e) {
      throw new StickException("%s could not be made: %s".formatted(folder, e.getMessage()), e);
    }
  }
}

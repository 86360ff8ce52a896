package tekmerion.probe.link;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
import tekmerion.link.DriveSeen;
import tekmerion.link.RunKind;
import tekmerion.link.ToProbe;
import tekmerion.link.files.WholeFile;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * What the probe remembers of a run beside its state, so that it can go on with it or end it.
 *
 * @param drive which one it began on; null if it did not tell
 */
record KeptRun(
    UUID requestId,
    String partKey,
    RunKind run,
    boolean gentle,
    Instant startedAt,
    DriveSeen drive) {
  private static final JsonMapper JSON = JsonMapper.builder().build();

  /** What was kept of this run, or a new one. */
  static KeptRun of(
      Path folder, ToProbe.StartRun command, Instant now, Supplier<Optional<DriveSeen>> which) {
    return read(folder, command.requestId())
        .orElseGet(
            () ->
                new KeptRun(
                    command.requestId(),
                    command.partKey(),
                    command.run(),
                    command.gentle(),
                    now,
                    which.get().orElse(null)));
  }

  static Optional<KeptRun> read(Path folder, UUID requestId) {
    Path file = file(folder, requestId);
    try {
      return Files.exists(file)
          ? Optional.of(JSON.readValue(Files.readString(file), KeptRun.class))
          : Optional.empty();
    } catch (IOException | JacksonException e) {
      return Optional.empty();
    }
  }

  void write(Path folder) {
    try {
      WholeFile.write(file(folder, requestId), JSON.writeValueAsString(this));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  void forget(Path folder) throws IOException {
    Files.deleteIfExists(file(folder, requestId));
  }

  private static Path file(Path folder, UUID requestId) {
    return folder.resolve(requestId + ".run.json");
  }
}

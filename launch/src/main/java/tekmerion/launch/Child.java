package tekmerion.launch;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.TimeUnit;

/** One process that we started, its output in a file, its id in another. */
public final class Child implements AutoCloseable {
  private static final Duration PATIENCE = Duration.ofSeconds(40);
  private final String name;
  private final Process process;
  private final Path log;
  private final Path pidFile;

  private Child(String name, Process process, Path log, Path pidFile) {
    this.name = name;
    this.process = process;
    this.log = log;
    this.pidFile = pidFile;
  }

  /**
   * @param folder gets {@code NAME.log} and {@code NAME.pid}; a process that an earlier, killed
   *     launcher left behind is ended first
   */
  public static Child start(
      String name, Path folder, List<String> command, Map<String, String> environment) {
    try {
      Files.createDirectories(folder);
      Path pidFile = folder.resolve(name + ".pid");
      endLeftover(pidFile, command.get(0));
      Path log = folder.resolve(name + ".log");
      if (!Files.exists(log)) {
        // A log may hold a first password: nobody but its owner reads it.
        Files.createFile(
            log,
            PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
      }
      ProcessBuilder builder = new ProcessBuilder(command);
      builder.environment().putAll(environment);
      builder.redirectErrorStream(true);
      builder.redirectOutput(ProcessBuilder.Redirect.appendTo(log.toFile()));
      builder.redirectInput(ProcessBuilder.Redirect.from(Path.of("/dev/null").toFile()));
      Process process = builder.start();
      Files.writeString(pidFile, Long.toString(process.pid()));
      return new Child(name, process, log, pidFile);
    } catch (IOException e) {
      throw new LaunchException("Cannot start %s: %s".formatted(name, e.getMessage()), e);
    }
  }

  /** Only a process that still has the id and the program we gave it is ours. */
  private static void endLeftover(Path pidFile, String program) throws IOException {
    if (!Files.exists(pidFile)) {
      return;
    }
    Optional<ProcessHandle> left = ProcessHandle.of(Long.parseLong(Files.readString(pidFile)));
    boolean ours =
        left.flatMap(process -> process.info().command())
            .filter(
                command -> Path.of(command).getFileName().equals(Path.of(program).getFileName()))
            .isPresent();
    if (ours) {
      left.get().destroy();
      try {
        left.get().onExit().get(PATIENCE.toSeconds(), TimeUnit.SECONDS);
      } catch (Exception e) {
        throw new LaunchException(
            "An earlier run left process %d behind and it does not end; end it and start again."
                .formatted(left.get().pid()),
            e);
      }
    }
    Files.delete(pidFile);
  }

  public long pid() {
    return process.pid();
  }

  public boolean isAlive() {
    return process.isAlive();
  }

  /** Exit code, once it has ended. */
  public int exitCode() {
    return process.exitValue();
  }

  public Path log() {
    return log;
  }

  public String output() {
    try {
      return Files.readString(log);
    } catch (IOException e) {
      return "(no output: %s)".formatted(e.getMessage());
    }
  }

  /** SIGKILL: for tests of what survives it. */
  public void kill() {
    process.destroyForcibly();
    waitFor(PATIENCE);
  }

  /** Whether it ended within the time. */
  public boolean waitFor(Duration most) {
    try {
      return process.waitFor(most.toMillis(), TimeUnit.MILLISECONDS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return false;
    }
  }

  /** SIGTERM, then SIGKILL if it does not end in time. */
  @Override
  public void close() {
    process.destroy();
    if (!waitFor(PATIENCE)) {
      System.err.printf("%s did not end by itself; ending process %d%n", name, process.pid());
      process.destroyForcibly();
    }
    try {
      Files.deleteIfExists(pidFile);
    } catch (IOException e) {
      System.err.printf("Cannot delete %s: %s%n", pidFile, e.getMessage());
    }
  }
}

package tekmerion.launch;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import tekmerion.link.files.WholeFile;

/** One process that we started, its output in a file, its id in another. */
public final class Child implements AutoCloseable {
  private static final Duration PATIENCE = Duration.ofSeconds(40);
  private final String name;
  private final Process process;
  private final Path log;
  private final long logBytesBefore;
  private final Path pidFile;

  private Child(String name, Process process, Path log, long logBytesBefore, Path pidFile) {
    this.name = name;
    this.logBytesBefore = logBytesBefore;
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
      endLeftover(pidFile);
      Path log = folder.resolve(name + ".log");
      if (!Files.exists(log)) {
        // A log tells of people and their machines: nobody but its owner reads it.
        Files.createFile(
            log,
            PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
      }
      long logBytesBefore = Files.size(log);
      ProcessBuilder builder = new ProcessBuilder(command);
      builder.environment().putAll(environment);
      builder.redirectErrorStream(true);
      builder.redirectOutput(ProcessBuilder.Redirect.appendTo(log.toFile()));
      builder.redirectInput(ProcessBuilder.Redirect.from(Path.of("/dev/null").toFile()));
      Process process = builder.start();
      WholeFile.write(pidFile, process.pid() + " " + began(process.pid()));
      return new Child(name, process, log, logBytesBefore, pidFile);
    } catch (IOException e) {
      throw new LaunchException("Cannot start %s: %s".formatted(name, e.getMessage()), e);
    }
  }

  /** Only a process that has the id and began at the moment that we wrote down is ours. */
  private static void endLeftover(Path pidFile) throws IOException {
    if (!Files.exists(pidFile)) {
      return;
    }
    String[] known = Files.readString(pidFile).strip().split(" ", 2);
    Optional<ProcessHandle> left =
        known.length == 2 && known[0].matches("\\d{1,10}")
            ? ProcessHandle.of(Long.parseLong(known[0]))
            : Optional.empty();
    if (left.isPresent() && known[1].equals(began(left.get().pid()))) {
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

  /**
   * The moment that a process began: this boot of the machine, and the ticks since then. Neither
   * repeats, and no setting of the clock changes them (proc(5): boot_id, and field 22 of stat).
   */
  private static String began(long pid) {
    try {
      String stat = Files.readString(Path.of("/proc/" + pid + "/stat"));
      // The second field is the program's name in brackets, in which anything may stand.
      String ticks = stat.substring(stat.lastIndexOf(')') + 2).split(" ")[22 - 3];
      return Files.readString(Path.of("/proc/sys/kernel/random/boot_id")).strip() + ":" + ticks;
    } catch (IOException e) {
      return "ended"; // it has, and its place in /proc with it
    }
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

  /** What it has said since this start. */
  public String output() {
    try (InputStream in = Files.newInputStream(log)) {
      in.skipNBytes(logBytesBefore);
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
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

  /** Waits until it has ended, however that came. */
  void awaitEnd() {
    try {
      process.waitFor();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
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

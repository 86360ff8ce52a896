package tekmerion.probe.linux;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.locks.LockSupport;
import java.util.stream.Stream;
import tekmerion.core.load.LoadSnapshot;
import tekmerion.core.port.LoadSource;

/** This computer's own counters, from procfs. */
public final class LinuxLoad implements LoadSource {
  private static final long WAKE_NANOS = 1_000_000;
  private static final List<String> NEEDED = List.of("uptime", "stat", "diskstats");
  private static final List<String> WELCOME =
      List.of("pressure/cpu", "pressure/io", "pressure/memory", "meminfo", "vmstat");

  private final Path proc;

  /**
   * @param proc usually /proc
   */
  public LinuxLoad(Path proc) {
    this.proc = proc;
  }

  @Override
  public Duration between() {
    return Duration.ofSeconds(1);
  }

  @Override
  public String snapshot() {
    StringBuilder text = new StringBuilder();
    for (String file : NEEDED) {
      try {
        section(text, file, Files.readString(proc.resolve(file)));
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
    for (String file : WELCOME) {
      read(proc.resolve(file)).ifPresent(t -> section(text, file, t));
    }
    section(text, "programs", programs());
    return text.toString();
  }

  private static void section(StringBuilder text, String name, String content) {
    text.append(LoadSnapshot.SECTION).append(name).append('\n').append(content);
    if (!content.endsWith("\n")) {
      text.append('\n');
    }
  }

  /** Empty if a kernel does not have it, or a process has ended meanwhile. */
  private static Optional<String> read(Path file) {
    try {
      return Optional.of(Files.readString(file));
    } catch (IOException e) {
      return Optional.empty();
    }
  }

  private String programs() {
    StringBuilder text = new StringBuilder();
    try (Stream<Path> all = Files.list(proc)) {
      for (Path process : all.filter(p -> p.getFileName().toString().matches("\\d+")).toList()) {
        program(process).ifPresent(text::append);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return text.toString();
  }

  /** The name stands in brackets and may hold anything, brackets too: the last one closes it. */
  private static Optional<String> program(Path process) {
    Optional<String> stat = read(process.resolve("stat"));
    if (stat.isEmpty()) {
      return Optional.empty();
    }
    int open = stat.get().indexOf('(');
    int close = stat.get().lastIndexOf(')');
    if (open < 0 || close < open || close + 2 > stat.get().length()) {
      return Optional.empty();
    }
    String[] rest = stat.get().substring(close + 2).split(" ");
    long ticks = Long.parseLong(rest[11]) + Long.parseLong(rest[12]); // utime, stime
    String bytes =
        read(process.resolve("io"))
            .map(
                io ->
                    io.lines()
                        .filter(l -> l.startsWith("read_bytes") || l.startsWith("write_bytes"))
                        .mapToLong(l -> Long.parseLong(l.replaceAll("\\D", "")))
                        .sum())
            .map(String::valueOf)
            .orElse("-");
    String name = stat.get().substring(open + 1, close).replaceAll("\\s+", " ").strip();
    return Optional.of(
        "%s %d %s %s\n"
            .formatted(process.getFileName(), ticks, bytes, name.isEmpty() ? "?" : name));
  }

  @Override
  public long[] lateness(int times) throws InterruptedException {
    long[] late = new long[times];
    for (int i = 0; i < times; i++) {
      long due = System.nanoTime() + WAKE_NANOS;
      LockSupport.parkNanos(WAKE_NANOS);
      late[i] = System.nanoTime() - due;
      if (Thread.interrupted()) {
        throw new InterruptedException();
      }
    }
    return late;
  }
}

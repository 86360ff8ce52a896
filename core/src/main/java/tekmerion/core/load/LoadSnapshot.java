package tekmerion.core.load;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.OptionalLong;

/**
 * The system's counters at one moment, read from its own text. They only rise; what a kernel does
 * not count is empty.
 *
 * @param seconds since it was switched on
 * @param cpuBusyTicks of all processors, waiting for drives not counted
 * @param cpuWaitTicks idle and waiting for drives
 * @param cpuTicks all
 * @param devices by name, whole drives only
 * @param stalledMicros by what was waited for ("cpu", "io", "memory"): time in which something
 *     stood still
 * @param availableBytes memory that could be given at once; empty if not told
 * @param totalBytes all memory; empty if not told
 * @param swapped pages in and out of the swap; empty if not told
 * @param programs by number of process
 * @see "Linux kernel, Documentation/filesystems/proc.rst (stat, meminfo, vmstat, uptime),
 *     Documentation/admin-guide/iostats.rst (diskstats), Documentation/accounting/psi.rst"
 */
public record LoadSnapshot(
    double seconds,
    long cpuBusyTicks,
    long cpuWaitTicks,
    long cpuTicks,
    Map<String, Device> devices,
    Map<String, Long> stalledMicros,
    OptionalLong availableBytes,
    OptionalLong totalBytes,
    OptionalLong swapped,
    Map<Integer, Program> programs) {
  /** Sections begin with this and the name of the file that they are a copy of. */
  public static final String SECTION = "# ";

  private static final int MIN_DISK_FIELDS = 14;
  private static final String PARTITION = "(?:[hsv]d[a-z]+\\d+|(?:nvme\\d+n\\d+|mmcblk\\d+)p\\d+)";
  private static final String NO_DRIVE = "(?:loop|ram|dm-|md|zram|sr|fd|nbd).*";

  /**
   * Of one drive.
   *
   * @param done reads and writes that were finished
   * @param waitedMillis all of them together, from asking to answer
   * @param busyMillis in which at least one was under way
   * @param queueMillis as many times as were under way
   * @param bytes read and written
   */
  public record Device(
      long done, long waitedMillis, long busyMillis, long queueMillis, long bytes) {}

  /**
   * Of one process.
   *
   * @param cpuTicks it used
   * @param bytes it had read and written by drives; empty if that is not told to us
   */
  public record Program(String name, long cpuTicks, OptionalLong bytes) {}

  public LoadSnapshot {
    devices = Map.copyOf(devices);
    stalledMicros = Map.copyOf(stalledMicros);
    programs = Map.copyOf(programs);
  }

  /**
   * @param text sections, each {@code # NAME} and then the file's own lines: uptime, stat,
   *     diskstats, pressure/cpu, pressure/io, pressure/memory, meminfo, vmstat, programs (one a
   *     line: number, ticks, bytes or -, name)
   * @throws IllegalArgumentException naming the section that is missing or the line that is not
   *     understood
   */
  public static LoadSnapshot parse(String text) {
    Reader reader = new Reader();
    String section = "";
    for (String line : text.split("\n")) {
      if (line.startsWith(SECTION)) {
        section = line.substring(SECTION.length()).strip();
      } else if (!line.isBlank()) {
        try {
          reader.line(section, line.strip());
        } catch (NumberFormatException | IndexOutOfBoundsException e) {
          throw new IllegalArgumentException(
              "%s has a line that is not understood: %s".formatted(section, line.strip()), e);
        }
      }
    }
    return reader.snapshot();
  }

  private static final class Reader {
    private OptionalDouble seconds = OptionalDouble.empty();
    private long busy;
    private long wait;
    private long ticks = -1;
    private final Map<String, Device> devices = new LinkedHashMap<>();
    private final Map<String, Long> stalled = new LinkedHashMap<>();
    private OptionalLong available = OptionalLong.empty();
    private OptionalLong total = OptionalLong.empty();
    private OptionalLong swapped = OptionalLong.empty();
    private final Map<Integer, Program> programs = new LinkedHashMap<>();

    void line(String section, String line) {
      String[] words = line.split("\\s+");
      switch (section) {
        case "uptime" -> seconds = OptionalDouble.of(Double.parseDouble(words[0]));
        case "stat" -> stat(words);
        case "diskstats" -> disk(words);
        case "meminfo" -> memory(words);
        case "vmstat" -> swap(words);
        case "programs" -> program(line);
        default -> {
          if (section.startsWith("pressure/") && words[0].equals("some")) {
            stalled.put(
                section.substring("pressure/".length()),
                Long.parseLong(words[words.length - 1].substring("total=".length())));
          }
        }
      }
    }

    /** cpu user nice system idle iowait irq softirq steal; guests are in user already. */
    private void stat(String[] words) {
      if (!words[0].equals("cpu")) {
        return;
      }
      long all = 0;
      for (int i = 1; i < Math.min(words.length, 9); i++) {
        all += Long.parseLong(words[i]);
      }
      wait = Long.parseLong(words[5]);
      busy = all - Long.parseLong(words[4]) - wait;
      ticks = all;
    }

    private void disk(String[] words) {
      String name = words[2];
      if (words.length < MIN_DISK_FIELDS || name.matches(PARTITION) || name.matches(NO_DRIVE)) {
        return;
      }
      devices.put(
          name,
          new Device(
              Long.parseLong(words[3]) + Long.parseLong(words[7]),
              Long.parseLong(words[6]) + Long.parseLong(words[10]),
              Long.parseLong(words[12]),
              Long.parseLong(words[13]),
              512 * (Long.parseLong(words[5]) + Long.parseLong(words[9]))));
    }

    private void memory(String[] words) {
      if (words[0].equals("MemTotal:")) {
        total = OptionalLong.of(1024 * Long.parseLong(words[1]));
      } else if (words[0].equals("MemAvailable:")) {
        available = OptionalLong.of(1024 * Long.parseLong(words[1]));
      }
    }

    private void swap(String[] words) {
      if (words[0].equals("pswpin") || words[0].equals("pswpout")) {
        swapped = OptionalLong.of(swapped.orElse(0) + Long.parseLong(words[1]));
      }
    }

    private void program(String line) {
      String[] words = line.split("\\s+", 4);
      programs.put(
          Integer.parseInt(words[0]),
          new Program(
              words[3],
              Long.parseLong(words[1]),
              words[2].equals("-")
                  ? OptionalLong.empty()
                  : OptionalLong.of(Long.parseLong(words[2]))));
    }

    LoadSnapshot snapshot() {
      if (seconds.isEmpty() || ticks < 0) {
        throw new IllegalArgumentException(
            "the section %s is missing".formatted(seconds.isEmpty() ? "uptime" : "stat"));
      }
      return new LoadSnapshot(
          seconds.getAsDouble(),
          busy,
          wait,
          ticks,
          devices,
          stalled,
          available,
          total,
          swapped,
          programs);
    }
  }
}

package tekmerion.core.load;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What went on between two moments.
 *
 * @param seconds between them
 * @param cpu share of all processors that worked
 * @param devices by name
 * @param stalled share of the time in which something waited, by what for
 * @param memoryLeft share of memory that could be given; empty if not told
 * @param swappedPerSecond pages; empty if not told
 * @param programs those that took most of the processors, the first eight
 */
public record LoadInterval(
    double seconds,
    double cpu,
    Map<String, Device> devices,
    Map<String, Double> stalled,
    OptionalDouble memoryLeft,
    OptionalDouble swappedPerSecond,
    List<Program> programs) {
  private static final int MAX_PROGRAMS = 8;

  /**
   * @param busy share of the time in which it had something to do, 0 to 1
   * @param queue how many were under way on average
   * @param latencyMs of what was finished; empty if nothing was
   * @param bytesPerSecond read and written
   */
  public record Device(
      double busy, double queue, OptionalDouble latencyMs, double bytesPerSecond) {}

  /**
   * @param cpu its share of what all processors could do
   * @param bytesPerSecond by drives; empty if that is not told to us
   */
  public record Program(String name, double cpu, OptionalDouble bytesPerSecond) {}

  public LoadInterval {
    devices = Map.copyOf(devices);
    stalled = Map.copyOf(stalled);
    programs = List.copyOf(programs);
  }

  /** Empty if time did not go on, or the machine was started anew between them. */
  public static Optional<LoadInterval> between(LoadSnapshot a, LoadSnapshot b) {
    double seconds = b.seconds() - a.seconds();
    long ticks = b.cpuTicks() - a.cpuTicks();
    if (!(seconds > 0) || ticks <= 0) {
      return Optional.empty();
    }
    Map<String, Device> devices = new LinkedHashMap<>();
    b.devices()
        .forEach(
            (name, now) -> {
              LoadSnapshot.Device then = a.devices().get(name);
              if (then != null && now.done() >= then.done()) {
                devices.put(name, device(then, now, seconds));
              }
            });
    Map<String, Double> stalled = new LinkedHashMap<>();
    b.stalledMicros()
        .forEach(
            (what, now) -> {
              if (a.stalledMicros().containsKey(what)) {
                stalled.put(what, share((now - a.stalledMicros().get(what)) / 1e6 / seconds));
              }
            });
    return Optional.of(
        new LoadInterval(
            seconds,
            share((double) (b.cpuBusyTicks() - a.cpuBusyTicks()) / ticks),
            devices,
            stalled,
            b.availableBytes().isPresent() && b.totalBytes().isPresent()
                ? OptionalDouble.of(
                    (double) b.availableBytes().getAsLong() / b.totalBytes().getAsLong())
                : OptionalDouble.empty(),
            a.swapped().isPresent() && b.swapped().isPresent()
                ? OptionalDouble.of((b.swapped().getAsLong() - a.swapped().getAsLong()) / seconds)
                : OptionalDouble.empty(),
            programs(a, b, ticks, seconds)));
  }

  private static Device device(LoadSnapshot.Device then, LoadSnapshot.Device now, double seconds) {
    long done = now.done() - then.done();
    double millis = seconds * 1000;
    return new Device(
        share((now.busyMillis() - then.busyMillis()) / millis),
        Math.max(0, (now.queueMillis() - then.queueMillis()) / millis),
        done > 0
            ? OptionalDouble.of((double) (now.waitedMillis() - then.waitedMillis()) / done)
            : OptionalDouble.empty(),
        (now.bytes() - then.bytes()) / seconds);
  }

  /** The counters are taken a moment apart: a little over one is one. */
  private static double share(double of) {
    return Math.max(0, Math.min(1, of));
  }

  private static List<Program> programs(
      LoadSnapshot a, LoadSnapshot b, long ticks, double seconds) {
    Map<String, double[]> by = new LinkedHashMap<>();
    b.programs()
        .forEach(
            (id, now) -> {
              LoadSnapshot.Program then = a.programs().get(id);
              if (then == null || !then.name().equals(now.name())) {
                return;
              }
              double[] sum = by.computeIfAbsent(now.name(), n -> new double[3]);
              sum[0] += now.cpuTicks() - then.cpuTicks();
              if (now.bytes().isPresent() && then.bytes().isPresent()) {
                sum[1] += now.bytes().getAsLong() - then.bytes().getAsLong();
                sum[2]++;
              }
            });
    return by.entrySet().stream()
        .map(
            e ->
                new Program(
                    e.getKey(),
                    share(e.getValue()[0] / ticks),
                    e.getValue()[2] > 0
                        ? OptionalDouble.of(e.getValue()[1] / seconds)
                        : OptionalDouble.empty()))
        .sorted(Comparator.comparingDouble(Program::cpu).reversed())
        .limit(MAX_PROGRAMS)
        .toList();
  }
}

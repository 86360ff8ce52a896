package tekmerion.core.load;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Stream;
import tekmerion.core.sign.Sign;
import tekmerion.core.sign.Sign.Basis;

/**
 * Many moments of a machine at its usual work, and how late it woke when it wanted to.
 *
 * @param latenessMicros median, 99th percentile and longest; empty if that was not sampled
 */
public record LoadSample(List<LoadInterval> intervals, Optional<long[]> latenessMicros) {
  /** Busy for so much of the time is what people call always: judgement, range 0.7 to 0.9. */
  private static final double ALWAYS = 0.8;

  /** With less memory left and this much swapping it is full: judgement. */
  private static final double LITTLE_LEFT = 0.08;

  private static final double SWAPS = 20;

  /** What one program may take before it stands out: judgement, half to double. */
  private static final double STANDS_OUT = 0.3;

  private static final long LONG_WAIT_MICROS = 1_000;

  public LoadSample {
    intervals = List.copyOf(intervals);
    if (intervals.isEmpty()) {
      throw new IllegalArgumentException("a sample has one interval at least");
    }
  }

  /** By what it is called, with its series: of every drive, the processors and what waits. */
  public Map<String, double[]> series() {
    Map<String, double[]> series = new LinkedHashMap<>();
    series.put("cpu", values(i -> i.cpu()));
    drives().forEach(d -> series.put("drive " + d, values(i -> busy(i, d))));
    Stream.of("io", "memory", "cpu")
        .filter(w -> intervals.stream().allMatch(i -> i.stalled().containsKey(w)))
        .forEach(w -> series.put("waits for " + w, values(i -> i.stalled().get(w))));
    return series;
  }

  private static double busy(LoadInterval of, String drive) {
    return of.devices().containsKey(drive) ? of.devices().get(drive).busy() : 0;
  }

  private double[] values(Function<LoadInterval, Double> of) {
    return intervals.stream().mapToDouble(of::apply).toArray();
  }

  public List<String> drives() {
    return intervals.stream()
        .flatMap(i -> i.devices().keySet().stream())
        .distinct()
        .sorted()
        .toList();
  }

  private double mean(Function<LoadInterval, Double> of) {
    return intervals.stream().mapToDouble(of::apply).average().orElseThrow();
  }

  /** The drive that is busy most, with its share; empty if there is none. */
  public Optional<Map.Entry<String, Double>> busiest() {
    return drives().stream()
        .map(d -> Map.entry(d, mean(i -> busy(i, d))))
        .max(Map.Entry.comparingByValue());
  }

  /** The programs that took most, averaged over the sample. */
  public List<LoadInterval.Program> programs() {
    Map<String, double[]> by = new LinkedHashMap<>();
    for (LoadInterval interval : intervals) {
      for (LoadInterval.Program p : interval.programs()) {
        double[] sum = by.computeIfAbsent(p.name(), n -> new double[3]);
        sum[0] += p.cpu();
        if (p.bytesPerSecond().isPresent()) {
          sum[1] += p.bytesPerSecond().getAsDouble();
          sum[2]++;
        }
      }
    }
    int n = intervals.size();
    return by.entrySet().stream()
        .map(
            e ->
                new LoadInterval.Program(
                    e.getKey(),
                    e.getValue()[0] / n,
                    e.getValue()[2] > 0
                        ? OptionalDouble.of(e.getValue()[1] / n)
                        : OptionalDouble.empty()))
        .sorted(Comparator.comparingDouble(LoadInterval.Program::cpu).reversed())
        .limit(8)
        .toList();
  }

  /** What it says of the causes that the know-how has. */
  public List<Sign> signs() {
    List<Sign> signs = new ArrayList<>();
    busiest()
        .ifPresent(
            b ->
                signs.add(
                    sign(
                        "busy",
                        b.getValue() >= ALWAYS ? "always" : "as-usual",
                        "Drive %s busy for %.0f %% of the time"
                            .formatted(b.getKey(), 100 * b.getValue()))));
    if (intervals.stream().allMatch(i -> i.memoryLeft().isPresent())) {
      double left = mean(i -> i.memoryLeft().getAsDouble());
      double swaps = mean(i -> i.swappedPerSecond().orElse(0));
      signs.add(
          sign(
              "memory.pressure",
              left < LITTLE_LEFT && swaps > SWAPS ? "full" : "ample",
              "%.0f %% of memory left, %.0f pages swapped a second".formatted(100 * left, swaps)));
    }
    first().ifPresent(signs::add);
    // Who made a long wait is not seen from here: only that there was none is a finding.
    if (latenessMicros.isPresent() && latenessMicros.get()[2] < LONG_WAIT_MICROS) {
      signs.add(
          sign(
              "latency.longest",
              "short",
              "Woke %,d µs late at most".formatted(latenessMicros.get()[2])));
    }
    return signs;
  }

  /** Nothing stands out, or one does; which service that is, is for a person to say. */
  private Optional<Sign> first() {
    List<LoadInterval.Program> programs = programs();
    if (programs.isEmpty()) {
      return Optional.empty();
    }
    LoadInterval.Program first = programs.get(0);
    boolean out = first.cpu() >= STANDS_OUT;
    return Optional.of(
        sign(
            "load.first",
            out ? "one-program" : "nothing",
            "%s takes %.0f %% of the processors".formatted(first.name(), 100 * first.cpu())));
  }

  private static Sign sign(String id, String level, String words) {
    return new Sign(id, Sign.MACHINE, level, words, Basis.run());
  }
}

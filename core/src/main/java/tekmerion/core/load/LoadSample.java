package tekmerion.core.load;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Stream;
import tekmerion.core.finding.Finding;

/**
 * Many moments of a machine at its usual work, and how late it woke when it wanted to.
 *
 * @param latenessMicros median, 99th percentile and longest; empty if that was not sampled
 */
public record LoadSample(List<LoadInterval> intervals, Optional<long[]> latenessMicros) {
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
  public List<Finding> findings() {
    boolean told = intervals.stream().allMatch(i -> i.memoryLeft().isPresent());
    return LoadFindings.of(
        busiest(),
        told ? OptionalDouble.of(mean(i -> i.memoryLeft().getAsDouble())) : OptionalDouble.empty(),
        told
            ? OptionalDouble.of(mean(i -> i.swappedPerSecond().orElse(0)))
            : OptionalDouble.empty(),
        programs().stream().findFirst(),
        latenessMicros.map(l -> l[2]));
  }
}

package tekmerion.link;

import java.util.List;
import java.util.Map;

/**
 * A machine at its work.
 *
 * @param secondsEach from one moment to the next
 * @param series shares from 0 to 1 by what they are of, equally many of each
 * @param programs that took most, first one first
 * @param drives by name
 * @param memoryLeft share; null if not told
 * @param swappedPerSecond pages; null if not told
 * @param latenessMicros median, 99th percentile, longest; null if not measured
 */
public record LoadResult(
    double secondsEach,
    Map<String, List<Double>> series,
    List<ProgramAtWork> programs,
    Map<String, DriveAtWork> drives,
    Double memoryLeft,
    Double swappedPerSecond,
    List<Long> latenessMicros)
    implements RunResult {
  /** Its share of all processors; bytes a second by drives, null if that is not told. */
  public record ProgramAtWork(String name, double cpu, Double bytesPerSecond) {
    public ProgramAtWork {
      name = RunResult.checked(name);
    }
  }

  /** Means over the sample; latency null if nothing was asked of it. */
  public record DriveAtWork(double busy, double queue, Double latencyMs, double bytesPerSecond) {}

  public LoadResult {
    series = Map.copyOf(series);
    series.keySet().forEach(RunResult::checked);
    programs = List.copyOf(programs);
    drives = Map.copyOf(drives);
    drives.keySet().forEach(RunResult::checked);
    RunResult.check(
        series.size() <= 100
            && series.values().stream().allMatch(s -> s.size() <= RunResult.MAX_ROWS)
            && programs.size() <= 100
            && drives.size() <= 100
            && (latenessMicros == null || latenessMicros.size() == 3),
        "load");
  }

  @Override
  public String outcome() {
    return "ended";
  }
}

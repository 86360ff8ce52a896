package tekmerion.probe.link;

import static tekmerion.core.page.OrNull.orNull;
import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import tekmerion.core.load.Lateness;
import tekmerion.core.load.LoadInterval;
import tekmerion.core.load.LoadSample;
import tekmerion.core.load.LoadSnapshot;
import tekmerion.core.port.LoadSource;
import tekmerion.link.LinkEvent.End;
import tekmerion.link.LoadResult;

/** Looks at a machine's work for some minutes. */
final class LoadTask extends PartTask {
  static final int MOMENTS = 180;
  private static final int WAKINGS_EACH = 200;

  private final LoadSource source;
  private final Map<String, String> keys;
  private final List<LoadInterval> intervals = new ArrayList<>();
  private long[] late = {};

  /**
   * @param keys of drives, by the name under which their work is counted
   */
  LoadTask(Job job, LoadSource source, Map<String, String> keys) {
    super(job);
    this.source = source;
    this.keys = Map.copyOf(keys);
  }

  @Override
  Outcome carryOut() throws InterruptedException {
    LoadSnapshot before = LoadSnapshot.parse(source.snapshot());
    for (int i = 1; i <= MOMENTS && !isStopped(); i++) {
      Thread.sleep(source.between().toMillis());
      add(source.lateness(WAKINGS_EACH));
      LoadSnapshot now = LoadSnapshot.parse(source.snapshot());
      LoadInterval.between(before, now).ifPresent(intervals::add);
      before = now;
      if (!intervals.isEmpty()) {
        tell((double) i / MOMENTS, note());
      }
    }
    if (intervals.isEmpty()) {
      return new Outcome(End.COULD_NOT_RUN, say("probe.no-two-looks-could-be-compared"), null);
    }
    return isStopped()
        ? new Outcome(End.CANCELLED, say("probe.ended-by-a-technician"), note())
        : new Outcome(End.COMPLETE, "", note());
  }

  private void add(long[] nanos) {
    int had = late.length;
    late = Arrays.copyOf(late, had + nanos.length);
    System.arraycopy(nanos, 0, late, had, nanos.length);
  }

  private LoadResult note() {
    LoadSample sample =
        new LoadSample(
            intervals, late.length == 0 ? Optional.empty() : Optional.of(Lateness.micros(late)));
    Map<String, List<Double>> series = new LinkedHashMap<>();
    sample
        .series()
        .forEach((what, values) -> series.put(what, Arrays.stream(values).boxed().toList()));
    Map<String, LoadResult.DriveAtWork> drives = new LinkedHashMap<>();
    sample.drives().forEach(d -> drives.put(keys.getOrDefault(d, d), drive(d)));
    return new LoadResult(
        intervals.stream().mapToDouble(LoadInterval::seconds).average().orElseThrow(),
        series,
        sample.programs().stream()
            .map(p -> new LoadResult.ProgramAtWork(p.name(), p.cpu(), orNull(p.bytesPerSecond())))
            .toList(),
        drives,
        orNull(mean(intervals.stream().map(LoadInterval::memoryLeft).toList())),
        orNull(mean(intervals.stream().map(LoadInterval::swappedPerSecond).toList())),
        sample.latenessMicros().map(l -> Arrays.stream(l).boxed().toList()).orElse(null));
  }

  private LoadResult.DriveAtWork drive(String name) {
    List<LoadInterval.Device> of =
        intervals.stream().map(i -> i.devices().get(name)).filter(d -> d != null).toList();
    return new LoadResult.DriveAtWork(
        of.stream().mapToDouble(LoadInterval.Device::busy).average().orElse(0),
        of.stream().mapToDouble(LoadInterval.Device::queue).average().orElse(0),
        orNull(mean(of.stream().map(LoadInterval.Device::latencyMs).toList())),
        of.stream().mapToDouble(LoadInterval.Device::bytesPerSecond).average().orElse(0));
  }

  private static OptionalDouble mean(List<OptionalDouble> of) {
    return of.stream().flatMapToDouble(OptionalDouble::stream).average();
  }
}

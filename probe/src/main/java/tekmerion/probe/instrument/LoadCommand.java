package tekmerion.probe.instrument;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.LongStream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tekmerion.core.finding.Finding;
import tekmerion.core.load.Lateness;
import tekmerion.core.load.LoadInterval;
import tekmerion.core.load.LoadSample;
import tekmerion.core.load.LoadSnapshot;
import tekmerion.core.load.Shift;
import tekmerion.core.port.LoadSource;
import tekmerion.probe.linux.LinuxLoad;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** What keeps this machine busy, and whether that changed. The formats are in docs/formats.md. */
@Command(
    name = "load",
    description = {
      "Sample this machine's processors, drives, memory and programs once a second; print JSON.",
      "With --before and an earlier output: what changed, and whether that is certain.",
      "Exit 0; 2 with an error object on standard error if it cannot be sampled or compared."
    },
    mixinStandardHelpOptions = true)
public final class LoadCommand implements Callable<Integer> {
  private static final long MAX_BYTES = 100_000_000;
  private static final int WAKINGS_EACH = 50;
  private static final JsonMapper JSON =
      JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

  @Option(names = "--seconds", defaultValue = "60", description = "How long. Default: 60.")
  private int seconds;

  @Option(
      names = "--before",
      paramLabel = "FILE.json",
      description = "Output of this command from before a change.")
  private Path before;

  @Override
  public Integer call() throws InterruptedException {
    Input.within("--seconds", seconds, 5, 86_400);
    JsonNode earlier = before == null ? null : Input.json(before, MAX_BYTES, JsonNode.class, JSON);
    System.out.println(JSON.writeValueAsString(json(sample(), earlier)));
    return 0;
  }

  private LoadSample sample() throws InterruptedException {
    LoadSource source = new LinuxLoad(Path.of("/proc"));
    List<LoadInterval> intervals = new ArrayList<>();
    LongStream late = LongStream.empty();
    LoadSnapshot last = LoadSnapshot.parse(source.snapshot());
    for (int i = 0; i < seconds; i++) {
      Thread.sleep(source.between().toMillis());
      late = LongStream.concat(late, Arrays.stream(source.lateness(WAKINGS_EACH)));
      LoadSnapshot now = LoadSnapshot.parse(source.snapshot());
      LoadInterval.between(last, now).ifPresent(intervals::add);
      last = now;
    }
    return new LoadSample(intervals, Optional.of(Lateness.micros(late.toArray())));
  }

  private Map<String, Object> json(LoadSample sample, JsonNode earlier) {
    Map<String, Object> json = new LinkedHashMap<>();
    long[] late = sample.latenessMicros().orElseThrow();
    json.put("moments", sample.intervals().size());
    json.put("busiest", sample.busiest().orElse(null));
    json.put("latenessMicros", Map.of("p50", late[0], "p99", late[1], "max", late[2]));
    json.put(
        "programs",
        sample.programs().stream().map(p -> Map.of("name", p.name(), "cpu", p.cpu())).toList());
    json.put("findings", sample.findings().stream().map(Finding::words).toList());
    if (earlier != null) {
      json.put("changes", changes(sample, earlier));
    }
    json.put("series", sample.series());
    return json;
  }

  private List<Map<String, Object>> changes(LoadSample after, JsonNode before) {
    List<Map<String, Object>> changes = new ArrayList<>();
    after
        .series()
        .forEach(
            (what, values) -> {
              JsonNode then = before.path("series").path(what);
              if (then.size() > 0) {
                double[] earlier = new double[then.size()];
                Arrays.setAll(earlier, i -> then.get(i).doubleValue());
                Shift shift = Shift.of(earlier, values);
                Map<String, Object> one = new LinkedHashMap<>();
                one.put("words", shift.words(what));
                one.put("change", shift.change());
                one.put("certain", shift.isCertain());
                changes.add(one);
              }
            });
    if (changes.isEmpty()) {
      throw BadInputException.of(
          "nothing in that file can be compared with this sample",
          "an earlier output of this command",
          "no series of the same names",
          this.before);
    }
    return changes;
  }
}

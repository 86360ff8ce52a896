package tekmerion.probe.instrument;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.ServiceLoader;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tekmerion.core.memory.march.Diagnosis;
import tekmerion.core.memory.march.MarchAlgorithm;
import tekmerion.core.memory.march.MarchRun;
import tekmerion.core.memory.march.MarchTeam;
import tekmerion.core.port.MemoryProvider;
import tekmerion.core.port.MemoryRegion;
import tekmerion.probe.linux.RealMemory;
import tekmerion.probe.linux.SpareMemory;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** A march test on this machine's memory, or on simulated memory with faults. */
@Command(
    name = "march",
    description = {
      "March through memory of this machine, or through simulated memory with faults.",
      "Progress goes to standard error, one JSON object to standard output.",
      "Exit 0 if nothing failed, 1 if something did, 2 if it could not run."
    },
    mixinStandardHelpOptions = true)
public final class MarchCommand implements Callable<Integer> {
  private static final long MAX_FAULT_BYTES = 10_000_000;
  private static final String ALL = "all";
  private static final int CELLS_SHOWN = 100;
  private static final JsonMapper JSON =
      JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

  @Option(names = "--algorithm", defaultValue = "march-c-minus", description = "Default: March C-.")
  private String algorithm;

  @Option(
      names = "--size",
      required = true,
      description = "Bytes, or with K, M, G (1024s) after it; all: what the system can spare.")
  private String size;

  @Option(
      names = "--faults",
      paramLabel = "FILE.json",
      description = "Simulated memory with the faults of this file: a list of texts.")
  private Path faults;

  @Option(names = "--passes", defaultValue = "1", description = "Default: 1.")
  private int passes;

  @Option(names = "--threads", defaultValue = "0", description = "Default: one a processor.")
  private int threads;

  @Option(names = "--seed", defaultValue = "1", description = "Of simulated memory. Default: 1.")
  private long seed;

  @Option(names = "--quiet", description = "No progress.")
  private boolean quiet;

  @Override
  public Integer call() throws InterruptedException, IOException {
    Input.within("--passes", passes, 1, 10_000);
    Input.within("--threads", threads, 0, 1_024);
    List<MemoryRegion> regions = new ArrayList<>();
    try {
      MarchAlgorithm wanted =
          MarchAlgorithm.named(algorithm)
              .orElseThrow(
                  () ->
                      new IllegalArgumentException(
                          "no algorithm %s; there are: %s"
                              .formatted(
                                  algorithm,
                                  Arrays.stream(MarchAlgorithm.values())
                                      .map(a -> a.name().toLowerCase().replace('_', '-'))
                                      .collect(Collectors.joining(", ")))));
      open(regions);
      long began = System.nanoTime();
      MarchRun.Result result =
          MarchTeam.run(wanted, regions, passes, this::tell, () -> Thread.interrupted());
      double seconds = (System.nanoTime() - began) / 1e9;
      System.out.println(JSON.writeValueAsString(json(result, seconds)));
      return result.isClean() ? 0 : 1;
    } finally {
      regions.forEach(MemoryRegion::close);
    }
  }

  private void open(List<MemoryRegion> regions) throws IOException {
    if (size.equals(ALL) && faults == null) {
      regions.addAll(SpareMemory.take());
      return;
    }
    long bytes = Bytes.parse(size);
    if (faults != null) {
      if (bytes / 8 > Integer.MAX_VALUE - 8 || bytes < 16) {
        throw new IllegalArgumentException("simulated memory has 16 bytes to 16 GiB");
      }
      List<String> lines = List.of(Input.json(faults, MAX_FAULT_BYTES, String[].class, JSON));
      MemoryProvider provider =
          ServiceLoader.load(MemoryProvider.class)
              .findFirst()
              .orElseThrow(() -> new IOException("there is no simulated memory in this build"));
      regions.add(provider.open((int) (bytes / 8), lines, seed));
      return;
    }
    regions.addAll(
        RealMemory.take(bytes, threads > 0 ? threads : Runtime.getRuntime().availableProcessors()));
  }

  private void tell(double fraction, long errors) {
    if (!quiet) {
      System.err.printf("\r%5.1f %%  %,d errors", 100 * fraction, errors);
    }
  }

  private Map<String, Object> json(MarchRun.Result result, double seconds) {
    List<OptionalDouble> celsius =
        IntStream.range(0, passes)
            .mapToObj(
                pass ->
                    result.errors().stream()
                        .filter(e -> e.pass() == pass)
                        .map(e -> e.celsius())
                        .findFirst()
                        .orElse(OptionalDouble.empty()))
            .toList();
    Diagnosis diagnosis = Diagnosis.of(result, celsius);
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("algorithm", result.algorithm().title());
    json.put("elements", result.algorithm().elements().stream().map(e -> e.words()).toList());
    json.put(
        "backgrounds",
        result.algorithm().backgrounds().stream().map(b -> b.name().toLowerCase()).toList());
    json.put("bytes", 8 * result.words());
    json.put("passes", result.passes());
    json.put("complete", result.complete());
    json.put("seconds", seconds);
    json.put(
        "trafficBytesPerSecond",
        8.0 * result.words() * result.algorithm().trafficPerByte() * result.passes() / seconds);
    json.put("coverage", result.coverage());
    json.put("errors", result.errorCount());
    json.put("errorsKept", result.errors().size());
    json.put("where", diagnosis.where());
    json.put("byClass", diagnosis.byClass());
    json.put("byBit", diagnosis.byBit());
    json.put("byByteLane", diagnosis.byByteLane());
    json.put("stretches", diagnosis.stretches());
    json.put("cells", diagnosis.cells().stream().limit(CELLS_SHOWN).toList());
    return json;
  }
}

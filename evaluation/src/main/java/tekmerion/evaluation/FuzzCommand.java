package tekmerion.evaluation;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.Fault;
import tekmerion.core.page.RawPage;

/** Counts what the decoders make of many bad pages; an exception ends it with the page in hex. */
@Command(
    name = "fuzz",
    description = "Put random and mutated pages through every decoder; exit 1 at an exception.",
    mixinStandardHelpOptions = true)
public final class FuzzCommand implements Callable<Integer> {
  @Option(names = "--pages", defaultValue = "1000000", description = "How many (default: 1000000).")
  private long pages;

  @Option(names = "--seed", defaultValue = "1", description = "Same seed, same pages (default: 1).")
  private long seed;

  @Option(names = "--threads", defaultValue = "1", description = "At once (default: 1).")
  private int threads;

  /** What one thread met. */
  private static final class Tally {
    private final Map<Fault.Kind, Long> faults = new EnumMap<>(Fault.Kind.class);
    private long decoded;

    void add(Tally other) {
      decoded += other.decoded;
      other.faults.forEach((kind, count) -> faults.merge(kind, count, Long::sum));
    }
  }

  @Override
  public Integer call() throws InterruptedException {
    long began = System.nanoTime();
    ExecutorService pool = Executors.newFixedThreadPool(threads);
    List<Future<Tally>> parts = new ArrayList<>();
    for (int i = 0; i < threads; i++) {
      long own = seed + i;
      long share = pages / threads + (i < pages % threads ? 1 : 0);
      parts.add(pool.submit(() -> fuzz(own, share)));
    }
    pool.shutdown();
    Tally all = new Tally();
    try {
      for (Future<Tally> part : parts) {
        all.add(part.get());
      }
    } catch (ExecutionException e) {
      System.err.println(e.getCause().getMessage());
      pool.shutdownNow();
      return 1;
    }
    System.out.printf(
        "%,d pages, seeds %d to %d, %.1f s: no exception. Of %,d decodings %,d were sound%n",
        pages,
        seed,
        seed + threads - 1,
        (System.nanoTime() - began) / 1e9,
        PageFuzzer.KINDS.size() * pages,
        all.decoded);
    all.faults.forEach((kind, count) -> System.out.printf("  %-12s %,d%n", kind, count));
    return 0;
  }

  /**
   * @throws IllegalStateException if a decoder threw, with the page in hex
   */
  private static Tally fuzz(long seed, long pages) {
    PageFuzzer fuzzer = new PageFuzzer(seed);
    Tally tally = new Tally();
    for (long i = 0; i < pages; i++) {
      RawPage page = fuzzer.next();
      try {
        for (Decoding<?> one : PageFuzzer.decodeAll(page)) {
          if (one.damage().isPresent()) {
            tally.faults.merge(one.damage().get().kind(), 1L, Long::sum);
          } else {
            tally.decoded++;
          }
        }
      } catch (RuntimeException e) {
        throw new IllegalStateException(
            "page %d of seed %d: %s%n%s".formatted(i, seed, e, page.hex(0, page.size())), e);
      }
    }
    return tally;
  }
}

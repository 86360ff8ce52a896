package tekmerion.evaluation;

import java.util.EnumMap;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine;
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

  public static void main(String[] args) {
    System.exit(new CommandLine(new FuzzCommand()).execute(args));
  }

  @Override
  public Integer call() {
    PageFuzzer fuzzer = new PageFuzzer(seed);
    Map<Fault.Kind, Long> faults = new EnumMap<>(Fault.Kind.class);
    long decoded = 0;
    long began = System.nanoTime();
    for (long i = 0; i < pages; i++) {
      RawPage page = fuzzer.next();
      try {
        for (Decoding<?> one : PageFuzzer.decodeAll(page)) {
          if (one.damage().isPresent()) {
            faults.merge(one.damage().get().kind(), 1L, Long::sum);
          } else {
            decoded++;
          }
        }
      } catch (RuntimeException e) {
        System.err.printf("page %d of seed %d: %s%n%s%n", i, seed, e, page.hex(0, page.size()));
        return 1;
      }
    }
    System.out.printf(
        "%,d pages, seed %d, %.1f s: no exception. Of %,d decodings %,d were sound%n",
        pages, seed, (System.nanoTime() - began) / 1e9, 3 * pages, decoded);
    faults.forEach((kind, count) -> System.out.printf("  %-12s %,d%n", kind, count));
    return 0;
  }
}

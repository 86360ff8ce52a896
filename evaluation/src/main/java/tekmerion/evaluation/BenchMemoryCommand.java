package tekmerion.evaluation;

import com.sun.jna.Native;
import com.sun.jna.NativeLong;
import com.sun.jna.Pointer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tekmerion.core.memory.march.MarchAlgorithm;
import tekmerion.core.memory.march.MarchElement;
import tekmerion.core.memory.march.MarchRun;
import tekmerion.core.memory.march.MarchTeam;
import tekmerion.core.port.MemoryRegion.Operation;
import tekmerion.probe.linux.RealMemory;

/**
 * A march on real memory against the C library's own fill and compare of the same traffic: for
 * every element block by block, {@code memset} for a write and {@code memcmp} against a block of
 * the expected value for a read, on as many threads.
 */
@Command(
    name = "memory",
    description = "Bandwidth of a march over that of plain native fill and compare, interleaved.",
    mixinStandardHelpOptions = true)
public final class BenchMemoryCommand implements Callable<Integer> {
  private static final double TARGET = 0.8;
  private static final int BLOCK = 1 << 18;

  static {
    Native.register("c");
  }

  @Option(names = "--gib", defaultValue = "4", description = "Memory in all [GiB].")
  private int gib;

  @Option(names = "--rounds", defaultValue = "3", description = "Of each (default: 3).")
  private int rounds;

  private static native Pointer memset(Pointer at, int value, NativeLong length);

  private static native int memcmp(Pointer one, Pointer other, NativeLong length);

  @Override
  public Integer call() throws Exception {
    int threads = Runtime.getRuntime().availableProcessors();
    MarchAlgorithm algorithm = MarchAlgorithm.MARCH_C_MINUS;
    List<RealMemory> regions = new ArrayList<>();
    try {
      regions.addAll(RealMemory.take((long) gib << 30, threads));
      System.out.printf(
          "%s over %s%n%d threads%n", algorithm.title(), regions.get(0).coverage(), threads);
      double traffic = 8.0 * regions.get(0).words() * threads * algorithm.trafficPerByte();
      double[] ratios = new double[rounds];
      System.out.println("round   plain native    march       ratio");
      for (int i = 0; i < rounds; i++) {
        double plain = i % 2 == 0 ? traffic / plain(algorithm, regions) : 0;
        double march = traffic / march(algorithm, regions);
        plain = i % 2 == 0 ? plain : traffic / plain(algorithm, regions);
        ratios[i] = march / plain;
        System.out.printf(
            "%5d   %6.2f GB/s   %6.2f GB/s   %.3f%n", i + 1, plain / 1e9, march / 1e9, ratios[i]);
      }
      Arrays.sort(ratios);
      double median = ratios[rounds / 2];
      System.out.printf("median ratio %.3f (wanted: %.2f or more)%n", median, TARGET);
      return median >= TARGET ? 0 : 1;
    } finally {
      regions.forEach(RealMemory::close);
    }
  }

  private static double march(MarchAlgorithm algorithm, List<RealMemory> regions)
      throws InterruptedException {
    long began = System.nanoTime();
    MarchRun.Result result =
        MarchTeam.run(algorithm, regions, 1, (fraction, errors) -> {}, () -> false);
    if (!result.isClean()) {
      throw new IllegalStateException(
          "this machine's memory fails: %d errors".formatted(result.errorCount()));
    }
    return (System.nanoTime() - began) / 1e9;
  }

  private static double plain(MarchAlgorithm algorithm, List<RealMemory> regions) throws Exception {
    ExecutorService threads = Executors.newFixedThreadPool(regions.size());
    long began = System.nanoTime();
    try {
      List<Callable<Void>> work = new ArrayList<>();
      for (RealMemory region : regions) {
        work.add(
            () -> {
              plain(algorithm, region);
              return null;
            });
      }
      for (var done : threads.invokeAll(work)) {
        done.get();
      }
      return (System.nanoTime() - began) / 1e9;
    } finally {
      threads.shutdown();
    }
  }

  private static void plain(MarchAlgorithm algorithm, RealMemory region) {
    try (RealMemory zero = taken();
        RealMemory one = taken()) {
      NativeLong length = new NativeLong(BLOCK);
      memset(zero.pointer(), 0, length);
      memset(one.pointer(), 0xFF, length);
      for (int background = 0; background < algorithm.backgrounds().size(); background++) {
        for (MarchElement element : algorithm.elements()) {
          MarchElement.Sweep sweep = (MarchElement.Sweep) element;
          long blocks = 8 * region.words() / BLOCK;
          for (long b = 0; b < blocks; b++) {
            long at = BLOCK * (sweep.down() ? blocks - 1 - b : b);
            Pointer block = region.pointer().share(at);
            for (Operation operation : sweep.operations()) {
              if (operation.write()) {
                memset(block, operation.one() ? 0xFF : 0, length);
              } else if (memcmp(block, (operation.one() ? one : zero).pointer(), length) != 0) {
                throw new IllegalStateException("this machine's memory fails");
              }
            }
          }
        }
      }
    }
  }

  private static RealMemory taken() {
    try {
      return RealMemory.take(BLOCK, 1).get(0);
    } catch (java.io.IOException e) {
      throw new java.io.UncheckedIOException(e);
    }
  }
}

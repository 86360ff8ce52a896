package tekmerion.core.memory.march;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicLongArray;
import java.util.function.BooleanSupplier;
import tekmerion.core.port.MemoryRegion;

/** The same march on several regions at once, a thread each on its own; results are one. */
public final class MarchTeam {
  private static final double THOUSANDTHS = 1000;

  private MarchTeam() {}

  /**
   * @param regions one behind the other: errors are numbered as if they were one region
   * @throws InterruptedException if the caller is interrupted; the threads stop soon after
   */
  public static MarchRun.Result run(
      MarchAlgorithm algorithm,
      List<? extends MemoryRegion> regions,
      int passes,
      MarchRun.Progress progress,
      BooleanSupplier cancelled)
      throws InterruptedException {
    int n = regions.size();
    AtomicLongArray done = new AtomicLongArray(n);
    AtomicLongArray failed = new AtomicLongArray(n);
    ExecutorService threads = Executors.newFixedThreadPool(n);
    try {
      List<Future<MarchRun.Result>> parts = new ArrayList<>();
      for (int i = 0; i < n; i++) {
        int part = i;
        MarchRun.Progress own =
            (fraction, errors) -> {
              done.set(part, Math.round(THOUSANDTHS * fraction));
              failed.set(part, errors);
              progress.at(sum(done) / (THOUSANDTHS * n), sum(failed));
            };
        parts.add(
            threads.submit(
                () -> MarchRun.of(algorithm, regions.get(part), passes, own, cancelled)));
      }
      return together(algorithm, regions, parts);
    } finally {
      threads.shutdownNow();
    }
  }

  private static MarchRun.Result together(
      MarchAlgorithm algorithm,
      List<? extends MemoryRegion> regions,
      List<Future<MarchRun.Result>> parts)
      throws InterruptedException {
    List<MarchError> errors = new ArrayList<>();
    long count = 0;
    long words = 0;
    int passes = Integer.MAX_VALUE;
    boolean complete = true;
    for (int i = 0; i < parts.size(); i++) {
      MarchRun.Result part;
      try {
        part = parts.get(i).get();
      } catch (ExecutionException e) {
        throw new IllegalStateException("a march thread failed", e.getCause());
      }
      long before = words;
      part.errors()
          .forEach(
              e ->
                  errors.add(
                      new MarchError(
                          before + e.word(),
                          e.expected(),
                          e.read(),
                          e.element(),
                          e.operation(),
                          e.background(),
                          e.pass(),
                          e.celsius())));
      count += part.errorCount();
      words += part.words();
      passes = Math.min(passes, part.passes());
      complete &= part.complete();
    }
    return new MarchRun.Result(
        algorithm, words, passes, complete, count, errors, regions.get(0).coverage());
  }

  private static long sum(AtomicLongArray of) {
    long sum = 0;
    for (int i = 0; i < of.length(); i++) {
      sum += of.get(i);
    }
    return sum;
  }
}

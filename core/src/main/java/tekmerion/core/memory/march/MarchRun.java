package tekmerion.core.memory.march;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.BooleanSupplier;
import tekmerion.core.port.MemoryRegion;
import tekmerion.core.port.MemoryRegion.Operation;

/**
 * Runs an algorithm on a region: every background, every element in order, pass by pass. Of the
 * errors the first {@value #MAX_KEPT} are kept whole; all are counted.
 */
public final class MarchRun {
  public static final int MAX_KEPT = 20_000;

  /** Between two looks whether to go on: some milliseconds. */
  private static final long WORDS_AT_ONCE = 1 << 20;

  private final MarchAlgorithm algorithm;
  private final List<Background> backgrounds;
  private final MemoryRegion region;
  private final int passes;
  private final Progress progress;
  private final BooleanSupplier cancelled;
  private final List<MarchError> errors = new ArrayList<>();
  private long errorCount;
  private long wordsDone;
  private int passesDone;

  /** Told after every stretch. */
  @FunctionalInterface
  public interface Progress {
    /**
     * @param fraction of the whole run, [0, 1]
     * @param errors so far
     */
    void at(double fraction, long errors);
  }

  /**
   * What came of it.
   *
   * @param errors the first ones, in order
   * @param errorCount all of them
   * @param passes that were finished
   * @param complete false if it was cancelled
   * @param coverage what could not be reached
   */
  public record Result(
      MarchAlgorithm algorithm,
      long words,
      int passes,
      boolean complete,
      long errorCount,
      List<MarchError> errors,
      String coverage) {
    public Result {
      errors = List.copyOf(errors);
    }

    public boolean isClean() {
      return errorCount == 0;
    }
  }

  private MarchRun(
      MarchAlgorithm algorithm,
      List<Background> backgrounds,
      MemoryRegion region,
      int passes,
      Progress progress,
      BooleanSupplier cancelled) {
    this.algorithm = algorithm;
    this.backgrounds = backgrounds;
    this.region = region;
    this.passes = passes;
    this.progress = progress;
    this.cancelled = cancelled;
  }

  /**
   * One pass under some of the backgrounds, told to nobody: for what the literature says of one
   * background.
   */
  public static Result under(
      MarchAlgorithm algorithm, List<Background> backgrounds, MemoryRegion region) {
    return new MarchRun(algorithm, backgrounds, region, 1, (fraction, errors) -> {}, () -> false)
        .run();
  }

  /** One pass, told to nobody. */
  public static Result of(MarchAlgorithm algorithm, MemoryRegion region) {
    return under(algorithm, algorithm.backgrounds(), region);
  }

  /**
   * @param passes at least 1
   * @param cancelled asked every few milliseconds
   * @throws IllegalArgumentException if {@code passes} is below 1
   */
  public static Result of(
      MarchAlgorithm algorithm,
      MemoryRegion region,
      int passes,
      Progress progress,
      BooleanSupplier cancelled) {
    if (passes < 1) {
      throw new IllegalArgumentException("passes must be 1 or more: " + passes);
    }
    return new MarchRun(algorithm, algorithm.backgrounds(), region, passes, progress, cancelled)
        .run();
  }

  private Result run() {
    boolean complete = true;
    for (int pass = 0; pass < passes && complete; pass++) {
      for (Background background : backgrounds) {
        complete = complete && under(background, pass);
      }
      passesDone += complete ? 1 : 0;
    }
    return new Result(
        algorithm, region.words(), passesDone, complete, errorCount, errors, region.coverage());
  }

  /**
   * @return false if it was cancelled
   */
  private boolean under(Background background, int pass) {
    for (int e = 0; e < algorithm.elements().size(); e++) {
      MarchElement element = algorithm.elements().get(e);
      boolean wentOn = true;
      if (element instanceof MarchElement.Hold hold) {
        region.hold(hold.time());
      } else if (element instanceof MarchElement.Sweep sweep) {
        wentOn = sweep(sweep, e, background, pass);
      } else {
        moveBlocks(e, background, pass);
      }
      if (!wentOn || cancelled.getAsBoolean()) {
        return false;
      }
    }
    return true;
  }

  private boolean sweep(MarchElement.Sweep sweep, int element, Background background, int pass) {
    Operation[] operations = sweep.operations().toArray(Operation[]::new);
    long words = region.words();
    OptionalDouble celsius = region.celsius();
    for (long done = 0; done < words; done += WORDS_AT_ONCE) {
      long length = Math.min(WORDS_AT_ONCE, words - done);
      long from = sweep.down() ? words - done - length : done;
      region.sweep(
          from,
          from + length,
          sweep.down(),
          operations,
          background,
          (word, expected, read, operation) ->
              keep(
                  new MarchError(
                      word, expected, read, element, operation, background, pass, celsius)));
      wordsDone += length;
      progress.at(wordsDone / (double) wordsInAll(), errorCount);
      if (cancelled.getAsBoolean()) {
        return false;
      }
    }
    return true;
  }

  private long wordsInAll() {
    long sweeps =
        algorithm.elements().stream().filter(e -> e instanceof MarchElement.Sweep).count();
    return Math.max(1, region.words() * sweeps * backgrounds.size() * passes);
  }

  /**
   * Copies the lower half up, then back down one word further, and looks at all of it: whatever
   * does not survive being carried shows.
   */
  private void moveBlocks(int element, Background background, int pass) {
    long half = region.words() / 2;
    OptionalDouble celsius = region.celsius();
    for (long i = 0; i < half; i++) {
      region.write(half + i, region.read(i));
    }
    for (long i = 0; i < half; i++) {
      region.write((i + 1) % half, region.read(half + i));
    }
    for (long i = 0; i < 2 * half; i++) {
      long carried = i < half ? (i + half - 1) % half : i - half;
      long expected = background.zeroAt(carried);
      long read = region.read(i);
      if (read != expected) {
        keep(new MarchError(i, expected, read, element, 0, background, pass, celsius));
      }
    }
  }

  private void keep(MarchError error) {
    errorCount++;
    if (errors.size() < MAX_KEPT) {
      errors.add(error);
    }
  }
}

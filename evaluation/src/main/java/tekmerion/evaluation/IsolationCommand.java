package tekmerion.evaluation;

import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.concurrent.Callable;
import java.util.stream.IntStream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tekmerion.core.isolate.Hypothesis;
import tekmerion.core.isolate.Isolation;
import tekmerion.core.isolate.StartOutcome;
import tekmerion.core.isolate.Subsets;

/**
 * Starts until the blame is named, on known truth, against trying one thing after the other alone,
 * each until it fails, which names it, or is cleared with the same certainty.
 */
@Command(
    name = "isolation",
    description = "Mean starts and wrongly named parts, against one thing at a time.",
    mixinStandardHelpOptions = true)
public final class IsolationCommand implements Callable<Integer> {
  private static final int[] SIZES = {2, 3, 4, 6, 8, 12, 16, 24, 32, 48, 64};
  private static final double[] RATES = {0.2, 0.4, 0.6, 0.8, 1.0};
  private static final double ERROR = 0.05;
  private static final int MAX_STARTS = 3000;

  /** Starts that fail although nothing to blame was in play. */
  private static final double STRAY = 0.002;

  @Option(names = "--simulations", defaultValue = "10000", description = "Of each. Default: 10000.")
  private int simulations;

  @Option(names = "--seed", defaultValue = "1", description = "Default: 1.")
  private long seed;

  /**
   * @param innocent whether a thing was named that had nothing to do with it
   */
  private record Run(int starts, boolean innocent, boolean right) {}

  @Override
  public Integer call() {
    System.out.printf(
        "%,d simulations each; stated error %.0f in 100; one of the things in 95, none in 5 of 100%n",
        simulations, 100 * ERROR);
    System.out.println(
        "things  rate   starts   one at a time   innocent named   one at a time   right");
    boolean met = true;
    for (int things : SIZES) {
      Subsets subsets = new Subsets(things, 1, 0);
      List<Hypothesis> hypotheses =
          subsets.hypotheses(IntStream.range(0, things).mapToObj(i -> "thing " + i).toList());
      for (double rate : RATES) {
        List<Run> ours = runs(subsets, hypotheses, things, rate, true);
        List<Run> plain = runs(subsets, hypotheses, things, rate, false);
        double starts = ours.stream().mapToInt(Run::starts).average().orElseThrow();
        double each = plain.stream().mapToInt(Run::starts).average().orElseThrow();
        double innocent = share(ours.stream().filter(Run::innocent).count());
        System.out.printf(
            "%6d  %.1f  %7.2f  %14.2f  %13.2f %%  %12.2f %%  %5.1f %%%s%n",
            things,
            rate,
            starts,
            each,
            100 * innocent,
            100 * share(plain.stream().filter(Run::innocent).count()),
            100 * share(ours.stream().filter(Run::right).count()),
            starts < each ? "" : "  not fewer");
        met &= starts < each && innocent <= ERROR + 0.01;
      }
    }
    System.out.println(met ? "Every target is met." : "Not every target is met.");
    return met ? 0 : 1;
  }

  private double share(long count) {
    return count / (double) simulations;
  }

  private List<Run> runs(
      Subsets subsets, List<Hypothesis> hypotheses, int things, double rate, boolean ours) {
    return IntStream.range(0, simulations)
        .parallel()
        .mapToObj(
            i -> {
              SplittableRandom random =
                  new SplittableRandom(new SplittableRandom(seed * 1_000_003 + i).nextLong());
              return run(subsets, hypotheses, things, rate, ours, random);
            })
        .toList();
  }

  private static Run run(
      Subsets subsets,
      List<Hypothesis> hypotheses,
      int things,
      double rate,
      boolean ours,
      SplittableRandom random) {
    long blame = random.nextDouble() < 0.05 ? 0 : 1L << random.nextInt(things);
    Isolation isolation = new Isolation(hypotheses);
    // It was seen to fail with everything in; how often tells something of its rate.
    long all = subsets.all();
    boolean seen = false;
    for (int i = 0; i < 5 || !seen; i++) {
      boolean fails = random.nextDouble() < rate;
      seen |= fails;
      isolation.observe(all, fails ? StartOutcome.FAIL : StartOutcome.PASS);
    }
    int starts = 0;
    int turn = 0;
    Optional<Hypothesis> named = isolation.named(ERROR);
    while (named.isEmpty() && starts < MAX_STARTS) {
      if (!ours) {
        while (turn < things && about(isolation, turn) <= ERROR / things) {
          turn++; // cleared, as surely as the stated error asks
        }
        if (turn == things) {
          break; // each was tried alone: none of these
        }
      }
      long arrangement = ours ? subsets.next(isolation, all).arrangement() : 1L << turn;
      boolean fails =
          (arrangement & blame) == blame ? random.nextDouble() < rate : random.nextDouble() < STRAY;
      isolation.observe(arrangement, fails ? StartOutcome.FAIL : StartOutcome.PASS);
      starts++;
      named =
          !ours && fails
              ? Optional.of(hypotheses.get(turn)) // it failed alone: that ends the search
              : isolation.named(ERROR);
    }
    long needs = named.map(Hypothesis::needs).orElse(0L);
    boolean innocent = (needs & ~blame) != 0;
    return new Run(starts, innocent, needs == blame);
  }

  private static double about(Isolation isolation, int thing) {
    return isolation.suspicions().stream()
        .filter(s -> s.hypothesis().needs() == 1L << thing)
        .mapToDouble(Isolation.PartEvidence::probability)
        .sum();
  }
}

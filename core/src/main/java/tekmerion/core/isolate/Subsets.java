package tekmerion.core.isolate;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Things each of which is in play or not: peripherals, start-up items, services, cables. At most
 * {@value #MAX}.
 */
public final class Subsets {
  public static final int MAX = 64;

  /** Shares of what is to blame before any start: judgement. */
  private static final double PAIRS = 0.05;

  private static final double NONE = 0.05;
  private static final int ROUNDS = 3;

  private final int things;
  private final double startMinutes;
  private final double changeMinutes;

  /**
   * @param things how many, 1 to {@value #MAX}
   * @param startMinutes of each start
   * @param changeMinutes to put one thing in or out
   */
  public Subsets(int things, double startMinutes, double changeMinutes) {
    if (things < 1 || things > MAX || !(startMinutes > 0) || !(changeMinutes >= 0)) {
      throw new IllegalArgumentException(
          "%d things, %s and %s minutes".formatted(things, startMinutes, changeMinutes));
    }
    this.things = things;
    this.startMinutes = startMinutes;
    this.changeMinutes = changeMinutes;
  }

  public long all() {
    return things == MAX ? -1 : (1L << things) - 1;
  }

  /**
   * Every thing alone, every two together, none of these.
   *
   * @param names as many as there are things
   */
  public List<Hypothesis> hypotheses(List<String> names) {
    List<Hypothesis> all = new ArrayList<>();
    double pairs = things < 2 ? 0 : PAIRS;
    for (int i = 0; i < things; i++) {
      all.add(new Hypothesis(1L << i, (1 - pairs - NONE) / things, names.get(i)));
    }
    for (int i = 0; i < things; i++) {
      for (int j = i + 1; j < things; j++) {
        all.add(
            new Hypothesis(
                1L << i | 1L << j,
                pairs / (things * (things - 1) / 2.0),
                say("isolate.together-with-2", "names", names.get(i), "names2", names.get(j))));
      }
    }
    all.add(new Hypothesis(0, NONE, say("isolate.none-of-these")));
    return all;
  }

  /**
   * The best next start: of the likeliest things as many as tell most, then things taken in and out
   * one by one as long as that tells more for its minutes.
   *
   * @param now the arrangement as it is
   */
  public NextStart next(Isolation isolation, long now) {
    Sums sums = new Sums(isolation);
    List<Integer> order =
        IntStream.range(0, things)
            .boxed()
            .sorted(Comparator.comparingDouble((Integer i) -> sums.about(i)).reversed())
            .toList();
    long best = 0;
    double bestWorth = 0;
    sums.start();
    for (int thing : order) {
      sums.flip(thing);
      double worth = sums.bits() / minutes(now, sums.mask);
      if (worth > bestWorth) {
        bestWorth = worth;
        best = sums.mask;
      }
    }
    sums.start();
    for (long rest = best; rest != 0; rest &= rest - 1) {
      sums.flip(Long.numberOfTrailingZeros(rest));
    }
    for (int round = 0; round < ROUNDS; round++) {
      boolean better = false;
      for (int thing : order) {
        sums.flip(thing);
        double worth = sums.bits() / minutes(now, sums.mask);
        if (worth > bestWorth * (1 + 1e-9)) {
          bestWorth = worth;
          best = sums.mask;
          better = true;
        } else {
          sums.flip(thing);
        }
      }
      if (!better) {
        break;
      }
    }
    double minutes = minutes(now, best);
    return new NextStart(best, isolation.bits(best), minutes);
  }

  private double minutes(long from, long to) {
    return startMinutes + changeMinutes * Long.bitCount(from ^ to);
  }

  /** What the active hypotheses add up to, kept while things are taken in and out one by one. */
  private final class Sums {
    private final double[] singleFails = new double[things];
    private final double[] singleUnsure = new double[things];
    private final double[][] pairFails = new double[things][things];
    private final double[][] pairUnsure = new double[things][things];
    private final double[] about = new double[things];
    private double alwaysFails;
    private double alwaysUnsure;
    private long mask;
    private double fails;
    private double unsure;

    Sums(Isolation isolation) {
      double idleUnsure = Isolation.entropy(Isolation.FALSE_FAIL);
      for (int h = 0; h < isolation.hypotheses().size(); h++) {
        double p = isolation.probability(h);
        double moreFails = p * (isolation.failing(h) - Isolation.FALSE_FAIL);
        double moreUnsure = p * (Isolation.entropy(isolation.failing(h)) - idleUnsure);
        long needs = isolation.hypotheses().get(h).needs();
        int first = Long.numberOfTrailingZeros(needs);
        int second = Long.numberOfTrailingZeros(needs & needs - 1);
        alwaysFails += p * Isolation.FALSE_FAIL;
        alwaysUnsure += p * idleUnsure;
        if (needs == 0) {
          alwaysFails += moreFails;
          alwaysUnsure += moreUnsure;
        } else if (second == Long.SIZE) {
          singleFails[first] = moreFails;
          singleUnsure[first] = moreUnsure;
          about[first] += p;
        } else {
          pairFails[first][second] = pairFails[second][first] = moreFails;
          pairUnsure[first][second] = pairUnsure[second][first] = moreUnsure;
          about[first] += p / 2;
          about[second] += p / 2;
        }
      }
    }

    double about(int thing) {
      return about[thing];
    }

    void start() {
      mask = 0;
      fails = alwaysFails;
      unsure = alwaysUnsure;
    }

    void flip(int thing) {
      boolean in = (mask >>> thing & 1) == 0;
      long others = mask & ~(1L << thing);
      double f = singleFails[thing];
      double u = singleUnsure[thing];
      for (long rest = others; rest != 0; rest &= rest - 1) {
        int other = Long.numberOfTrailingZeros(rest);
        f += pairFails[thing][other];
        u += pairUnsure[thing][other];
      }
      fails += in ? f : -f;
      unsure += in ? u : -u;
      mask ^= 1L << thing;
    }

    double bits() {
      return Math.max(0, Isolation.entropy(Math.min(1, Math.max(0, fails))) - unsure);
    }
  }
}

package tekmerion.core.isolate;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.List;

/**
 * Things of which exactly one of each kind is in play: a drive on a cable at a port of a machine.
 * The first of each kind is the one that it came with; the others are spares that are known to be
 * good, as far as anything is. Bits: in the order of kinds, then of their things.
 */
public final class Chain {
  private static final double NONE = 0.05;

  /** That a spare is bad after all: judgement, range half to double. */
  private static final double SPARE = 0.01;

  private static final int MAX_ARRANGEMENTS = 4_096;

  private final List<List<String>> kinds;
  private final double startMinutes;
  private final double changeMinutes;
  private final List<Long> arrangements = new ArrayList<>();

  /**
   * @param kinds two at least, each with one thing at least; together at most 64 things
   * @param startMinutes of each start
   * @param changeMinutes to exchange one thing for another
   */
  public Chain(List<List<String>> kinds, double startMinutes, double changeMinutes) {
    int things = kinds.stream().mapToInt(List::size).sum();
    double combinations = kinds.stream().mapToDouble(List::size).reduce(1, (a, b) -> a * b);
    if (kinds.size() < 2
        || kinds.stream().anyMatch(List::isEmpty)
        || things > Subsets.MAX
        || combinations > MAX_ARRANGEMENTS) {
      throw new IllegalArgumentException("%d kinds with %d things".formatted(kinds.size(), things));
    }
    this.kinds = List.copyOf(kinds);
    this.startMinutes = startMinutes;
    this.changeMinutes = changeMinutes;
    combine(0, 0, 0);
  }

  private void combine(int kind, int firstBit, long sofar) {
    if (kind == kinds.size()) {
      arrangements.add(sofar);
      return;
    }
    for (int i = 0; i < kinds.get(kind).size(); i++) {
      combine(kind + 1, firstBit + kinds.get(kind).size(), sofar | 1L << firstBit + i);
    }
  }

  /** As it came: the first of each kind. */
  public long asItCame() {
    return arrangements.get(0);
  }

  /** Whether one of each kind, and no more, is in play. */
  public boolean isPossible(long arrangement) {
    return arrangements.contains(arrangement);
  }

  /** Every thing alone, and none of these. */
  public List<Hypothesis> hypotheses() {
    List<Hypothesis> all = new ArrayList<>();
    int bit = 0;
    for (List<String> kind : kinds) {
      for (int i = 0; i < kind.size(); i++) {
        double prior = i == 0 ? (1 - NONE) / kinds.size() : SPARE;
        all.add(new Hypothesis(1L << bit++, prior, kind.get(i)));
      }
    }
    all.add(new Hypothesis(0, NONE, say("isolate.none-of-these")));
    return all;
  }

  /**
   * The start that tells most for its minutes.
   *
   * @param now as it sits
   */
  public NextStart next(Isolation isolation, long now) {
    NextStart best = null;
    for (long arrangement : arrangements) {
      int changed = Long.bitCount(arrangement ^ now) / 2;
      NextStart start =
          new NextStart(
              arrangement, isolation.bits(arrangement), startMinutes + changeMinutes * changed);
      if (best == null || start.bitsPerMinute() > best.bitsPerMinute()) {
        best = start;
      }
    }
    return best;
  }
}

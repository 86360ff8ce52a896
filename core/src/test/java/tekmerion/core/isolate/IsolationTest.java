package tekmerion.core.isolate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tekmerion.core.isolate.Slots.Placement;

class IsolationTest {
  private static final Hypothesis A = new Hypothesis(1, 0.5, "A");
  private static final Hypothesis B = new Hypothesis(2, 0.4, "B");
  private static final Hypothesis NONE = new Hypothesis(0, 0.1, "none of these");

  @Test
  void aFailureWithOneAloneMovesTheBlameByItsRates() {
    // The rates 0.1, 0.2 … 1 have a mean of 0.55: a start with A alone fails with that if it is A
    // or none of these, and with 0.005 if it is B.
    Isolation isolation = new Isolation(List.of(A, B, NONE));

    isolation.observe(1, StartOutcome.FAIL);

    double all = 0.5 * 0.55 + 0.4 * 0.005 + 0.1 * 0.55;
    assertThat(isolation.probability(0)).isCloseTo(0.5 * 0.55 / all, within(1e-6));
    assertThat(isolation.probability(1)).isCloseTo(0.4 * 0.005 / all, within(1e-6));
    assertThat(isolation.probability(2)).isCloseTo(0.1 * 0.55 / all, within(1e-6));
  }

  @Test
  void nobodyCouldTellChangesNothing() {
    Isolation isolation = new Isolation(List.of(A, B, NONE));

    isolation.observe(1, StartOutcome.INCONCLUSIVE);

    assertThat(isolation.probability(0)).isCloseTo(0.5, within(1e-12));
  }

  @Test
  void aStartWithNothingInPlayTellsOnlyOfNoneOfThese() {
    Isolation isolation = new Isolation(List.of(A, B, NONE));
    double bits = isolation.bits(0);

    // Fails with 0.1·0.55 + 0.9·0.005 = 0.0595; H(0.0595) − 0.1·H(0.55) − 0.9·H(0.005), in bits:
    // 0.32546 − 0.09928 − 0.04087.
    assertThat(bits).isCloseTo(0.18531, within(2e-5));
  }

  @ParameterizedTest(name = "seed {0}")
  @ValueSource(longs = {1, 2, 3})
  void theQuickSearchCountsBitsAsTheSlowSumDoes(long seed) {
    Random random = new Random(seed);
    Subsets subsets = new Subsets(7, 3, 0.5);
    List<String> names = List.of("a", "b", "c", "d", "e", "f", "g");
    Isolation isolation = new Isolation(subsets.hypotheses(names));
    for (int i = 0; i < 4; i++) {
      isolation.observe(
          random.nextInt(128), random.nextBoolean() ? StartOutcome.FAIL : StartOutcome.PASS);
    }

    NextStart next = subsets.next(isolation, subsets.all());

    double best = 0;
    for (long arrangement = 0; arrangement < 128; arrangement++) {
      double minutes = 3 + 0.5 * Long.bitCount(arrangement ^ subsets.all());
      best = Math.max(best, isolation.bits(arrangement) / minutes);
    }
    // Against all 128: what it finds is a best one or hardly worse.
    assertThat(next.bitsPerMinute()).isBetween(0.95 * best, best + 1e-12);
  }

  /** A, B in slots 1, 2; what fails is known; starts until it is named. */
  private static int starts(long needs, String expected) {
    Slots slots = new Slots(List.of("A", "B"), List.of("slot 1", "slot 2"), 4, 3);
    Isolation isolation = new Isolation(slots.hypotheses());
    Placement now = new Placement(List.of(0, 1));
    isolation.observe(slots.arrangement(now), StartOutcome.FAIL);
    int starts = 0;
    while (isolation.named(0.05).isEmpty()) {
      now = slots.next(isolation, now).placement();
      boolean fails = (slots.arrangement(now) & needs) == needs;
      isolation.observe(slots.arrangement(now), fails ? StartOutcome.FAIL : StartOutcome.PASS);
      assertThat(++starts).isLessThan(40);
    }
    assertThat(isolation.named(0.05).orElseThrow().words()).isEqualTo(expected);
    return starts;
  }

  @Test
  void namesModuleSlotContactAndPairInFewStartsWhenTheyAlwaysFail() {
    // Bits: modules A, B, then slots 1, 2, then the contacts A1, A2, B1, B2. There are six
    // placements; trying each of them three times, as a rate that nobody knows asks, takes 18.
    assertThat(starts(1 << 1, "B")).isLessThanOrEqualTo(4);
    assertThat(starts(1 << 3, "slot 2")).isLessThanOrEqualTo(8);
    assertThat(starts(1 << 4, "the contact of A in slot 1")).isLessThan(18);
    assertThat(starts(0b11, "A together with B")).isLessThan(18);
  }

  @Test
  void saysWithWhatItMayGoHomeMeanwhile() {
    Slots slots = new Slots(List.of("A", "B"), List.of("slot 1", "slot 2"), 4, 3);
    Isolation isolation = new Isolation(slots.hypotheses());
    Placement onlyA = new Placement(List.of(0, -1));
    Placement onlyB = new Placement(List.of(1, -1));
    assertThat(slots.meanwhile(isolation, 0.9)).isEmpty();
    for (int i = 0; i < 3; i++) {
      isolation.observe(slots.arrangement(onlyB), StartOutcome.FAIL);
      isolation.observe(slots.arrangement(onlyA), StartOutcome.PASS);
    }

    // With A; and in slot 2, which was not in play when it failed, so that it cannot be to blame.
    assertThat(slots.meanwhile(isolation, 0.9)).hasValue(new Placement(List.of(-1, 0)));
  }
}

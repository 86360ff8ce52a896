package tekmerion.core.weigh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalInt;
import org.junit.jupiter.api.Test;

class ToldTest {
  private static final double[] LEAK = {0.96, 0.04};
  private static final double[][] CABLE = {{0.4, 0.6}};
  private static final int THE_CABLE = FaultSets.of(0);

  /** Of no cause 0.04 say "gone"; of the other 0.96 those that would not have come in the tries. */
  @Test
  void whatWouldStillComeStaysAwayAsOftenAsItIsRare() {
    double[] gone = new Told(0, OptionalInt.of(1), 0.25).once(1, 2);
    Observation seen = new Observation(gone, LEAK, CABLE);

    assertThat(seen.likelihood(FaultSets.NONE)).isCloseTo(0.04 + 0.25 * 0.96, within(1e-12));
    // The cable shows "the same" with 0.4 · 0.96; a quarter of it stays away all the same.
    assertThat(seen.likelihood(THE_CABLE)).isCloseTo(1 - 0.75 * 0.384, within(1e-12));
  }

  /** "It runs" as the first level: every cause that was at work may just not have come. */
  @Test
  void whereGoneIsTheFirstLevelEveryCauseCanHaveStayedAway() {
    double[] runs = new Told(0, OptionalInt.of(0), 0.2).once(0, 3);

    assertThat(runs).containsExactly(new double[] {1, 0.2, 0}, within(1e-12));
  }

  /** Two looks that agree are a slip with 0.1², two that differ say that one of the two holds. */
  @Test
  void aSecondLookUndoesASlipOfTheFirst() {
    Told hand = new Told(0.2, OptionalInt.empty(), 0);
    double[] yes = hand.once(1, 2);
    double[] no = hand.once(0, 2);

    assertThat(yes).containsExactly(new double[] {0.1, 0.9}, within(1e-12));
    assertThat(Told.both(yes, yes)).containsExactly(new double[] {0.01, 0.81}, within(1e-12));
    assertThat(Told.both(yes, no)).containsExactly(new double[] {0.09, 0.09}, within(1e-12));
  }

  /** What is told the second time, given the first: both outcomes add up to one. */
  @Test
  void theSecondLookIsForeseenByTheFirst() {
    Told hand = new Told(0.2, OptionalInt.empty(), 0);
    double[] yes = hand.once(1, 2);
    Observation first = new Observation(yes, LEAK, CABLE);
    Observation again = Observation.again(first, Told.both(yes, yes), LEAK, CABLE);
    Observation other = Observation.again(first, Told.both(yes, hand.once(0, 2)), LEAK, CABLE);

    // No cause: (0.96·0.01 + 0.04·0.81) / (0.96·0.1 + 0.04·0.9)
    assertThat(again.likelihood(FaultSets.NONE)).isCloseTo(0.042 / 0.132, within(1e-12));
    for (int set : new int[] {FaultSets.NONE, THE_CABLE}) {
      assertThat(again.likelihood(set) + other.likelihood(set)).isCloseTo(1, within(1e-12));
    }
  }
}

package tekmerion.core.isolate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

/** A drive on a cable at a port, each with a spare. */
class ChainTest {
  private static final List<List<String>> KINDS =
      List.of(List.of("drive", "spare drive"), List.of("cable", "spare cable"), List.of("port"));

  @Test
  void hasOneOfEachKindInPlay() {
    Chain chain = new Chain(KINDS, 4, 2);

    assertThat(chain.asItCame()).isEqualTo(0b10101); // first drive, first cable, the port
    assertThat(chain.isPossible(0b10110)).isTrue();
    assertThat(chain.isPossible(0b10111)).as("two drives").isFalse();
    assertThat(chain.isPossible(0b00101)).as("no port").isFalse();
    assertThatThrownBy(() -> new Chain(List.of(List.of("drive")), 4, 2))
        .isInstanceOf(IllegalArgumentException.class);
  }

  /** 4 of 5 starts fail when the bad thing is in play; each of the first things is bad in turn. */
  @Test
  void namesTheBadOneAndHardlyEverAnInnocent() {
    Chain chain = new Chain(KINDS, 4, 2);
    int wrong = 0;
    int runs = 600;
    for (int i = 0; i < runs; i++) {
      SplittableRandom random = new SplittableRandom(i);
      long bad = 1L << (i % 3 * 2); // drive, cable, port
      Isolation isolation = new Isolation(chain.hypotheses());
      long now = chain.asItCame();
      isolation.observe(now, StartOutcome.FAIL);
      int starts = 0;
      while (isolation.named(0.05).isEmpty() && starts++ < 60) {
        now = chain.next(isolation, now).arrangement();
        assertThat(chain.isPossible(now)).isTrue();
        boolean fails = (now & bad) != 0 && random.nextDouble() < 0.8;
        isolation.observe(now, fails ? StartOutcome.FAIL : StartOutcome.PASS);
      }
      // Without a spare the port cannot be told from "none of these": nobody is named then.
      long named = isolation.named(0.05).map(Hypothesis::needs).orElse(0L);
      wrong += named != 0 && named != bad ? 1 : 0;
      if (bad != 0b10000) {
        assertThat(isolation.named(0.05)).isPresent();
      }
    }
    assertThat(wrong).isLessThanOrEqualTo((int) (runs * 0.06));
  }

  @Test
  void whatTheOwnerSaidOfTheRateChangesWhatAPassClears() {
    Chain chain = new Chain(KINDS, 4, 2);
    Isolation always = new Isolation(chain.hypotheses(), HowOften.of("always"));
    Isolation seldom = new Isolation(chain.hypotheses(), HowOften.of("now-and-then"));

    always.observe(0b10101, StartOutcome.PASS);
    seldom.observe(0b10101, StartOutcome.PASS);

    // One pass clears more of a thing that fails every time than of one that fails now and then.
    assertThat(always.probability(0)).isLessThan(seldom.probability(0));
  }
}

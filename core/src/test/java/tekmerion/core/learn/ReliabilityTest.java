package tekmerion.core.learn;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import tekmerion.core.learn.Reliability.Bin;
import tekmerion.core.learn.Reliability.Stated;

class ReliabilityTest {
  /** Ten said 0.8, of which seven held; two said 1, both held. */
  private static List<Stated> jobs() {
    List<Stated> jobs = new ArrayList<>();
    for (int i = 0; i < 10; i++) {
      jobs.add(new Stated(0.8, i < 7));
    }
    jobs.add(new Stated(1, true));
    jobs.add(new Stated(1, true));
    return jobs;
  }

  /**
   * Jeffreys, 7 of 10: Brown, Cai and DasGupta's rule, quantiles of Beta(7.5, 3.5) by numerical
   * integration: 0.39418 and 0.90731. Brier: (7·0.2² + 3·0.8²) / 12 = 0.18333.
   */
  @Test
  void setsWhatWasSaidBesideWhatWasSo() {
    Reliability told = Reliability.of(jobs());

    assertThat(told.bins()).extracting(Bin::jobs).containsExactly(10, 2);
    Bin first = told.bins().get(0);
    assertThat(first.said()).isCloseTo(0.8, within(1e-12));
    assertThat(first.held()).isCloseTo(0.7, within(1e-12));
    assertThat(first.low()).isCloseTo(0.39418, within(1e-5));
    assertThat(first.high()).isCloseTo(0.90731, within(1e-5));
    assertThat(told.bins().get(1).high()).isEqualTo(1);
    assertThat(told.brier()).isCloseTo(2.2 / 12, within(1e-12));
  }

  @Test
  void ofNothingSaysNothing() {
    assertThat(Reliability.of(List.of()).bins()).isEmpty();
    assertThat(Reliability.of(List.of()).brier()).isZero();
  }
}

package tekmerion.core.trend;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import tekmerion.core.trend.KaplanMeier.Life;
import tekmerion.core.trend.Outlook.Driver;

class OthersTest {
  @Test
  void survivalFollowsTheProductOfWhatWasLeft() {
    // Worked by hand: 5 at risk, one fails: 4/5; one leaves; 3 at risk, one fails: 4/5 · 2/3.
    List<KaplanMeier.Step> steps =
        KaplanMeier.of(
            List.of(
                new Life(100, true),
                new Life(200, false),
                new Life(300, true),
                new Life(400, false),
                new Life(500, false)));

    assertThat(steps).hasSize(2);
    assertThat(steps.get(0).survival()).isCloseTo(0.8, within(1e-12));
    assertThat(steps.get(1).survival()).isCloseTo(0.8 * 2 / 3, within(1e-12));
    assertThat(steps.get(1).atRisk()).isEqualTo(3);
    // Greenwood: 1/(5·4) + 1/(3·2) = 0.21667; error √0.21667 / |ln 0.5333| = 0.7405;
    // low = 0.5333^exp(1.95996·0.7405), high = 0.5333^exp(−1.95996·0.7405).
    assertThat(steps.get(1).low()).isCloseTo(0.0683, within(5e-4));
    assertThat(steps.get(1).high()).isCloseTo(0.8631, within(5e-4));
  }

  @Test
  void aFailureAtTheTimeOfAnotherDriveLeavingStillHasItAtRisk() {
    assertThat(KaplanMeier.of(List.of(new Life(100, false), new Life(100, true))).get(0).atRisk())
        .isEqualTo(2);
  }

  @Test
  void tooFewOthersGiveNoPercentile() {
    assertThat(Cohort.of(3, new double[] {1, 2, 3, 4, 5, 6, 7})).isEmpty();
  }

  @Test
  void standsAmongOthersWithTiesCountedHalf() {
    double[] others = IntStream.rangeClosed(1, 9).asDoubleStream().toArray();

    Cohort cohort = Cohort.of(5, others).orElseThrow();

    assertThat(cohort.share()).isCloseTo(4.5 / 9, within(1e-12));
    assertThat(cohort.median()).isEqualTo(5);
    assertThat(cohort.lower()).isEqualTo(3); // rank 0.25 · 8 = 2 → the third
    assertThat(cohort.upper()).isEqualTo(7);
  }

  @Test
  void aSoundYoungDriveFailsAsThePublishedBaseRateSays() {
    Outlook outlook = Outlook.of(1_000, List.of());

    assertThat(outlook.days().get(2).probability()).isCloseTo(0.017, within(1e-9));
    assertThat(outlook.drivers()).isEmpty();
  }

  @Test
  void onlyTheGravestOfAGroupCounts() {
    Driver first = new Driver("scan", "first scan error", 39, 20, 60, "FAST 2007");
    Driver same = new Driver("scan", "pending sectors", 16, 10, 25, "FAST 2007");

    Outlook one = Outlook.of(1_000, List.of(first));
    Outlook both = Outlook.of(1_000, List.of(same, first));

    assertThat(both.days()).isEqualTo(one.days());
    assertThat(both.drivers()).containsExactly(first);
    // 60 days: 1.7 % a year is 4.70e-5 a day; times 39 over 30 days = 1 − exp(−0.0550) = 5.35 %.
    assertThat(one.days().get(0).probability()).isCloseTo(0.0535, within(1e-4));
    assertThat(one.days().get(0).low()).isLessThan(0.0535);
    assertThat(one.days().get(0).high()).isGreaterThan(0.0535);
  }
}

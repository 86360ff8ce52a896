package tekmerion.core.weigh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import tekmerion.core.finding.Finding;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Move;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.weigh.Weighing.Part;

/** Wanted data weighs 3,000 minutes; a failing drive dies in 5 of 100 hours of work. */
class MoveRiskTest {
  private static final KnowHow KNOW_HOW = KnowHow.shipped();

  private final Network network =
      Network.of(
          KNOW_HOW,
          List.of("restart-loop"),
          List.of(new Part("drive-a", "drive", "drive A")),
          List.of(new Finding("boot-stage", Finding.MACHINE, "loader", "", Finding.Basis.move())));
  private final Posterior faults = network.posterior(Plans.MIN_SHARE);

  private double minutes(String move, DataStatus status) {
    Move known = KNOW_HOW.move(move).orElseThrow();
    return new MoveRisk(network, faults, Stake.of(status)).minutes(known);
  }

  /** Of the causes that take data along. */
  private double failing() {
    double sum = 0;
    for (int i = 0; i < network.instances().size(); i++) {
      sum += network.instances().get(i).cause().dataRisk() > 0 ? faults.probability()[i] : 0;
    }
    return sum;
  }

  @Test
  void anHourOfWorkCostsByTheChanceThatTheDriveIsFailing() {
    // "Let the stuck update go on": 2 minutes by hand, 60 of waiting, no risk of its own.
    double dies = 1 - Math.pow(0.95, 62.0 / 60);

    assertThat(failing()).isBetween(0.01, 0.5);
    assertThat(minutes("update-wait", DataStatus.WANTED))
        .isCloseTo(3000 * failing() * dies, within(1e-9));
  }

  @Test
  void whereNothingCanBeLostNothingIsRisked() {
    assertThat(minutes("update-wait", DataStatus.COPY_VERIFIED)).isZero();
    assertThat(minutes("update-wait", DataStatus.NOT_WANTED)).isZero();
  }

  @Test
  void aCopyIsNotHeldBackByTheWorkThatItGives() {
    double own = KNOW_HOW.move("rescue-copy").orElseThrow().risk();

    assertThat(minutes("rescue-copy", DataStatus.WANTED)).isCloseTo(3000 * own, within(1e-9));
  }
}

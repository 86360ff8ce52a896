package tekmerion.core.weigh;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import tekmerion.core.weigh.Weighed.CauseShare;

class ContradictionTest {
  private static CauseShare share(String cause, double probability) {
    return new CauseShare(
        cause,
        "machine",
        "The " + cause,
        "the machine",
        "power",
        true,
        0.1,
        probability,
        Suspicion.of(probability, true),
        0,
        0,
        List.of());
  }

  private static Weighed now(CauseShare... causes) {
    return new Weighed("", 3, List.of(causes), 0.01, 0, "", List.of());
  }

  @Test
  void aDecisionIsContradictedWhenItsCauseFellAndAnotherLeans() {
    Weighed now = now(share("board", 0.9), share("adapter", 0.04));

    assertThat(Contradiction.of("adapter", "machine", now))
        .hasValue(
            "The decision was for the adapter, which stands at 4 in 100 now; the board stands at 90 in"
                + " 100.");
  }

  @Test
  void itIsNotWhileItsCauseLeansOrNoOtherDoes() {
    // Leaning begins at 0.35.
    assertThat(Contradiction.of("adapter", "machine", now(share("adapter", 0.35)))).isEmpty();
    assertThat(
            Contradiction.of(
                "adapter", "machine", now(share("board", 0.34), share("adapter", 0.1))))
        .isEmpty();
    assertThat(Contradiction.of("adapter", "machine", now())).isEmpty();
  }
}

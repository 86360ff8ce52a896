package tekmerion.core.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tekmerion.core.permit.Proven;

class ProofTest {
  @ParameterizedTest(name = "failed {0} of {1}: {2} clean ones")
  @CsvSource({
    // Beta(6, 1): hidden 1/7 = 0.143, × 2/8 = 0.036 < 0.05
    "5, 5, 2",
    // Beta(2, 1): E(1 − f)^n = 2 / ((n + 1)(n + 2)) ≤ 0.05 first at n = 5: 2/42 = 0.0476
    "1, 1, 5",
    // Beta(51, 51), near f = 0.5: 0.5^5 = 0.031 < 0.05 < 0.5^4; the spread of f does not change it
    "50, 100, 5",
    // Beta(101, 901), f near 0.1: ln 0.05 / ln 0.9 = 28.4; its spread asks for 30
    "100, 1000, 30"
  })
  void cleanTrialsForNinetyFiveInHundred(int seen, int trials, int needed) {
    assertThat(Proof.needed(seen, trials).trials()).isCloseTo(needed, within(1));
    assertThat(Proof.needed(seen, trials).confidence()).isGreaterThanOrEqualTo(0.95);
  }

  @Test
  void oneMoreOrLessIsExactForSmallNumbers() {
    assertThat(Proof.needed(5, 5).trials()).isEqualTo(2);
    assertThat(Proof.needed(1, 1).trials()).isEqualTo(5);
    assertThat(Proof.needed(1, 1).confidence()).isCloseTo(1 - 2.0 / 42, within(1e-12));
  }

  @Test
  void asksForNoMoreThanAnybodyWouldDoAndSaysHowSureThatMakes() {
    Proof.Needed rare = Proof.needed(1, 200);

    assertThat(rare.trials()).isEqualTo(Proof.MAX_TRIALS);
    // E(1 − f)^60 with Beta(2, 200): (200·201) / (260·261) = 0.5924
    assertThat(rare.confidence()).isCloseTo(1 - 200.0 * 201 / (260 * 261), within(1e-12));
  }

  @Test
  void whatNeverFailedHasNothingToProve() {
    assertThatThrownBy(() -> Proof.needed(0, 3)).hasMessageContaining("0 failures in 3");
  }

  @Test
  void isCountedInWords() {
    assertThat(Proof.needed(1, 1).counted(3)).isEqualTo("3 of 5");
    assertThat(Proof.needed(1, 1).counted(9)).isEqualTo("5 of 5");
  }

  @ParameterizedTest(name = "{0}: {1}")
  @CsvSource({
    // Beta(4, 1): 1/5 × 2/6 × 3/7 = 0.0286
    "always, 3",
    // Beta(6, 3): 3/9 × 4/10 × 5/11 × 6/12 = 0.0303
    "most-days, 4",
    // Beta(2, 4): E = Π (4 + i)/(6 + i) = 20/((n + 4)(n + 5)); ≤ 0.05 first at n = 16: 20/420
    "now-and-then, 16"
  })
  void theRarerItCameTheMoreIsAsked(String often, int trials) {
    assertThat(Proof.ofComplaint(Optional.of(often)).trials()).isEqualTo(trials);
  }

  @Test
  void aFailureStartsTheCountAnew() {
    Proof.Needed three = Proof.ofComplaint(Optional.of("always"));

    assertThat(Proof.standing(three, List.of()).proven()).isEqualTo(Proven.UNFINISHED);
    assertThat(Proof.standing(three, List.of(false, false)).counted()).isEqualTo("2 of 3");
    assertThat(Proof.standing(three, List.of(false, false, true)).proven())
        .isEqualTo(Proven.FAILED);
    assertThat(Proof.standing(three, List.of(false, false, true, false)).counted())
        .isEqualTo("1 of 3");
    assertThat(Proof.standing(three, List.of(true, false, false, false)).proven())
        .isEqualTo(Proven.DONE);
  }
}

package tekmerion.evaluation.shop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tekmerion.evaluation.shop.Visit.Result;

class ScoreTest {
  private static Result result(double said, boolean right, boolean decidedRight, double minutes) {
    return new Result(
        List.of("slow"),
        List.of(),
        "c",
        said,
        right,
        right,
        "plan",
        decidedRight,
        false,
        decidedRight,
        minutes,
        0,
        minutes,
        List.of("a", "b"),
        Map.of(),
        0,
        false,
        0);
  }

  @Test
  void calibrationIsTheMeanGapOfItsBinsByTheirSize() {
    // Bin of 0.9 to 1: said 0.95 twice, right once: gap 0.45. Bin of 0.2 to 0.3: said 0.2 twice,
    // never right: gap 0.2. Each holds half: (0.45 + 0.2) / 2.
    Score score =
        Score.of(
            List.of(
                result(0.95, true, true, 10),
                result(0.95, false, false, 20),
                result(0.2, false, true, 30),
                result(0.2, false, false, 40)));

    assertThat(score.calibrationError()).isCloseTo(0.325, within(1e-12));
    // (0.05² + 0.95² + 0.2² + 0.2²) / 4
    assertThat(score.brier()).isCloseTo(0.985 / 4, within(1e-12));
    assertThat(score.right()).isEqualTo(0.25);
    // 100 minutes for two right decisions
    assertThat(score.minutesARightDecision()).isEqualTo(50);
    assertThat(score.reliability()).hasSize(2);
  }
}

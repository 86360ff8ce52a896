package tekmerion.core.knowhow;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

class DrawnTest {
  /** 95 of 100 draws are within half to double: ln 2 / 1.96 of the log-odds. */
  private static double factor(Random random) {
    return Math.exp(Math.log(2) / 1.96 * random.nextGaussian());
  }

  private static double drawn(double[] shares, Random random) {
    double no = shares[0] * factor(random);
    double yes = shares[1] * factor(random);
    return yes / (no + yes);
  }

  /**
   * The links of a kind are a map whose order is another one each time that a program starts; the
   * draws go by the names of the causes, so that a plan's range is the same after a restart.
   */
  @Test
  void theSameSeedDrawsTheSameNumbersWhateverTheOrderOfTheMap() {
    FindingKind kind =
        new FindingKind(
            "f",
            "F",
            "f",
            List.of("no", "yes"),
            List.of(0.9, 0.1),
            Map.of(
                "e", List.of(0.5, 0.5),
                "c", List.of(0.7, 0.3),
                "a", List.of(0.4, 0.6),
                "d", List.of(0.2, 0.8),
                "b", List.of(0.6, 0.4)),
            Map.of(),
            Map.of(),
            "arithmetic");
    Random random = new Random(7);
    Map<String, Double> yes = new TreeMap<>();
    yes.put("a", drawn(new double[] {0.4, 0.6}, random));
    yes.put("b", drawn(new double[] {0.6, 0.4}, random));
    yes.put("c", drawn(new double[] {0.7, 0.3}, random));
    yes.put("d", drawn(new double[] {0.2, 0.8}, random));
    yes.put("e", drawn(new double[] {0.5, 0.5}, random));

    FindingKind drawn = new Drawn(7).finding(kind);

    yes.forEach(
        (cause, p) ->
            assertThat(drawn.links().get(cause).get(1)).as(cause).isCloseTo(p, within(1e-12)));
    assertThat(drawn.leak().get(1))
        .isCloseTo(drawn(new double[] {0.9, 0.1}, random), within(1e-12));
  }
}

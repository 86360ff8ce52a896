package tekmerion.core.knowhow;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.apache.commons.statistics.descriptive.Mean;
import org.apache.commons.statistics.descriptive.StandardDeviation;
import org.junit.jupiter.api.Test;

class DrawnTest {
  /** 95 of 100 draws are within half to double: ln 2 / 1.96 of the log-odds. */
  private static double factor(SplittableRandom random) {
    return Math.exp(Math.log(2) / 1.96 * random.nextGaussian());
  }

  private static double drawn(double[] shares, SplittableRandom random) {
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
    SplittableRandom random = new SplittableRandom(7);
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

  /** Of a prior of 0.5 the log-odds are drawn: mean 0, standard deviation ln 2 / 1.96 = 0.3536. */
  @Test
  void drawsSideBySideDifferAsMuchAsTheyShould() {
    double[] logOdds =
        IntStream.range(0, 400)
            .mapToDouble(number -> Drawn.ofOne("failing-drive@drive-a", number).prior(0.5))
            .map(p -> Math.log(p / (1 - p)))
            .toArray();

    // Of 400 the mean is off by 0.3536 / 20 = 0.0177, the deviation by 0.3536 / √800 = 0.0125.
    assertThat(Mean.of(logOdds).getAsDouble()).isCloseTo(0, within(4 * 0.0177));
    assertThat(StandardDeviation.of(logOdds).getAsDouble()).isCloseTo(0.3536, within(4 * 0.0125));
  }
}

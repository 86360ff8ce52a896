package tekmerion.core.weigh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Against arithmetic and against the definition, term by term. */
class InformationTest {
  private static final int CAUSES = 4;

  /** A yes or no that each cause alone brings about with its own probability. */
  private static List<Observation> yesOrNo(double... yes) {
    double[][] links =
        Arrays.stream(yes)
            .mapToObj(p -> p == 0 ? null : new double[] {1 - p, p})
            .toArray(double[][]::new);
    return IntStream.range(0, 2)
        .mapToObj(level -> new Observation(level, new double[] {0.99, 0.01}, links))
        .toList();
  }

  private static Posterior even(int causes) {
    double[] prior = new double[causes];
    Arrays.fill(prior, 0.5);
    return Posterior.of(prior, List.of());
  }

  @Test
  void aCoinThatIsSeenIsABit() {
    // One cause, there or not, and an answer that all but tells which: H(0.5·0.01 + 0.5) less what
    // the answer leaves open in each case, h(0.01) and h(0.9901 · …) of the noisy-OR.
    double[] yes = {0.01, 1 - 0.99 * 0.02};
    double mean = (yes[0] + yes[1]) / 2;

    assertThat(Information.bits(even(1), List.of(yesOrNo(0.98))))
        .isCloseTo(h(mean) - (h(yes[0]) + h(yes[1])) / 2, within(1e-12));
  }

  private static double h(double p) {
    return -(p * Math.log(p) + (1 - p) * Math.log(1 - p)) / Math.log(2);
  }

  /** What only tells apart what is one group is worth nothing. */
  @Test
  void withinAGroupNothingIsTold() {
    Posterior faults = even(CAUSES);
    List<List<Observation>> asked = List.of(yesOrNo(0.9, 0, 0.5, 0.1));

    assertThat(Information.bits(faults, new int[faults.sets()], 1, asked))
        .isCloseTo(0, within(1e-12));
    assertThat(
            Information.bits(
                faults, IntStream.range(0, faults.sets()).toArray(), faults.sets(), asked))
        .isCloseTo(Information.bits(faults, asked), within(1e-12));
  }

  @ParameterizedTest(name = "seed {0}")
  @ValueSource(longs = {1, 2, 3, 4, 5})
  void equalsTheDefinitionOfMutualInformation(long seed) {
    Random random = new Random(seed);
    Posterior faults = even(CAUSES);
    int groups = 3;
    int[] groupOf = random.ints(faults.sets(), 0, groups).toArray();
    List<Observation> first = yesOrNo(random.doubles(CAUSES, 0.05, 0.95).toArray());
    List<Observation> second = yesOrNo(random.doubles(CAUSES, 0.05, 0.95).toArray());

    // Σ p(g, a, b) · log2( p(g, a, b) / (p(g) · p(a, b)) )
    double[][] together = new double[groups][4];
    for (int s = 0; s < faults.sets(); s++) {
      for (int answer = 0; answer < 4; answer++) {
        together[groupOf[s]][answer] +=
            faults.share(s)
                * first.get(answer / 2).likelihood(faults.set(s))
                * second.get(answer % 2).likelihood(faults.set(s));
      }
    }
    double bits = 0;
    for (double[] group : together) {
      for (int answer = 0; answer < 4; answer++) {
        int at = answer;
        double ofAnswer = Arrays.stream(together).mapToDouble(g -> g[at]).sum();
        double ofGroup = Arrays.stream(group).sum();
        bits += group[at] * Math.log(group[at] / (ofGroup * ofAnswer)) / Math.log(2);
      }
    }

    assertThat(Information.bits(faults, groupOf, groups, List.of(first, second)))
        .isCloseTo(bits, within(1e-9));
  }
}

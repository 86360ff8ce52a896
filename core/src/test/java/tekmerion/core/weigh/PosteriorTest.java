package tekmerion.core.weigh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Against a brute force that draws no formula from the code: it sums over every hidden level. */
class PosteriorTest {
  private static final double TOLERANCE = 1e-9;

  static LongStream seeds() {
    return LongStream.rangeClosed(1, 25);
  }

  /** A random network with what was seen; a link is null where the cause does not bear. */
  private record Network(
      double[] prior, double[][] leaks, double[][][] links, int[] seen, Complaint complaint) {
    static Network small(long seed) {
      Random random = new Random(seed);
      return random(random, 2 + random.nextInt(4), 1 + random.nextInt(5), 0.05);
    }

    /** Strong evidence: most sets are out of the question, and one finding may hide that. */
    static Network strong(long seed) {
      return random(new Random(seed), 14, 40, 1e-4);
    }

    private static Network random(Random random, int causes, int findings, double least) {
      double[] prior = random.doubles(causes, 0.01, 0.6).toArray();
      double[][] leaks = new double[findings][];
      double[][][] links = new double[findings][causes][];
      int[] seen = new int[findings];
      for (int s = 0; s < findings; s++) {
        int levels = 2 + random.nextInt(3);
        leaks[s] = distribution(random, levels, least);
        seen[s] = random.nextInt(levels);
        for (int c = 0; c < causes; c++) {
          links[s][c] = random.nextInt(3) == 0 ? null : distribution(random, levels, least);
        }
      }
      double[] brings = new double[causes];
      for (int c = 0; c < causes; c++) {
        brings[c] = random.nextInt(3) > 0 ? 1 : 0.2 * random.nextDouble();
      }
      return new Network(prior, leaks, links, seen, new Complaint(brings, 0.01));
    }

    private static double[] distribution(Random random, int levels, double least) {
      double[] p = random.doubles(levels, least, 1).map(x -> Math.max(least, x * x * x)).toArray();
      double sum = 0;
      for (double x : p) {
        sum += x;
      }
      for (int i = 0; i < levels; i++) {
        p[i] /= sum;
      }
      return p;
    }

    List<Observation> observations() {
      List<Observation> all = new ArrayList<>();
      for (int s = 0; s < seen.length; s++) {
        all.add(new Observation(seen[s], leaks[s], links[s]));
      }
      return all;
    }

    /**
     * @param share P(cause present | all findings but one), over sets of at most three
     * @param total P(all findings but one), as a multiple that is the same for all
     */
    record Truth(double[] share, double total) {}

    Truth bruteForce(int left) {
      double[] share = new double[prior.length];
      double total = 0;
      for (int set = 0; set < 1 << prior.length; set++) {
        if (Integer.bitCount(set) > 3) {
          continue;
        }
        // Nobody comes if neither what is unknown nor any cause that is there brings them.
        double nobody = 1 - complaint.unexplained();
        for (int c = 0; c < prior.length; c++) {
          nobody *= (set & 1 << c) != 0 ? 1 - complaint.brings()[c] : 1;
        }
        double weight = 1 - nobody;
        for (int c = 0; c < prior.length; c++) {
          weight *= (set & 1 << c) != 0 ? prior[c] : 1 - prior[c];
        }
        for (int s = 0; s < seen.length; s++) {
          weight *= s == left ? 1 : highest(s, set, 0, 0);
        }
        total += weight;
        for (int c = 0; c < prior.length; c++) {
          share[c] += (set & 1 << c) != 0 ? weight : 0;
        }
      }
      for (int c = 0; c < share.length; c++) {
        share[c] /= total;
      }
      return new Truth(share, total);
    }

    /**
     * Probability that the highest of the leak's and the present causes' levels is the seen one.
     */
    private double highest(int finding, int set, int source, int soFar) {
      if (source > prior.length) {
        return soFar == seen[finding] ? 1 : 0;
      }
      double[] p = source == 0 ? leaks[finding] : links[finding][source - 1];
      boolean silent = source > 0 && ((set & 1 << source - 1) == 0 || p == null);
      if (silent) {
        return highest(finding, set, source + 1, soFar);
      }
      double sum = 0;
      for (int level = 0; level < p.length; level++) {
        sum += p[level] * highest(finding, set, source + 1, Math.max(soFar, level));
      }
      return sum;
    }
  }

  @ParameterizedTest(name = "seed {0}")
  @MethodSource("seeds")
  void equalsBruteForceWithAllFindingsAndWithEachLeftOut(long seed) {
    assertEqualsBruteForce(Network.small(seed));
  }

  @ParameterizedTest(name = "seed {0}")
  @ValueSource(longs = {1, 2, 3, 4, 5, 6})
  void leavesOutNothingThatMatters(long seed) {
    assertEqualsBruteForce(Network.strong(seed));
  }

  @Test
  void leavesOutWhatIsOutOfTheQuestion() {
    // Of ten causes, nine have ten findings each that stay silent although 99 in 100 would speak:
    // 0.01^10 each, with one of them taken away 0.01^9. Only the tenth is left beside none.
    List<Observation> silent = new ArrayList<>();
    for (int finding = 0; finding < 90; finding++) {
      double[][] links = new double[10][];
      links[finding / 10] = new double[] {0.01, 0.99};
      silent.add(new Observation(0, new double[] {0.9, 0.1}, links));
    }
    double[] prior = new double[10];
    Arrays.fill(prior, 0.05);

    Posterior posterior = Posterior.of(prior, silent);

    assertThat(posterior.sets()).isEqualTo(2);
    assertThat(posterior.probability()[9]).isCloseTo(0.05, within(1e-12));
  }

  private static void assertEqualsBruteForce(Network network) {
    Posterior posterior =
        Posterior.of(network.prior(), network.observations(), network.complaint());
    LeftOut without = LeftOut.of(posterior);
    Network.Truth all = network.bruteForce(-1);

    assertThat(posterior.probability()).containsExactly(all.share(), within(TOLERANCE));
    for (int s = 0; s < network.seen().length; s++) {
      Network.Truth left = network.bruteForce(s);
      assertThat(without.probability()[s]).containsExactly(left.share(), within(TOLERANCE));
      // P(y | all others) = P(all) / P(all others)
      assertThat(without.likelihood()[s])
          .isCloseTo(all.total() / left.total(), withinPercentage(1e-6));
    }
  }

  /**
   * What stands below the share is left out before it is counted, not after: the rest is the same.
   */
  @ParameterizedTest(name = "seed {0}")
  @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
  void theHeavySetsAreThoseOfTheWhole(long seed) {
    double least = 1e-4;
    Network network = seed % 2 == 0 ? Network.small(seed) : Network.strong(seed);
    Posterior whole = Posterior.of(network.prior(), network.observations(), network.complaint());

    Posterior heavy =
        Posterior.heavy(network.prior(), network.observations(), network.complaint(), least);

    Map<Integer, Double> shares = new HashMap<>();
    for (int s = 0; s < heavy.sets(); s++) {
      shares.put(FaultSets.only(heavy.set(s), all(network)), heavy.share(s));
    }
    double leftOut = 0;
    for (int s = 0; s < whole.sets(); s++) {
      int set = FaultSets.only(whole.set(s), all(network));
      leftOut += shares.containsKey(set) ? 0 : whole.share(s);
    }
    for (int s = 0; s < whole.sets(); s++) {
      int set = FaultSets.only(whole.set(s), all(network));
      if (whole.share(s) >= least) {
        assertThat(shares.get(set))
            .isCloseTo(whole.share(s) / (1 - leftOut), withinPercentage(1e-6));
      }
    }
  }

  private static boolean[] all(Network network) {
    boolean[] all = new boolean[network.prior().length];
    Arrays.fill(all, true);
    return all;
  }

  @Test
  void twoLevelsAreTheNoisyOr() {
    // One finding, leak 0.1, link 0.8: P(finding | cause) = 1 - 0.9 × 0.2 = 0.82, without it 0.1.
    // Prior 0.25: 0.25 × 0.82 / (0.25 × 0.82 + 0.75 × 0.1) = 0.205 / 0.28
    Observation seen = new Observation(1, new double[] {0.9, 0.1}, new double[][] {{0.2, 0.8}});

    Posterior posterior = Posterior.of(new double[] {0.25}, List.of(seen));

    assertThat(posterior.probability()[0]).isCloseTo(0.205 / 0.28, within(1e-12));
    assertThat(posterior.none()).isCloseTo(0.075 / 0.28, within(1e-12));
    assertThat(LeftOut.of(posterior).probability()[0][0]).isCloseTo(0.25, within(1e-12));
  }

  @Test
  void aComplaintThatNothingExplainsIsRare() {
    // Two causes, 0.1 each, one of which can be behind the complaint; without one of those it is
    // 50 times rarer. Weights: none 0.81/50, other alone 0.09/50, behind 0.09, both 0.01.
    Posterior posterior =
        Posterior.of(new double[] {0.1, 0.1}, List.of(), new Complaint(new double[] {1, 0}, 0.02));

    double all = 0.81 / 50 + 0.09 / 50 + 0.09 + 0.01;
    assertThat(posterior.none()).isCloseTo(0.81 / 50 / all, within(1e-12));
    assertThat(posterior.probability()[0]).isCloseTo(0.1 / all, within(1e-12));
    assertThat(posterior.probability()[1]).isCloseTo((0.09 / 50 + 0.01) / all, within(1e-12));
  }

  @Test
  void hasAllSetsOfAtMostThree() {
    double[] prior = new double[10];
    Arrays.fill(prior, 0.5);
    // C(10,0) + C(10,1) + C(10,2) + C(10,3) = 1 + 10 + 45 + 120
    assertThat(Posterior.of(prior, List.of()).sets()).isEqualTo(176);
  }
}

package tekmerion.core.weigh;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.apache.commons.statistics.descriptive.Quantile;
import tekmerion.core.knowhow.Drawn;
import tekmerion.core.weigh.Comparison.Range;
import tekmerion.core.weigh.Network.Counted;
import tekmerion.core.weigh.Network.Instance;

/**
 * What plans come to if every prior, likelihood and cure is another within its range: so many draws
 * of all of them at once, the same ones for every plan of a job, so that plans can be compared, and
 * the same for what is known already when something new is found.
 */
final class Draws {
  static final int DRAWS = 64;
  private static final double LOW = 0.1;
  private static final double HIGH = 0.9;

  private final Network network;
  private final Choices choices;
  private final List<Draw> draws;

  /** Beliefs by one draw of the numbers, and what is still there of them if nothing mends. */
  private record Draw(int number, Posterior faults, StillThere unmended) {}

  Draws(Network network, Choices choices) {
    this.network = network;
    this.choices = choices;
    this.draws = IntStream.range(0, DRAWS).mapToObj(this::draw).toList();
  }

  private Draw draw(int number) {
    double[] prior = network.priors();
    for (int i = 0; i < prior.length; i++) {
      Instance instance = network.instances().get(i);
      String cause = instance.cause().id() + "@" + instance.part().key();
      prior[i] = Drawn.ofOne(cause, number).prior(prior[i]);
    }
    List<Observation> seen = new ArrayList<>();
    for (Counted one : network.counted()) {
      seen.add(
          network.observation(
              one.finding(), Drawn.ofOne(one.kind().id(), number).finding(one.kind())));
    }
    Posterior faults = Posterior.heavy(prior, seen, network.complaint(), Plans.MIN_SHARE);
    int[] sets = IntStream.range(0, faults.sets()).map(faults::set).toArray();
    return new Draw(number, faults, new StillThere(network.complaint(), sets, new double[0][]));
  }

  /** Probability that the complaint is gone after a plan. */
  Range gone(Plan plan) {
    int causes = network.instances().size();
    double[][] cures =
        plan.remedies().stream()
            .map(r -> IntStream.range(0, causes).mapToDouble(c -> choices.cure(r, c)).toArray())
            .toArray(double[][]::new);
    double[] gone = draws.stream().mapToDouble(draw -> gone(plan, cures, draw)).sorted().toArray();
    double[] held = Quantile.withDefaults().evaluate(gone, LOW, HIGH);
    double middle = plan.gone();
    return new Range(Math.min(held[0], middle), middle, Math.max(held[1], middle));
  }

  private static double gone(Plan plan, double[][] cures, Draw draw) {
    double[][] drawn = new double[cures.length][];
    for (int r = 0; r < cures.length; r++) {
      Drawn numbers = Drawn.ofOne(plan.remedies().get(r).id(), draw.number());
      drawn[r] = Arrays.stream(cures[r]).map(numbers::cure).toArray();
    }
    double[] after =
        draw.unmended().with(drawn).goneAfter(IntStream.range(0, drawn.length).toArray());
    double gone = 0;
    for (int s = 0; s < after.length; s++) {
      gone += draw.faults().share(s) * after[s];
    }
    return gone;
  }
}

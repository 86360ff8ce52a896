package tekmerion.core.weigh;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.apache.commons.statistics.descriptive.Quantile;
import tekmerion.core.knowhow.Drawn;
import tekmerion.core.knowhow.Remedy;
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

  /** Beliefs by one draw of the numbers. */
  private record Draw(int number, Posterior faults) {}

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
    return new Draw(number, Posterior.heavy(prior, seen, network.complaint(), Plans.MIN_SHARE));
  }

  /** Probability that the complaint is gone after a plan. */
  Range gone(Plan plan) {
    double[] gone = draws.stream().mapToDouble(draw -> gone(plan, draw)).sorted().toArray();
    double[] held = Quantile.withDefaults().evaluate(gone, LOW, HIGH);
    double middle = plan.gone();
    return new Range(Math.min(held[0], middle), middle, Math.max(held[1], middle));
  }

  private double gone(Plan plan, Draw draw) {
    int causes = network.instances().size();
    double[][] cures = new double[plan.remedies().size()][causes];
    for (int r = 0; r < cures.length; r++) {
      Remedy remedy = plan.remedies().get(r);
      Drawn numbers = Drawn.ofOne(remedy.id(), draw.number());
      for (int c = 0; c < causes; c++) {
        cures[r][c] = numbers.cure(choices.cure(remedy, c));
      }
    }
    int[] sets = IntStream.range(0, draw.faults().sets()).map(draw.faults()::set).toArray();
    StillThere still = new StillThere(network.complaint(), sets, cures);
    double[] there = still.after(IntStream.range(0, cures.length).toArray());
    double gone = 0;
    for (int s = 0; s < there.length; s++) {
      gone += draw.faults().share(s) * still.gone(s, there[s]);
    }
    return gone;
  }
}

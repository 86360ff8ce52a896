package tekmerion.core.weigh;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import tekmerion.core.knowhow.Move;
import tekmerion.core.weigh.Advice.Ranked;
import tekmerion.core.weigh.Advice.Turn;

/**
 * Which outcomes of what can be done next would change the best plan. What it does only if all else
 * does not end the complaint is no change.
 */
final class Turns {
  private static final int SHOWN = 3;
  private static final int LOOKED_AHEAD = 12;
  private static final double MIN_CHANCE = 0.02;

  private final Network network;
  private final Posterior faults;
  private final Plans plans;
  private final Stake stake;

  Turns(Network network, Posterior faults, Plans plans, Stake stake) {
    this.network = network;
    this.faults = faults;
    this.plans = plans;
    this.stake = stake;
  }

  /** Likeliest first, of the moves that can be made by hand. */
  List<Turn> of(List<Ranked> ranked, Plan best) {
    List<Turn> turns = new ArrayList<>();
    ranked.stream()
        .filter(r -> r.lock().isEmpty() && r.move().by() == null && !r.again())
        .limit(LOOKED_AHEAD)
        .forEach(r -> turnsOf(r, best, turns));
    turns.sort(Comparator.comparingDouble(Turn::chance).reversed());
    return List.copyOf(turns.subList(0, Math.min(SHOWN, turns.size())));
  }

  private void turnsOf(Ranked ranked, Plan best, List<Turn> turns) {
    for (Move.Outcomes asked : ranked.move().tells()) {
      if (network.level(asked.id(), ranked.part().key()).isPresent()) {
        continue;
      }
      List<Observation> levels = network.levelsOf(asked.id(), ranked.part().key());
      List<String> words = List.copyOf(asked.levels().values());
      for (int level = 0; level < levels.size(); level++) {
        Posterior then = faults.after(levels.get(level));
        if (then.evidence() < MIN_CHANCE) {
          continue;
        }
        Plan plan = plans.best(then, stake);
        if (!plan.likely().equals(best.likely())) {
          turns.add(
              new Turn(
                  ranked.move(),
                  ranked.part(),
                  "%s: %s".formatted(asked.name(), words.get(level)),
                  then.evidence(),
                  plan));
        }
      }
    }
  }
}

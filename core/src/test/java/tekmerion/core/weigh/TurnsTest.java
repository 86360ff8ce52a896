package tekmerion.core.weigh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tekmerion.core.finding.Finding;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Move;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.weigh.Advice.Turn;
import tekmerion.core.weigh.Weighing.Part;

/** What would change the best plan, held against a job in which just that was found. */
class TurnsTest {
  private static final List<Part> DRIVE = List.of(new Part("drive-a", "drive", "drive A"));
  private static final List<Finding> TOLD = List.of(found("boot-stage", "desktop"));

  private static Finding found(String id, String level) {
    return new Finding(id, Finding.MACHINE, level, id, Finding.Basis.move());
  }

  private static Advice advice(String family, List<Finding> findings) {
    return NextMoves.of(
        KnowHow.shipped(),
        List.of(family),
        DRIVE,
        findings,
        NextMoves.Situation.assumed(DataStatus.WANTED, Optional.empty(), Set.of(), true));
  }

  /** What its words say was found. */
  private static Finding findingOf(Turn turn) {
    for (Move.Outcomes asked : turn.move().tells()) {
      for (Map.Entry<String, String> level : asked.levels().entrySet()) {
        if (turn.outcome().equals(asked.name() + ": " + level.getValue())) {
          return new Finding(
              asked.id(), turn.part().key(), level.getKey(), asked.id(), Finding.Basis.move());
        }
      }
    }
    throw new AssertionError("no outcome of its move: " + turn);
  }

  private static List<Finding> and(Finding one) {
    List<Finding> all = new ArrayList<>(TOLD);
    all.add(one);
    return all;
  }

  @ParameterizedTest
  @ValueSource(strings = {"noise-heat", "slow", "error-screen", "battery"})
  void eachIsAPlanThatWouldBeBestThen(String family) {
    Advice now = advice(family, TOLD);

    assertThat(now.turns()).hasSizeLessThanOrEqualTo(3);
    assertThat(now.turns()).extracting(Turn::chance).allMatch(c -> c >= 0.02 && c < 1);
    assertThat(now.turns()).isSortedAccordingTo((a, b) -> Double.compare(b.chance(), a.chance()));
    for (Turn turn : now.turns()) {
      // Made by hand, open, and not what the probe does by itself.
      assertThat(turn.move().by()).isNull();
      assertThat(turn.plan().likely()).isNotEqualTo(now.plans().get(0).likely());
      Advice then = advice(family, and(findingOf(turn)));
      assertThat(then.plans().get(0).likely()).as(turn.outcome()).isEqualTo(turn.plan().likely());
    }
  }

  /**
   * Of two outcomes x and y: P(c) = P(x)·P(c | x) + (1 − P(x))·P(c | y), so P(x) = (P(c) − P(c |
   * y)) / (P(c | x) − P(c | y)), for any cause c that they tell of.
   */
  @Test
  void theChanceIsThatOfTheOutcome() {
    Turn turn =
        List.of("noise-heat", "slow", "error-screen", "battery", "dead").stream()
            .flatMap(family -> advice(family, TOLD).turns().stream())
            .filter(t -> asked(t).levels().size() == 2)
            .findFirst()
            .orElseThrow();
    String family =
        List.of("noise-heat", "slow", "error-screen", "battery", "dead").stream()
            .filter(f -> advice(f, TOLD).turns().contains(turn))
            .findFirst()
            .orElseThrow();
    Finding seen = findingOf(turn);
    String other =
        asked(turn).levels().keySet().stream()
            .filter(level -> !level.equals(seen.level()))
            .findFirst()
            .orElseThrow();
    Weighed now = weighed(family, TOLD);
    Weighed x = weighed(family, and(seen));
    Weighed y =
        weighed(
            family,
            and(new Finding(seen.id(), seen.part(), other, seen.words(), Finding.Basis.move())));
    String cause =
        now.causes().stream()
            .max(
                (a, b) ->
                    Double.compare(
                        Math.abs(of(x, a.cause()) - of(y, a.cause())),
                        Math.abs(of(x, b.cause()) - of(y, b.cause()))))
            .orElseThrow()
            .cause();

    double chance = (of(now, cause) - of(y, cause)) / (of(x, cause) - of(y, cause));
    assertThat(turn.chance()).isCloseTo(chance, within(0.01));
  }

  private static Move.Outcomes asked(Turn turn) {
    Finding seen = findingOf(turn);
    return turn.move().tells().stream()
        .filter(a -> a.id().equals(seen.id()))
        .findFirst()
        .orElseThrow();
  }

  private static Weighed weighed(String family, List<Finding> findings) {
    return Weighing.of(KnowHow.shipped(), List.of(family), DRIVE, findings);
  }

  private static double of(Weighed weighed, String cause) {
    return weighed.causes().stream()
        .filter(c -> c.cause().equals(cause))
        .mapToDouble(Weighed.CauseShare::probability)
        .sum();
  }
}

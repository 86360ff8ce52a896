package tekmerion.evaluation.shop;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.Supplier;
import tekmerion.core.knowhow.Move;
import tekmerion.core.weigh.Advice;
import tekmerion.core.weigh.Advice.Ranked;
import tekmerion.core.weigh.Suspicion;
import tekmerion.core.weigh.Weighed;

/** In what order the moves are made. */
enum Order implements Chooser {
  /** The product's advice: always its top move, until it says that nothing more is worth it. */
  ADVISED {
    @Override
    public Optional<Ranked> next(
        List<String> families, Supplier<Advice> advice, Supplier<Weighed> weighed, Random random) {
      Advice now = advice.get();
      return now.enough() ? Optional.empty() : Chooser.open(now).stream().findFirst();
    }
  },
  /**
   * A checklist: of the moves that fit the complaint always the gentlest, then the quickest, the
   * ladder of system repairs last; until a cause is implicated.
   */
  CHECKLIST {
    @Override
    public Optional<Ranked> next(
        List<String> families, Supplier<Advice> advice, Supplier<Weighed> weighed, Random random) {
      return isImplicated(weighed)
          ? Optional.empty()
          : Chooser.open(advice.get()).stream()
              .min(Comparator.comparingDouble((Ranked r) -> onTheList(r.move())));
    }
  },
  RANDOM {
    @Override
    public Optional<Ranked> next(
        List<String> families, Supplier<Advice> advice, Supplier<Weighed> weighed, Random random) {
      List<Ranked> open = isImplicated(weighed) ? List.of() : Chooser.open(advice.get());
      return open.isEmpty() ? Optional.empty() : Optional.of(open.get(random.nextInt(open.size())));
    }
  };

  static boolean isImplicated(Supplier<Weighed> weighed) {
    return weighed.get().causes().get(0).suspicion() == Suspicion.IMPLICATED;
  }

  /** Gentle before invasive, quick before slow, the ladder of system repairs last. */
  private static double onTheList(Move move) {
    double minutes = move.handsOnMinutes() + move.waitingMinutes() / 10.0;
    return move.rung() * 10_000 + move.invasiveness().ordinal() * 1000 + minutes;
  }
}

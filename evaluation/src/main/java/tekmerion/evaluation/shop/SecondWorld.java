package tekmerion.evaluation.shop;

import java.util.List;
import java.util.function.Consumer;
import java.util.function.IntFunction;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.evaluation.shop.Visit.Noise;
import tekmerion.evaluation.shop.Visit.Result;

/**
 * Machines from parts upward, by number.
 *
 * @param seed the same machines for the same seed
 */
record SecondWorld(long seed, Noise noise) {
  Visit visit(KnowHow knowHow, int number, Chooser chooser, Consumer<Supplier<String>> told) {
    long own = Reading.seedOf(seed, number);
    return new Visit(knowHow, new PartsPatient(knowHow, own), chooser, noise, own, told);
  }

  /** Of so many machines from the first on, in their order. */
  List<Result> visits(int first, int count, Chooser chooser, IntFunction<KnowHow> knowHow) {
    return IntStream.range(first, first + count)
        .parallel()
        .mapToObj(number -> visit(knowHow.apply(number), number, chooser, line -> {}).run())
        .toList();
  }
}

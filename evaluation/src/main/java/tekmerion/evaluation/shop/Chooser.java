package tekmerion.evaluation.shop;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.Supplier;
import tekmerion.core.weigh.Advice;
import tekmerion.core.weigh.Advice.Ranked;
import tekmerion.core.weigh.Weighed;

/** Who says which move is made next. */
interface Chooser {
  /**
   * @param families that the owner named
   * @return empty if it is enough
   */
  Optional<Ranked> next(
      List<String> families, Supplier<Advice> advice, Supplier<Weighed> weighed, Random random);

  static List<Ranked> open(Advice advice) {
    return advice.moves().stream().filter(r -> r.lock().isEmpty()).toList();
  }
}

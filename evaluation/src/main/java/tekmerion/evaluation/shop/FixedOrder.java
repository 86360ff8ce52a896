package tekmerion.evaluation.shop;

import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import tekmerion.core.weigh.Advice;
import tekmerion.core.weigh.Advice.Ranked;
import tekmerion.core.weigh.Weighed;

/**
 * One order of moves for each complaint, the same for every machine: what somebody would write down
 * who knows how often each move told something in that world. It stops where a cause is implicated,
 * or where the advice would.
 */
final class FixedOrder implements Chooser {
  /** By complaint family, the best first. */
  private final Map<String, List<String>> orders;

  private FixedOrder(Map<String, List<String>> orders) {
    this.orders = orders;
  }

  /**
   * A move that was made.
   *
   * @param bits by which the probability of what is really at fault rose, or fell
   */
  record Made(String family, String move, double minutes, double bits) {}

  /** By what each move told a minute, on average over those machines in which it was made. */
  static FixedOrder of(Collection<Made> made) {
    Map<String, Map<String, List<Made>>> by =
        made.stream()
            .collect(Collectors.groupingBy(Made::family, Collectors.groupingBy(Made::move)));
    Map<String, List<String>> orders = new HashMap<>();
    by.forEach(
        (family, moves) ->
            orders.put(
                family,
                moves.entrySet().stream()
                    .sorted(
                        Comparator.comparingDouble(
                            (Map.Entry<String, List<Made>> e) -> -bitsAMinute(e.getValue())))
                    .map(Map.Entry::getKey)
                    .toList()));
    return new FixedOrder(orders);
  }

  private static double bitsAMinute(List<Made> made) {
    return made.stream().mapToDouble(Made::bits).sum()
        / made.stream().mapToDouble(Made::minutes).sum();
  }

  @Override
  public Optional<Ranked> next(
      List<String> families, Supplier<Advice> advice, Supplier<Weighed> weighed, Random random) {
    Advice now = advice.get();
    List<String> order = orders.getOrDefault(families.get(0), List.of());
    return Order.isImplicated(weighed) || now.enough()
        ? Optional.empty()
        : Chooser.open(now).stream()
            .filter(r -> !r.again() && order.contains(r.move().id()))
            .min(Comparator.comparingInt(r -> order.indexOf(r.move().id())));
  }
}

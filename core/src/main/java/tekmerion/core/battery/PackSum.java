package tekmerion.core.battery;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;

/**
 * What the packs of one machine hold together. An amount is only there if every pack reports it, in
 * one unit: a sum over some of them would pass for the whole.
 *
 * @param packs how many there are
 */
public record PackSum(
    int packs, Optional<Amount> design, Optional<Amount> full, Optional<Amount> left) {

  /**
   * @param packs at least one
   */
  public static PackSum of(List<BatteryReport> packs) {
    return new PackSum(
        packs.size(),
        sum(packs, BatteryReport::design),
        sum(packs, BatteryReport::full),
        sum(packs, BatteryReport::left));
  }

  private static Optional<Amount> sum(
      List<BatteryReport> packs, Function<BatteryReport, Optional<Amount>> which) {
    List<Amount> amounts = packs.stream().map(which).flatMap(Optional::stream).toList();
    return amounts.size() == packs.size()
            && amounts.stream().map(Amount::unit).distinct().count() == 1
        ? Optional.of(
            new Amount(amounts.stream().mapToDouble(Amount::value).sum(), amounts.get(0).unit()))
        : Optional.empty();
  }

  /** Full against design, as a share; empty unless both are known. */
  public OptionalDouble health() {
    return Amount.share(full, design);
  }

  /** As an instrument prints it. */
  public Map<String, Object> json() {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("packs", packs);
    json.put(
        "unit", design.or(() -> full).or(() -> left).map(a -> a.unit().finding()).orElse(null));
    json.put("design", design.map(Amount::value).orElse(null));
    json.put("full", full.map(Amount::value).orElse(null));
    json.put("left", left.map(Amount::value).orElse(null));
    json.put("health", health().isPresent() ? health().getAsDouble() : null);
    return json;
  }
}

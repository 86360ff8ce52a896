package tekmerion.evaluation.shop;

import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import tekmerion.sim.shop.Ailment;
import tekmerion.sim.shop.Ill;
import tekmerion.sim.shop.Quantity;
import tekmerion.sim.shop.Rung;
import tekmerion.sim.shop.ShopMachine;
import tekmerion.sim.shop.Thing;

/**
 * The machine on the bench, and what a technician does with it in a move: take things out of play,
 * try the complaint, measure, and note what was seen. An outcome that could not be told stays
 * unknown.
 */
final class Bench {
  /** Everything that our own boot medium leaves behind. */
  static final Set<Thing> SYSTEM =
      EnumSet.of(
          Thing.SYSTEM,
          Thing.BOOT_RECORDS,
          Thing.STORAGE_DRIVER,
          Thing.STORAGE_SERVICE,
          Thing.DRIVERS,
          Thing.GRAPHICS_DRIVER,
          Thing.SOUND_DRIVER,
          Thing.NETWORK,
          Thing.PROFILE,
          Thing.TIMERS,
          Thing.START_ITEMS,
          Thing.SERVICES,
          Thing.SECURITY,
          Thing.RECENT_PROGRAM,
          Thing.UNWANTED,
          Thing.INDEXING,
          Thing.LOAD);

  /** What a limited start does not start. */
  static final Set<Thing> LIMITED_START =
      EnumSet.of(
          Thing.DRIVERS,
          Thing.GRAPHICS_DRIVER,
          Thing.SOUND_DRIVER,
          Thing.NETWORK,
          Thing.START_ITEMS,
          Thing.SERVICES,
          Thing.SECURITY,
          Thing.RECENT_PROGRAM,
          Thing.UNWANTED,
          Thing.INDEXING);

  /** Tries of the complaint in one move. */
  private static final int TRIES = 4;

  /** A technician says "gone" when a fault as frequent as this one would have shown. */
  private static final double LIKELY_HIDDEN = 0.2;

  /** The share of technicians' answers that jump to a conclusion all the same. */
  private static final double CARELESS = 0.2;

  /** A swap that is not done right: a plug that does not sit, the wrong module. */
  private static final double SLOPPY = 0.015;

  private final ShopMachine machine;
  private final Random random;
  private final Map<String, String> seen = new LinkedHashMap<>();

  Bench(ShopMachine machine, Random random) {
    this.machine = machine;
    this.random = random;
  }

  ShopMachine machine() {
    return machine;
  }

  /** Level by finding, as far as anything was seen since it was last asked. */
  Map<String, String> seen() {
    Map<String, String> all = new LinkedHashMap<>(seen);
    seen.clear();
    return all;
  }

  void note(String finding, String level) {
    seen.put(finding, level);
  }

  /** Notes the second level if it is so. */
  void look(String finding, String not, String so, boolean isSo) {
    note(finding, isSo ? so : not);
  }

  boolean has(Ailment... any) {
    return machine.has(any);
  }

  double value(Quantity quantity) {
    return machine.value(quantity);
  }

  /** A measured value: 3 % of error beside it. */
  double measured(Quantity quantity) {
    return machine.value(quantity) * (1 + 0.03 * random.nextGaussian());
  }

  boolean chance(double p) {
    return random.nextDouble() < p;
  }

  Rung start() {
    return machine.trial(random, Set.of()).reached();
  }

  boolean showsOnce() {
    return machine.trial(random, Set.of()).shows();
  }

  /** Tries the complaint with things out of play, and notes whether it is the same or gone. */
  void tried(String finding, String same, String gone, Set<Thing> out) {
    goneWithout(out).ifPresent(isGone -> note(finding, isGone ? gone : same));
  }

  /** Whether the complaint is gone; empty if nobody could say after some tries. */
  Optional<Boolean> goneWithout(Set<Thing> out) {
    Set<Thing> really = chance(SLOPPY) ? Set.of() : out;
    for (int i = 0; i < TRIES; i++) {
      if (machine.trial(random, really).shows()) {
        return Optional.of(false);
      }
    }
    double rate = machine.noticed().stream().mapToDouble(Ill::rate).max().orElse(0.3);
    boolean wouldHaveShown = Math.pow(1 - rate, TRIES) < LIKELY_HIDDEN;
    return wouldHaveShown || chance(CARELESS) ? Optional.of(true) : Optional.empty();
  }

  /**
   * A repair that mends some ailments with some chance, and the complaint check after it.
   *
   * @param chances of success, by ailment
   */
  void repaired(String finding, String same, String gone, Map<Ailment, Double> chances) {
    chances.forEach(
        (ailment, p) -> {
          if (has(ailment) && chance(p)) {
            machine.mend(ailment);
          }
        });
    tried(finding, same, gone, Set.of());
  }
}

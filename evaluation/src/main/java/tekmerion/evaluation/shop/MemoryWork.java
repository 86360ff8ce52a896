package tekmerion.evaluation.shop;

import java.util.EnumSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import tekmerion.sim.shop.Ailment;
import tekmerion.sim.shop.Quantity;
import tekmerion.sim.shop.Thing;

/** Work on memory. Module A is the one that is bad, if one is. */
final class MemoryWork {
  /** Passes of a march in an hour, and in the firmware's own short test. */
  private static final int HOUR = 3;

  private static final double SHORT = 0.3;

  private MemoryWork() {}

  static boolean make(String move, Bench b) {
    switch (move) {
      case "memory-built-in" ->
          b.look(
              "built-in.memory", "passed", "failed", finds(b, Quantity.MARCH_ERRORS, SHORT * 0.2));
      case "memory-test" -> {
        boolean found = finds(b, Quantity.MARCH_ERRORS, HOUR);
        boolean lines = b.has(Ailment.MODULE_BAD, Ailment.SLOT_BAD) && b.chance(0.75);
        b.note("march.errors", !found ? "none" : lines ? "same-lines" : "scattered");
      }
      case "memory-test-warm" ->
          b.look("march.warm", "none", "errors", finds(b, Quantity.MARCH_ERRORS_WARM, HOUR));
      case "memory-reseat" ->
          b.repaired("cure.memory-seat", "same", "gone", Map.of(Ailment.CONTACTS_DIRTY, 0.65));
      case "memory-contacts-clean" ->
          b.repaired("cure.memory-clean", "same", "gone", Map.of(Ailment.CONTACTS_DIRTY, 0.93));
      case "memory-out-minute" ->
          b.repaired(
              "cure.memory-out",
              "same",
              "comes",
              Map.of(Ailment.CONTACTS_DIRTY, 0.65, Ailment.CHARGE_HELD, 0.4));
      case "no-memory-start" ->
          b.look(
              "no-memory.beep",
              "beeps",
              "silent",
              b.has(
                          Ailment.ADAPTER_BAD,
                          Ailment.SUPPLY_BAD,
                          Ailment.SWITCH_WORN,
                          Ailment.SOCKET_LOOSE)
                      && b.chance(0.85)
                  || b.has(Ailment.BOARD_BAD, Ailment.CHARGER_BAD) && b.chance(0.75)
                  || b.has(Ailment.CHARGE_HELD) && b.chance(0.5)
                  || b.chance(0.05));
      case "memory-one-module" -> oneModule(b);
      case "memory-other-slot" -> {
        Set<Thing> out = EnumSet.of(Thing.MODULE_A);
        if (b.value(Quantity.BAD_SLOT) == 1) {
          out.add(Thing.SLOT_A);
        }
        b.tried("slot.other", "fails", "runs", out);
      }
      case "memory-exchange" -> exchange(b);
      case "memory-known-good" -> {
        Set<Thing> out = EnumSet.of(Thing.MODULE_A, Thing.MODULE_B);
        if (b.chance(0.5)) {
          out.add(Thing.CONTACTS); // the socket was wiped by the swap
        }
        if (b.value(Quantity.BAD_SLOT) == 2) {
          out.add(Thing.SLOT_A); // the bench module sits alone in the first
        }
        b.tried("known-good.memory", "same", "gone", out);
      }
      case "memory-warm-one" ->
          b.look("module.warm", "none", "one", finds(b, Quantity.MARCH_ERRORS_WARM, SHORT));
      case "memory-labels" ->
          b.look(
              "modules.alike",
              "alike",
              "differ",
              b.has(Ailment.MODULES_DIFFER) && b.chance(0.95) || b.chance(0.13));
      case "memory-in-use" ->
          b.look("memory.pressure", "ample", "full", b.measured(Quantity.MEMORY_SHARE) > 0.95);
      case "memory-records" ->
          b.look(
              "memory.corrected",
              "none",
              "some",
              b.value(Quantity.MARCH_ERRORS) > 0.5 && b.chance(0.2) || b.chance(0.02));
      case "memory-only-good" -> {
        Set<Thing> out = EnumSet.of(Thing.MODULE_A);
        if (b.value(Quantity.BAD_SLOT) == 2) {
          out.add(Thing.SLOT_A);
        }
        b.tried("cure.good-modules", "same", "gone", out);
      }
      default -> {
        return false;
      }
    }
    return true;
  }

  /** Poisson: at least one error in so many passes. */
  private static boolean finds(Bench b, Quantity errors, double passes) {
    return b.chance(1 - Math.exp(-b.value(errors) * passes))
        || b.has(Ailment.BOARD_BAD) && b.chance(0.06)
        || b.machine().loadedCelsius() > 97 && b.chance(0.06);
  }

  /** Both modules in the other's slot; where it fails then is seen when it fails at all. */
  private static void exchange(Bench b) {
    if (b.has(Ailment.CONTACTS_DIRTY) && b.chance(0.6)) {
      b.note("exchanged.errors", "nowhere"); // wiped by the exchange
      return;
    }
    boolean memory =
        b.has(Ailment.MODULE_BAD, Ailment.SLOT_BAD, Ailment.CONTACTS_DIRTY, Ailment.MODULES_DIFFER);
    if (!memory) {
      b.note("exchanged.errors", "nowhere");
      return;
    }
    if (b.goneWithout(Set.of()).orElse(true)) {
      return; // it did not fail, so nobody saw where
    }
    boolean along =
        b.has(Ailment.MODULE_BAD) ? b.chance(0.95) : !b.has(Ailment.SLOT_BAD) && b.chance(0.5);
    b.note("exchanged.errors", along ? "along" : "stay");
  }

  private static void oneModule(Bench b) {
    Set<Thing> noB = EnumSet.of(Thing.MODULE_B);
    Set<Thing> noA = EnumSet.of(Thing.MODULE_A);
    if (b.value(Quantity.BAD_SLOT) == 2) {
      noA.add(Thing.SLOT_A);
      noB.add(Thing.SLOT_A);
    }
    if (b.chance(0.4)) {
      noA.add(Thing.CONTACTS);
    }
    if (b.chance(0.4)) {
      noB.add(Thing.CONTACTS);
    }
    Optional<Boolean> firstRuns = b.goneWithout(noB);
    Optional<Boolean> secondRuns = b.goneWithout(noA);
    if (firstRuns.isPresent() && secondRuns.isPresent()) {
      b.note(
          "module.alone",
          firstRuns.get() && secondRuns.get()
              ? "both-run"
              : firstRuns.get() || secondRuns.get() ? "one-fails" : "both-fail");
    }
  }
}

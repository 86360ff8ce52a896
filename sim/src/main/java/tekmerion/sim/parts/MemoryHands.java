package tekmerion.sim.parts;

import java.util.Optional;
import tekmerion.sim.shop.Rung;

/** Work on memory. */
final class MemoryHands {
  private static final double WARMER = 15;

  private final Hands h;
  private final State s;

  MemoryHands(Hands hands) {
    this.h = hands;
    this.s = hands.state();
  }

  boolean make(String move) {
    return tests(move) || seats(move) || swaps(move);
  }

  /** A march finds what comes once an hour in an hour with 63 in 100: counts are Poisson. */
  private boolean finds(double hours, double warmer) {
    double celsius = 40 + warmer;
    double perHour =
        s.errorsPerHour(0, celsius)
            + s.errorsPerHour(1, celsius)
            + s.slotErrorsPerHour[0]
            + s.slotErrorsPerHour[1]
            + 4 * (s.contactOpen[0] + s.contactOpen[1])
            + s.mismatchErrorsPerHour;
    return h.chance(1 - Math.exp(-perHour * hours));
  }

  private boolean tests(String move) {
    switch (move) {
      case "memory-built-in" -> h.look("built-in.memory", "passed", "failed", finds(0.08, 0));
      case "memory-test" -> {
        boolean lines = s.cellErrorsPerHour[0] + s.cellErrorsPerHour[1] > 0 && h.chance(0.8);
        boolean found = finds(1, 3);
        h.note("march.errors", !found ? "none" : lines ? "same-lines" : "scattered");
      }
      case "memory-test-warm" -> h.look("march.warm", "none", "errors", finds(1, WARMER));
      case "memory-warm-one" ->
          h.look(
              "module.warm",
              "none",
              "one",
              h.chance(1 - Math.exp(-0.1 * (s.errorsPerHour(0, 60) + s.errorsPerHour(1, 60)))));
      case "memory-labels" ->
          h.look("modules.alike", "alike", "differ", s.labelsDiffer && h.chance(0.95));
      case "memory-in-use" ->
          h.look("memory.pressure", "ample", "full", h.measured(s.memoryNeeds) > 0.95);
      case "memory-records" ->
          h.look(
              "memory.corrected", "none", "some", finds(20, 0) && h.chance(0.2) || h.chance(0.01));
      case "no-memory-start" -> {
        boolean dead = h.trial(1, Swap.GOOD_MODULES).reached() == Rung.NOTHING;
        boolean silent = dead || s.picturelessBoard && h.chance(0.6) || h.chance(0.04);
        h.look("no-memory.beep", "beeps", "silent", silent);
      }
      default -> {
        return false;
      }
    }
    return true;
  }

  private boolean seats(String move) {
    switch (move) {
      case "memory-reseat" -> {
        reseated(0.6);
        h.tried("cure.memory-seat", "same", "gone");
      }
      case "memory-contacts-clean" ->
          h.mended("cure.memory-clean", "same", "gone", "clean-contacts");
      case "memory-out-minute" -> {
        reseated(0.6);
        s.latched &= !h.chance(0.4);
        h.tried("cure.memory-out", "same", "comes");
      }
      default -> {
        return false;
      }
    }
    return true;
  }

  private void reseated(double p) {
    if (h.chance(p)) {
      s.contactOpen = new double[] {0, 0};
    }
  }

  private boolean swaps(String move) {
    switch (move) {
      case "memory-one-module" -> {
        Optional<Boolean> firstRuns = h.goneWith(Swap.WITHOUT_SECOND_MODULE);
        Optional<Boolean> secondRuns = h.goneWith(Swap.WITHOUT_FIRST_MODULE);
        if (firstRuns.isPresent() && secondRuns.isPresent()) {
          boolean both = firstRuns.get() && secondRuns.get();
          boolean one = firstRuns.get() || secondRuns.get();
          h.note("module.alone", both ? "both-run" : one ? "one-fails" : "both-fail");
        }
      }
      case "memory-other-slot" -> {
        reseated(0.4);
        double before = s.slotErrorsPerHour[0];
        s.slotErrorsPerHour[0] = 0;
        h.tried("slot.other", "fails", "runs");
        s.slotErrorsPerHour[0] = before;
      }
      case "memory-exchange" -> {
        reseated(0.6);
        boolean fails = h.shows() || h.shows() || h.shows() || finds(0.4, 0);
        if (!fails) {
          h.note("exchanged.errors", "nowhere");
        } else if (finds(0.5, 0)) {
          boolean along = s.cellErrorsPerHour[0] + s.cellErrorsPerHour[1] > 0;
          h.note("exchanged.errors", along ? "along" : "stay");
        }
      }
      case "memory-known-good" -> h.tried("known-good.memory", "same", "gone", Swap.GOOD_MODULES);
      case "memory-only-good" -> {
        h.tried(
            "cure.good-modules",
            "same",
            "gone",
            s.firstModuleIsBad() ? Swap.WITHOUT_FIRST_MODULE : Swap.WITHOUT_SECOND_MODULE);
      }
      default -> {
        return false;
      }
    }
    return true;
  }
}

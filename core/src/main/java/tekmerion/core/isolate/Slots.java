package tekmerion.core.isolate;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Modules that are put into slots. A module, a slot, one module in one slot (contact), and two
 * modules together can be to blame. Bits: modules, then slots, then placements.
 */
public final class Slots {
  private static final int MAX = 4;

  /** What is to blame before any start: judgement, range half to double. */
  private static final double MODULE = 0.6;

  private static final double SLOT = 0.12;
  private static final double CONTACT = 0.12;
  private static final double TOGETHER = 0.08;
  private static final double NONE = 0.08;

  private final List<String> modules;
  private final List<String> slots;
  private final double startMinutes;
  private final double openMinutes;
  private final List<Placement> placements;

  /**
   * Which module sits in which slot.
   *
   * @param moduleIn by slot, -1 for an empty one
   */
  public record Placement(List<Integer> moduleIn) {
    public Placement {
      moduleIn = List.copyOf(moduleIn);
    }

    public boolean isEmpty() {
      return moduleIn.stream().allMatch(m -> m < 0);
    }
  }

  /**
   * @param modules their names, at most {@value #MAX}
   * @param slots their names, at most {@value #MAX}
   * @param startMinutes of each start
   * @param openMinutes to open the case and change what sits where
   */
  public Slots(List<String> modules, List<String> slots, double startMinutes, double openMinutes) {
    if (modules.isEmpty()
        || slots.isEmpty()
        || modules.size() > MAX
        || slots.size() > MAX
        || modules.size() > slots.size()) {
      throw new IllegalArgumentException(
          "%d modules in %d slots".formatted(modules.size(), slots.size()));
    }
    this.modules = List.copyOf(modules);
    this.slots = List.copyOf(slots);
    this.startMinutes = startMinutes;
    this.openMinutes = openMinutes;
    List<Placement> all = new ArrayList<>();
    place(new ArrayList<>(), all);
    all.removeIf(Placement::isEmpty); // without memory nothing can be tested
    placements = List.copyOf(all);
  }

  private void place(List<Integer> sofar, List<Placement> all) {
    if (sofar.size() == slots.size()) {
      all.add(new Placement(sofar));
      return;
    }
    for (int module = -1; module < modules.size(); module++) {
      if (module < 0 || !sofar.contains(module)) {
        List<Integer> more = new ArrayList<>(sofar);
        more.add(module);
        place(more, all);
      }
    }
  }

  /** The bits of what is in play there. */
  public long arrangement(Placement placement) {
    long bits = 0;
    for (int slot = 0; slot < slots.size(); slot++) {
      int module = placement.moduleIn().get(slot);
      if (module >= 0) {
        bits |= module(module) | slot(slot) | contact(module, slot);
      }
    }
    return bits;
  }

  private static long module(int module) {
    return 1L << module;
  }

  private long slot(int slot) {
    return 1L << modules.size() + slot;
  }

  private long contact(int module, int slot) {
    return 1L << modules.size() + slots.size() + module * slots.size() + slot;
  }

  public List<Hypothesis> hypotheses() {
    List<Hypothesis> all = new ArrayList<>();
    for (int m = 0; m < modules.size(); m++) {
      all.add(new Hypothesis(module(m), MODULE / modules.size(), modules.get(m)));
      for (int s = 0; s < slots.size(); s++) {
        all.add(
            new Hypothesis(
                contact(m, s),
                CONTACT / (modules.size() * slots.size()),
                say(
                    "isolate.the-contact-of-in",
                    "modules",
                    modules.get(m),
                    "slots",
                    slots.get(s))));
      }
      for (int n = m + 1; n < modules.size(); n++) {
        all.add(
            new Hypothesis(
                module(m) | module(n),
                TOGETHER / (modules.size() * (modules.size() - 1) / 2.0),
                say(
                    "isolate.together-with",
                    "modules",
                    modules.get(m),
                    "modules2",
                    modules.get(n))));
      }
    }
    for (int s = 0; s < slots.size(); s++) {
      all.add(new Hypothesis(slot(s), SLOT / slots.size(), slots.get(s)));
    }
    all.add(new Hypothesis(0, NONE, say("isolate.none-of-these-board-processor-or")));
    return all;
  }

  /** A placement with what it would tell. */
  public record Proposed(Placement placement, NextStart start) {}

  /**
   * Every placement with what it would tell, in no order.
   *
   * @param now what sits where
   */
  public List<Proposed> proposals(Isolation isolation, Placement now) {
    return placements.stream()
        .map(
            placement -> {
              long arrangement = arrangement(placement);
              double minutes = startMinutes + (placement.equals(now) ? 0 : openMinutes);
              return new Proposed(
                  placement, new NextStart(arrangement, isolation.bits(arrangement), minutes));
            })
        .toList();
  }

  /** The placement that tells most for its minutes. */
  public Proposed next(Isolation isolation, Placement now) {
    return proposals(isolation, now).stream()
        .max(Comparator.comparingDouble(p -> p.start().bitsPerMinute()))
        .orElseThrow();
  }

  /**
   * With what it may go home meanwhile: the most modules that hold nothing to blame.
   *
   * @param sure how sure that must be, (0, 1)
   */
  public Optional<Placement> meanwhile(Isolation isolation, double sure) {
    Placement best = null;
    long most = 0;
    double safest = 0;
    for (Placement placement : placements) {
      long count = placement.moduleIn().stream().filter(m -> m >= 0).count();
      double sound = isolation.sound(arrangement(placement));
      if (sound >= sure && (count > most || count == most && sound > safest)) {
        best = placement;
        most = count;
        safest = sound;
      }
    }
    return Optional.ofNullable(best);
  }
}

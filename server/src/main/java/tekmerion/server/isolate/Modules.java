package tekmerion.server.isolate;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import tekmerion.core.isolate.Hypothesis;
import tekmerion.core.isolate.Isolation;
import tekmerion.core.isolate.Slots;
import tekmerion.core.isolate.Slots.Placement;

/**
 * Modules and the slots they are put into. An arrangement is the module by slot, from 0; -1 for an
 * empty slot.
 */
final class Modules implements Layout {
  static final String MODULE = "module";
  static final String SLOT = "slot";

  private final List<Thing> things;
  private final List<Thing> modules;
  private final List<String> slots;
  private final Slots swapping;

  /**
   * @param things modules and slots, each in its order
   * @throws IllegalArgumentException if there are too few or too many, or something else
   */
  Modules(List<Thing> things) {
    this.things = List.copyOf(things);
    modules = things.stream().filter(t -> t.kind().equals(MODULE)).toList();
    slots = things.stream().filter(t -> t.kind().equals(SLOT)).map(Thing::name).toList();
    if (modules.size() + slots.size() < things.size()) {
      throw new IllegalArgumentException("modules and slots only");
    }
    swapping =
        new Slots(
            modules.stream().map(Thing::name).toList(),
            slots,
            Sort.MEMORY.startMinutes(),
            Sort.MEMORY.changeMinutes());
  }

  @Override
  public List<Thing> things() {
    return things;
  }

  @Override
  public List<Hypothesis> hypotheses() {
    return swapping.hypotheses();
  }

  @Override
  public List<Integer> asItCame() {
    List<Integer> placed = new ArrayList<>();
    for (int slot = 0; slot < slots.size(); slot++) {
      placed.add(slot < modules.size() ? slot : -1);
    }
    return placed;
  }

  @Override
  public boolean isPossible(List<Integer> arrangement) {
    List<Integer> placed = arrangement.stream().filter(m -> m >= 0).toList();
    return arrangement.size() == slots.size()
        && arrangement.stream().allMatch(m -> m >= -1 && m < modules.size())
        && !placed.isEmpty()
        && placed.stream().distinct().count() == placed.size();
  }

  @Override
  public long bits(List<Integer> arrangement) {
    return swapping.arrangement(new Placement(arrangement));
  }

  @Override
  public String words(List<Integer> arrangement) {
    List<String> placed = new ArrayList<>();
    for (int slot = 0; slot < slots.size(); slot++) {
      int module = arrangement.get(slot);
      if (module >= 0) {
        placed.add(
            say("isolate.in", "modules", modules.get(module).name(), "slots", slots.get(slot)));
      }
    }
    return placed.size() == 1
        ? say("isolate.only", "placed", placed.get(0))
        : String.join(", ", placed);
  }

  @Override
  public String level(Hypothesis named) {
    if (named.isNoneOfThese()) {
      return "none-of-these";
    }
    if (Long.bitCount(named.needs()) > 1) {
      return "pair";
    }
    int first = Long.numberOfTrailingZeros(named.needs());
    return first < modules.size()
        ? "module"
        : first < modules.size() + slots.size() ? "slot" : "contact";
  }

  @Override
  public String size() {
    return say("isolate.modules-slots", "count", modules.size(), "count2", slots.size());
  }

  @Override
  public Stream<Proposal> proposals(Isolation isolation, List<Integer> now) {
    return swapping.proposals(isolation, new Placement(now)).stream()
        .map(p -> new Proposal(p.placement().moduleIn(), p.start().bits(), p.start().minutes()));
  }

  /**
   * With what it may go home until the part comes.
   *
   * @param sure how sure that must be, (0, 1)
   */
  Optional<String> meanwhile(Isolation isolation, double sure) {
    return swapping.meanwhile(isolation, sure).map(p -> words(p.moduleIn()));
  }

  /** Serial of the one module that is named; empty if another is, or it is not known. */
  Optional<String> serialOf(Hypothesis named) {
    int module = Long.numberOfTrailingZeros(named.needs());
    return Long.bitCount(named.needs()) == 1 && module < modules.size()
        ? Optional.ofNullable(modules.get(module).serial())
        : Optional.empty();
  }

  /** Serials of the modules in order; empty unless all are known. */
  List<String> serials() {
    List<String> serials = modules.stream().map(Thing::serial).filter(Objects::nonNull).toList();
    return serials.size() == modules.size() ? serials : List.of();
  }

  int slotCount() {
    return slots.size();
  }
}

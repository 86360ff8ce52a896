package tekmerion.server.isolate;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import tekmerion.core.isolate.Chain;
import tekmerion.core.isolate.Hypothesis;
import tekmerion.core.isolate.Isolation;
import tekmerion.core.isolate.NextStart;
import tekmerion.core.isolate.Subsets;

/** The things of one isolation, whichever sort it is. */
final class Things {
  /** A thing by its name; its kind is empty unless it is of a chain. */
  record Thing(String kind, String name) {}

  private final Sort sort;
  private final List<Thing> things;
  private final Subsets subsets;
  private final Chain chain;

  /**
   * @throws IllegalArgumentException if there are too few or too many, or a chain lacks a kind
   */
  Things(Sort sort, List<Thing> things) {
    this.sort = sort;
    this.things = List.copyOf(things);
    if (sort == Sort.CHAIN) {
      subsets = null;
      chain = new Chain(kinds(), sort.startMinutes(), sort.changeMinutes());
    } else {
      if (things.size() < 2) {
        throw new IllegalArgumentException("two things at least");
      }
      chain = null;
      subsets = new Subsets(things.size(), sort.startMinutes(), sort.changeMinutes());
    }
  }

  private List<List<String>> kinds() {
    List<List<String>> kinds = new ArrayList<>();
    int last = -1;
    for (Thing thing : things) {
      int kind = Sort.KINDS.indexOf(thing.kind());
      if (kind < last || kind < 0) {
        throw new IllegalArgumentException("a chain is named kind by kind: " + thing.kind());
      }
      if (kind > last) {
        kinds.add(new ArrayList<>());
        last = kind;
      }
      kinds.get(kinds.size() - 1).add(thing.name());
    }
    return kinds;
  }

  List<Hypothesis> hypotheses() {
    return chain != null
        ? chain.hypotheses()
        : subsets.hypotheses(things.stream().map(Thing::name).toList());
  }

  long asItCame() {
    return chain != null ? chain.asItCame() : subsets.all();
  }

  boolean isPossible(long inPlay) {
    return chain != null ? chain.isPossible(inPlay) : (inPlay & ~subsets.all()) == 0;
  }

  NextStart next(Isolation isolation, long now) {
    return chain != null ? chain.next(isolation, now) : subsets.next(isolation, now);
  }

  /** Of the finding, for what is named. */
  String level(Hypothesis named) {
    if (named.isNoneOfThese()) {
      return "none-of-these";
    }
    if (Long.bitCount(named.needs()) > 1) {
      return "pair";
    }
    return sort == Sort.CHAIN
        ? things.get(Long.numberOfTrailingZeros(named.needs())).kind()
        : "one";
  }

  String words(long inPlay) {
    if (inPlay == 0) {
      return "none of them";
    }
    if (chain == null && inPlay == subsets.all()) {
      return "all of them";
    }
    List<String> in = indexes(inPlay).stream().map(i -> things.get(i).name()).toList();
    List<String> out = indexes(asAll() & ~inPlay).stream().map(i -> things.get(i).name()).toList();
    return chain == null && out.size() < in.size()
        ? "all but " + String.join(", ", out)
        : in.stream().collect(Collectors.joining(", "));
  }

  private long asAll() {
    return things.size() == Long.SIZE ? -1 : (1L << things.size()) - 1;
  }

  static List<Integer> indexes(long inPlay) {
    List<Integer> indexes = new ArrayList<>();
    for (long rest = inPlay; rest != 0; rest &= rest - 1) {
      indexes.add(Long.numberOfTrailingZeros(rest));
    }
    return indexes;
  }

  static long mask(List<Integer> indexes) {
    long mask = 0;
    for (int index : indexes) {
      mask |= 1L << index;
    }
    return mask;
  }
}

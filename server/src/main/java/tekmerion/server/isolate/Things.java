package tekmerion.server.isolate;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import tekmerion.core.isolate.Chain;
import tekmerion.core.isolate.Hypothesis;
import tekmerion.core.isolate.Isolation;
import tekmerion.core.isolate.NextStart;
import tekmerion.core.isolate.Subsets;

/**
 * Things each of which is in play or not, whichever sort they are. An arrangement is the indexes of
 * those in play.
 */
final class Things implements Layout {
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

  @Override
  public List<Thing> things() {
    return things;
  }

  @Override
  public List<Hypothesis> hypotheses() {
    return chain != null
        ? chain.hypotheses()
        : subsets.hypotheses(things.stream().map(Thing::name).toList());
  }

  @Override
  public List<Integer> asItCame() {
    return indexes(chain != null ? chain.asItCame() : subsets.all());
  }

  @Override
  public boolean isPossible(List<Integer> arrangement) {
    return arrangement.stream().allMatch(i -> i >= 0 && i < things.size())
        && arrangement.stream().distinct().count() == arrangement.size()
        && (chain == null || chain.isPossible(bits(arrangement)));
  }

  @Override
  public long bits(List<Integer> arrangement) {
    long bits = 0;
    for (int index : arrangement) {
      bits |= 1L << index;
    }
    return bits;
  }

  /** One only: with sixty-four things, which tells most has to be searched for. */
  @Override
  public Stream<Proposal> proposals(Isolation isolation, List<Integer> now) {
    long mask = bits(now);
    NextStart next = chain != null ? chain.next(isolation, mask) : subsets.next(isolation, mask);
    return Stream.of(new Proposal(indexes(next.arrangement()), next.bits(), next.minutes()));
  }

  @Override
  public String level(Hypothesis named) {
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

  @Override
  public String size() {
    return say("isolate.things", "count", things.size());
  }

  @Override
  public String words(List<Integer> arrangement) {
    if (arrangement.isEmpty()) {
      return say("isolate.none-of-them");
    }
    if (chain == null && arrangement.size() == things.size()) {
      return say("isolate.all-of-them");
    }
    long out = asAll() & ~bits(arrangement);
    return chain == null && Long.bitCount(out) < arrangement.size()
        ? say("isolate.all-but", "names", names(indexes(out)))
        : names(indexes(bits(arrangement)));
  }

  private String names(List<Integer> indexes) {
    return String.join(", ", indexes.stream().map(i -> things.get(i).name()).toList());
  }

  private long asAll() {
    return things.size() == Long.SIZE ? -1 : (1L << things.size()) - 1;
  }

  private static List<Integer> indexes(long inPlay) {
    List<Integer> indexes = new ArrayList<>();
    for (long rest = inPlay; rest != 0; rest &= rest - 1) {
      indexes.add(Long.numberOfTrailingZeros(rest));
    }
    return indexes;
  }
}

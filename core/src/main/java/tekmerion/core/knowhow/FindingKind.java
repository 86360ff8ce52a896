package tekmerion.core.knowhow;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * A kind of finding, with how likely each of its levels is under each cause.
 *
 * @param group findings of one group measure the same thing and are not counted twice
 * @param levels ids in rising order; the first is "nothing there"
 * @param leak probability of each level when no cause is at work
 * @param links probability of each level when only that cause is at work, leak left out; a cause
 *     without an entry does not bear on the finding
 * @param words how owners or error screens say a level, by level
 * @param decisive why a level settles the matter by itself, by level; most have none
 * @param source where the numbers come from, or "judgement" with a range
 */
public record FindingKind(
    String id,
    String name,
    String group,
    List<String> levels,
    List<Double> leak,
    Map<String, List<Double>> links,
    Map<String, List<String>> words,
    Map<String, String> decisive,
    String source) {
  /** Findings that neither a move gives nor anybody says: they follow from others. */
  static final Set<String> DERIVED =
      Set.of(
          "drive.answers",
          "built-in.drive.against-ours",
          "built-in.memory.against-ours",
          "built-in.battery.against-ours",
          "isolation.memory",
          "isolation.outside",
          "isolation.start-up",
          "isolation.services",
          "isolation.updates",
          "isolation.chain");

  /** The finding that names the kind of machine; causes and moves may hold for some kinds only. */
  public static final String MACHINE_KIND = "kind";

  public FindingKind {
    levels = List.copyOf(levels);
    leak = List.copyOf(leak);
    links = Map.copyOf(links);
    words = words == null ? Map.of() : Map.copyOf(words);
    decisive = decisive == null ? Map.of() : Map.copyOf(decisive);
  }

  /**
   * Whether its numbers rest on judgement alone; others name what some of them were measured by.
   */
  public boolean isJudged() {
    return source.toLowerCase(Locale.ROOT).startsWith("judgement");
  }

  /** The same with another link to one cause. */
  FindingKind with(String cause, List<Double> link, String because) {
    Map<String, List<Double>> changed = new HashMap<>(links);
    changed.put(cause, link);
    return new FindingKind(
        id, name, group, levels, leak, changed, words, decisive, source + "; " + because);
  }

  /** Position of a level, or empty if the finding has none of that name. */
  public Optional<Integer> levelIndex(String level) {
    int index = levels.indexOf(level);
    return index < 0 ? Optional.empty() : Optional.of(index);
  }
}

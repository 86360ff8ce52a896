package tekmerion.core.knowhow;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Something that could be wrong.
 *
 * @param id e.g. {@code failing-drive}
 * @param name as shown, e.g. "Failing drive"
 * @param claim the sentence if it is so, with {@code {part}}, e.g. "{part} is failing"
 * @param guess as a noun in a sentence, e.g. "its cable or port"
 * @param partKind kind of part it is attached to; "machine" for the whole
 * @param place group in the checking order it is shown under
 * @param kinds kinds of machine that can have it, levels of the finding {@code kind}; empty for all
 * @param prior probability before any finding, by complaint family; key "any" for the rest
 * @param dataRisk probability that the data is lost if it is left alone; null for none
 */
public record Cause(
    String id,
    String name,
    String claim,
    String guess,
    String partKind,
    String place,
    List<String> kinds,
    Map<String, Double> prior,
    Double dataRisk) {
  public static final String ANY_FAMILY = "any";
  public static final String WHOLE_MACHINE = "machine";

  public Cause {
    kinds = kinds == null ? List.of() : List.copyOf(kinds);
    prior = Map.copyOf(prior);
    dataRisk = dataRisk == null ? 0 : dataRisk;
  }

  /** The highest of its priors in these complaint families; of any family if there are none. */
  public double priorIn(Collection<String> families) {
    return families.stream()
        .mapToDouble(family -> prior.getOrDefault(family, prior.get(ANY_FAMILY)))
        .max()
        .orElse(prior.get(ANY_FAMILY));
  }

  /** Whether such a machine can have it; any can whose kind nobody named. */
  public boolean fitsKind(Optional<String> kind) {
    return isOneOf(kinds, kind);
  }

  static boolean isOneOf(List<String> kinds, Optional<String> kind) {
    return kinds.isEmpty() || kind.map(kinds::contains).orElse(true);
  }

  public boolean isOfWholeMachine() {
    return partKind.equals(WHOLE_MACHINE);
  }
}

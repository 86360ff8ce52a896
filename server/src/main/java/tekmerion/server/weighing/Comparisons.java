package tekmerion.server.weighing;

import java.util.List;
import java.util.Optional;
import tekmerion.core.finding.Finding;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.weigh.Comparison;
import tekmerion.core.weigh.Weighing.Part;

/** The last comparisons of plans: each draws all numbers anew, and is asked for several times. */
final class Comparisons {
  private final LastOnes<Key, Comparison> last = new LastOnes<>(200);

  /**
   * @param knowHow by identity: by another table it comes to something else
   * @param levels {@code finding@part=level}, in order: a later one replaces an earlier one
   */
  private record Key(
      KnowHow knowHow,
      List<String> families,
      List<Part> parts,
      List<String> levels,
      DataStatus status,
      Optional<List<String>> own) {}

  Comparison of(
      KnowHow knowHow,
      List<String> families,
      List<Part> parts,
      List<Finding> findings,
      DataStatus status,
      Optional<List<String>> own) {
    Key key =
        new Key(
            knowHow,
            List.copyOf(families),
            List.copyOf(parts),
            findings.stream().map(s -> "%s@%s=%s".formatted(s.id(), s.part(), s.level())).toList(),
            status,
            own.map(List::copyOf));
    return last.of(
        key, () -> Comparison.of(knowHow, key.families(), key.parts(), findings, status, own));
  }
}

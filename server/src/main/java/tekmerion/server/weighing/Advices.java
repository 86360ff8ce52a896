package tekmerion.server.weighing;

import java.util.List;
import tekmerion.core.finding.Finding;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.weigh.Advice;
import tekmerion.core.weigh.NextMoves;
import tekmerion.core.weigh.NextMoves.Situation;
import tekmerion.core.weigh.Weighing.Part;

/**
 * The last advices, so that a job that is looked at again, by anybody, is not thought through
 * again.
 */
final class Advices {
  private final LastOnes<Key, Advice> last = new LastOnes<>(500);

  /**
   * @param knowHow by identity: another table is another advice
   * @param levels {@code finding@part=level}, in order: a later one replaces an earlier one
   */
  private record Key(
      KnowHow knowHow,
      List<String> families,
      List<Part> parts,
      List<String> levels,
      Situation situation) {}

  Advice of(
      KnowHow knowHow,
      List<String> families,
      List<Part> parts,
      List<Finding> findings,
      Situation situation) {
    Key key =
        new Key(
            knowHow,
            List.copyOf(families),
            List.copyOf(parts),
            findings.stream().map(s -> "%s@%s=%s".formatted(s.id(), s.part(), s.level())).toList(),
            situation);
    return last.of(key, () -> NextMoves.of(knowHow, families, parts, findings, situation));
  }
}

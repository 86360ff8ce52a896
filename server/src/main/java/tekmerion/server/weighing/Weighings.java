package tekmerion.server.weighing;

import java.util.List;
import tekmerion.core.finding.Finding;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.weigh.Weighed;
import tekmerion.core.weigh.Weighing;
import tekmerion.core.weigh.Weighing.Part;

/** The last weighings: one event, and whoever looks then, ask for the same several times. */
final class Weighings {
  private final LastOnes<Key, Weighed> last = new LastOnes<>(200);

  /**
   * @param knowHow by identity: by another table it comes to something else
   * @param findings with their words, which stand in the result
   */
  private record Key(
      KnowHow knowHow,
      List<String> families,
      List<Part> parts,
      List<Finding> findings,
      DataStatus status) {}

  Weighed of(
      KnowHow knowHow,
      List<String> families,
      List<Part> parts,
      List<Finding> findings,
      DataStatus status) {
    Key key =
        new Key(knowHow, List.copyOf(families), List.copyOf(parts), List.copyOf(findings), status);
    return last.of(
        key, () -> Weighing.of(knowHow, key.families(), key.parts(), key.findings(), status));
  }
}

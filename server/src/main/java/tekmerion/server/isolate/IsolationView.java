package tekmerion.server.isolate;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import tekmerion.core.weigh.Suspicion;
import tekmerion.server.isolate.Layout.Thing;

/**
 * How far one isolation has come.
 *
 * @param things empty until somebody said what there is
 * @param suspects likeliest first
 * @param named what is to blame, if that is sure enough
 * @param options what could be tried, what tells most for its minutes first; empty when something
 *     is named
 * @param error how often an innocent one may be named
 */
record IsolationView(
    String number,
    long version,
    String machine,
    Sort sort,
    String title,
    List<Thing> things,
    List<Start> starts,
    List<Suspect> suspects,
    @Schema(nullable = true) String named,
    List<Option> options,
    double error) {

  /** Something under suspicion. */
  @Schema(name = "IsolationSuspect")
  record Suspect(String words, double probability, Suspicion suspicion) {}

  /**
   * An arrangement that could be tried.
   *
   * @param minutes to arrange and start it so
   */
  @Schema(name = "IsolationOption")
  record Option(List<Integer> arrangement, String words, double bits, double minutes) {}
}

package tekmerion.link;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * A charge that was watched.
 *
 * @param points seconds, volts, amperes out of it (negative while it charges), degrees Celsius
 * @param restPoints how many of them at rest; the others under load
 * @param intoAmperes at rest; null if it was not heard then
 * @param helpsAmperes out of the pack under load; null if that was not tried
 * @param verdict of the current at rest: normal, low, none, cannot-tell
 * @param designAh null if not reported
 * @param gaugeLevel its own level at the beginning, a share; null if not reported
 */
public record ChargeResult(
    List<List<Double>> points,
    int restPoints,
    Double intoAmperes,
    Double helpsAmperes,
    String verdict,
    Double designAh,
    Double gaugeLevel)
    implements RunResult {
  private static final Set<String> VERDICTS = Set.of("normal", "low", "none", "cannot-tell");

  public ChargeResult {
    points = points.stream().map(ArrayList::new).map(p -> (List<Double>) p).toList();
    RunResult.check(
        VERDICTS.contains(verdict)
            && points.size() <= RunResult.MAX_ROWS
            && points.stream().allMatch(p -> p.size() == 4)
            && restPoints >= 0
            && restPoints <= points.size(),
        "charge");
  }

  @Override
  public String outcome() {
    return intoAmperes == null ? "ended" : say("link.charges-with-a", "intoAmperes", intoAmperes);
  }
}

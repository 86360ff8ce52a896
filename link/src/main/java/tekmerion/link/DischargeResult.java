package tekmerion.link;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.List;

/**
 * A discharge.
 *
 * @param points thinned out: seconds, volts, amperes, degrees Celsius (null if not measured)
 * @param seconds of the pack's time
 * @param chargeAh until now; null below two samples
 * @param resistanceOhm null without enough load steps
 * @param reachedCutOff whether it came to its end; if not, it holds more than was drawn
 * @param designAh null if not reported
 * @param gaugeFullAh null if not reported
 * @param gaugeLevel its own level at the beginning, a share; null if not reported
 * @param newOhm null if not known
 * @param warmedCelsius null if not measured
 */
public record DischargeResult(
    List<List<Double>> points,
    double seconds,
    MeasuredRange chargeAh,
    MeasuredRange energyWh,
    MeasuredRange resistanceOhm,
    int steps,
    int gaps,
    double secondsInGaps,
    boolean reachedCutOff,
    Double designAh,
    Double gaugeFullAh,
    Double gaugeLevel,
    Double newOhm,
    Double warmedCelsius)
    implements RunResult {
  /** In 95 of 100 cases. */
  public record MeasuredRange(double value, double low, double high) {
    public MeasuredRange {
      RunResult.check(low <= value && value <= high, "range");
    }
  }

  public DischargeResult {
    points = points.stream().map(ArrayList::new).map(p -> (List<Double>) p).toList();
    RunResult.check(
        points.size() <= RunResult.MAX_ROWS
            && points.stream().allMatch(p -> p.size() == 4)
            && seconds >= 0
            && gaps >= 0,
        "discharge");
  }

  @Override
  public String outcome() {
    return chargeAh == null ? "ended" : say("link.ah-drawn", "chargeAh", chargeAh.value());
  }
}

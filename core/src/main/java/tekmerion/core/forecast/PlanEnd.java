package tekmerion.core.forecast;

import java.time.Duration;
import java.time.Instant;
import java.util.List;

/**
 * When a plan will be done: work by hand while the shop is open, waiting around the clock, one step
 * after the other. In eight of ten such plans it is between the two.
 */
public record PlanEnd(Instant early, Instant late) {
  /**
   * Of minutes that are judged within half to double, taken as nineteen of twenty: e^(1.28·ln 2 /
   * 1.96), eight of ten are within this factor.
   */
  private static final double EIGHT_OF_TEN = Math.exp(1.2816 * Math.log(2) / 1.96);

  private static final double LIKELY = 0.5;
  private static final double POSSIBLE = 0.1;

  /**
   * @param chance that it is needed, 0 to 1
   * @param handsOnMinutes likewise waiting: as judged, at least 0
   */
  public record Step(double chance, double handsOnMinutes, double waitingMinutes) {}

  /**
   * Early: what is likelier needed than not, and quickly; late: what is needed in one of ten, and
   * slowly.
   */
  public static PlanEnd of(Instant now, List<Step> steps, OpenHours hours) {
    return new PlanEnd(
        end(now, steps, hours, LIKELY, 1 / EIGHT_OF_TEN),
        end(now, steps, hours, POSSIBLE, EIGHT_OF_TEN));
  }

  private static Instant end(
      Instant now, List<Step> steps, OpenHours hours, double chance, double factor) {
    Instant at = now;
    for (Step step : steps) {
      if (step.chance() >= chance) {
        at = hours.after(at, step.handsOnMinutes() * factor);
        at = at.plus(Duration.ofSeconds(Math.round(60 * step.waitingMinutes() * factor)));
      }
    }
    return hours.whenOpen(at);
  }
}

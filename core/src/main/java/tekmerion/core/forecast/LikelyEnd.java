package tekmerion.core.forecast;

import java.time.Instant;

/**
 * When a job will be ready, with how sure that is.
 *
 * @param early one in ten is ready before
 * @param likely as many before as after
 * @param late one in ten is ready later
 */
public record LikelyEnd(Instant early, Instant likely, Instant late) {
  /** How a likely end stands to what was promised. */
  public enum Promise {
    NONE,
    KEPT,
    /** Likely kept, but more than one in ten such jobs would be late. */
    AT_RISK,
    /** Likely late. */
    LIKELY_LATE,
    /** The promised time has passed. */
    OVERDUE
  }

  /**
   * @param now when the present stage is looked at
   * @param inStage opening minutes already spent in the present stage
   * @param notBefore a run or a part that must come first, or {@code now}
   * @param stage the present stage; it and all later ones are still to come
   */
  public static LikelyEnd of(
      Instant now,
      double inStage,
      Instant notBefore,
      Stage stage,
      Typical typical,
      OpenHours hours) {
    Spread left = typical.of(stage).after(inStage);
    for (Stage later : Stage.values()) {
      if (later.compareTo(stage) > 0) {
        left = left.plus(typical.of(later));
      }
    }
    Instant start = notBefore.isAfter(now) ? notBefore : now;
    return new LikelyEnd(
        hours.after(start, left.quick()),
        hours.after(start, left.usual()),
        hours.after(start, left.slow()));
  }

  /**
   * @param promised null if nothing was promised
   */
  public Promise against(Instant promised, Instant now) {
    if (promised == null) {
      return Promise.NONE;
    }
    if (!now.isBefore(promised)) {
      return Promise.OVERDUE;
    }
    if (likely.isAfter(promised)) {
      return Promise.LIKELY_LATE;
    }
    return late.isAfter(promised) ? Promise.AT_RISK : Promise.KEPT;
  }
}

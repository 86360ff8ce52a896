package tekmerion.core.trend;

import java.time.Instant;
import java.util.OptionalDouble;

/**
 * One number that a drive reported at one time.
 *
 * @param powerOnHours of the drive then [h]; empty if it does not report them
 * @param value as it is meant, not as it is packed
 * @param serial of the drive; empty text if not known
 * @param firmware empty text if not known
 */
public record TrendReading(
    Instant takenAt, OptionalDouble powerOnHours, double value, String serial, String firmware) {
  public TrendReading {
    if (!Double.isFinite(value)) {
      throw new IllegalArgumentException("value is not finite: " + value);
    }
  }
}

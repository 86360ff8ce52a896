package tekmerion.core.port;

import java.util.OptionalDouble;

/**
 * One look at a pack.
 *
 * @param seconds since the run began
 * @param volts at its terminals
 * @param amperes out of it, positive while it discharges
 * @param celsius of the pack; empty if not measured
 */
public record BatterySample(double seconds, double volts, double amperes, OptionalDouble celsius) {
  public BatterySample {
    if (!Double.isFinite(seconds) || !Double.isFinite(volts) || !Double.isFinite(amperes)) {
      throw new IllegalArgumentException(
          "sample at %s s: %s V, %s A".formatted(seconds, volts, amperes));
    }
  }
}

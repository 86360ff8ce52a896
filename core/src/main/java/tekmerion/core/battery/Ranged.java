package tekmerion.core.battery;

/** A number with the range in which it is in 95 of 100 cases. */
public record Ranged(double value, double low, double high) {
  private static final double NORMAL_95 = 1.959964;

  static Ranged of(double value, double standardDeviation) {
    return new Ranged(
        value, value - NORMAL_95 * standardDeviation, value + NORMAL_95 * standardDeviation);
  }

  Ranged times(double factor) {
    return new Ranged(value * factor, low * factor, high * factor);
  }
}

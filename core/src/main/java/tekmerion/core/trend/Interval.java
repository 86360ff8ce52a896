package tekmerion.core.trend;

/**
 * A value with the range in which it lies with 95 % confidence.
 *
 * @param low at most {@code value}
 * @param high at least {@code value}
 */
public record Interval(double value, double low, double high) {
  public Interval {
    if (!(low <= value && value <= high)) {
      throw new IllegalArgumentException("%s not in [%s, %s]".formatted(value, low, high));
    }
  }

  public boolean contains(double x) {
    return low <= x && x <= high;
  }

  public Interval times(double factor) {
    return factor >= 0
        ? new Interval(value * factor, low * factor, high * factor)
        : new Interval(value * factor, high * factor, low * factor);
  }
}

package tekmerion.core.battery;

/**
 * How good the current sensor is; its errors are the same over a whole run, so they do not average
 * out.
 *
 * @param gain standard deviation of its scale, as a share
 * @param offsetAmperes standard deviation of what it says at no current
 */
public record Sensor(double gain, double offsetAmperes) {
  /** What fuel gauges of portable machines promise at best: judgement, range half to double. */
  public static final Sensor USUAL = new Sensor(0.01, 0.01);

  public Sensor {
    if (!(gain >= 0) || !(offsetAmperes >= 0)) {
      throw new IllegalArgumentException("gain %s, offset %s A".formatted(gain, offsetAmperes));
    }
  }
}

package tekmerion.core.isolate;

/**
 * The start that tells most for its minutes.
 *
 * @param arrangement a bit for each thing in play
 * @param bits what it would tell
 * @param minutes what it takes, from the arrangement as it is
 */
public record NextStart(long arrangement, double bits, double minutes) {
  public double bitsPerMinute() {
    return bits / minutes;
  }
}

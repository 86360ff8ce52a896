package tekmerion.core.isolate;

/**
 * How often the complaint comes when its cause is in play, as far as the owner told it: weights of
 * the rates of {@link Isolation}, from 0.1 to 1 by tenths. Judgement, range half to double of each.
 */
public enum HowOften {
  NOT_SAID(1, 1, 1, 1, 1, 1, 1, 1, 1, 1),
  EVERY_TIME(0.2, 0.2, 0.2, 0.3, 0.4, 0.5, 0.8, 1.5, 3, 5),
  MAX_TIMES(0.4, 0.7, 1, 1.3, 1.5, 1.5, 1.4, 1, 0.7, 0.5),
  NOW_AND_THEN(3, 2.5, 1.8, 1, 0.6, 0.4, 0.3, 0.2, 0.1, 0.1);

  private final double[] weights;

  HowOften(double... weights) {
    this.weights = weights;
  }

  double weight(int rate) {
    return weights[rate];
  }

  /**
   * @param level of the finding "often"; empty text if nobody said it
   */
  public static HowOften of(String level) {
    return switch (level) {
      case "always" -> EVERY_TIME;
      case "most-days" -> MAX_TIMES;
      case "now-and-then" -> NOW_AND_THEN;
      default -> NOT_SAID;
    };
  }
}

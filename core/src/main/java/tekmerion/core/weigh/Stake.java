package tekmerion.core.weigh;

import tekmerion.core.knowhow.Remedy;
import tekmerion.core.permit.DataStatus;

/**
 * What is at stake, in minutes of work, so that time, parts, data and a comeback add up in one
 * unit. The shop's convention.
 *
 * @param dataLossMinutes what losing the data weighs
 */
public record Stake(double dataLossMinutes) {
  /**
   * What it costs to hand a machine back that is not mended: the work again and the owner's trust.
   * More than the dearest remedy, or a shop would hand back a dead machine to save itself a board.
   */
  static final double COMEBACK_MINUTES = 600;

  /**
   * What it costs to hand a machine back with something broken that its owner did not come for:
   * they come for that next. Judgement, range half to double.
   */
  static final double LEFT_BROKEN_MINUTES = 300;

  /**
   * What it costs to look again at a machine whose complaint a plan has not ended, before what does
   * end it is done. Judgement, range half to double.
   */
  static final double LOOK_AGAIN_MINUTES = 90;

  /** How often that ends in a comeback all the same. */
  static final double LOOK_AGAIN_FAILS = 0.3;

  /** A minute of waiting beside a minute of work. */
  static final double WAITING = 0.1;

  private static final double WANTED_MINUTES = 3000;
  private static final double COPIED_MINUTES = 300;

  /** Until the owner answers, data counts as wanted. */
  public static final Stake UNKNOWN = new Stake(WANTED_MINUTES);

  public static Stake of(DataStatus dataStatus) {
    return switch (dataStatus) {
      case NOT_WANTED, COPY_VERIFIED -> new Stake(0);
      case COPIED -> new Stake(COPIED_MINUTES);
      default -> UNKNOWN;
    };
  }

  /** How much of the data is wanted and in no verified copy, 0 to 1. */
  double wanted() {
    return dataLossMinutes / WANTED_MINUTES;
  }

  /** Minutes of work that a remedy takes. */
  static double work(Remedy remedy) {
    return remedy.minutes().get(0) + WAITING * remedy.minutes().get(1);
  }
}

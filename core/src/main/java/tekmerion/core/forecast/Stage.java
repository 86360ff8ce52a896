package tekmerion.core.forecast;

/** What a job still has before it, in order. */
public enum Stage {
  /** The drives are read and tested; runs go on at night as well. */
  READ,
  /** Somebody weighs it up and rules. */
  DECIDE,
  /** The courses of the decision. */
  WORK,
  /** The owner is told and comes. */
  HAND_BACK
}

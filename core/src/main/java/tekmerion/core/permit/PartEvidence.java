package tekmerion.core.permit;

/** What was found against a part that is to be replaced; what its owner says does not count. */
public enum PartEvidence {
  /** Nothing was found: whoever replaces it differs from the weighing, and says why. */
  NONE,
  /** One finding, such as one failed pass: it may be its neighbour's. */
  ONE_FINDING,
  /** Two findings and more, or it was tried elsewhere, or another in its place. */
  SEVERAL,
  /** A finding that settles it by itself. */
  DECISIVE
}

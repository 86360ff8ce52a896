package tekmerion.core.permit;

/** How far it is shown that what was mended is mended. */
public enum Proven {
  /** Nothing was mended, so there is nothing to show. */
  NOT_NEEDED,
  UNFINISHED,
  /** It failed again after the repair. */
  FAILED,
  DONE
}

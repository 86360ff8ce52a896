package tekmerion.core.isolate;

/** What a start showed. */
public enum StartOutcome {
  PASS,
  FAIL,
  /** Nobody could tell; says nothing. */
  INCONCLUSIVE
}

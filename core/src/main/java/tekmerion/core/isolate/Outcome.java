package tekmerion.core.isolate;

/** What a start showed. */
public enum Outcome {
  PASS,
  FAIL,
  /** Nobody could tell; says nothing. */
  INCONCLUSIVE
}

package tekmerion.link;

/** The runs that a probe knows. */
public enum RunKind {
  SURFACE,
  SURFACE_SAMPLED,
  SELF_TEST_SHORT,
  SELF_TEST_EXTENDED,
  SELF_TEST_CONVEYANCE;

  public boolean isSurface() {
    return this == SURFACE || this == SURFACE_SAMPLED;
  }

  /** Whether it reads the whole drive and so loads it for hours. */
  public boolean isStressing() {
    return this == SURFACE || this == SELF_TEST_EXTENDED;
  }
}

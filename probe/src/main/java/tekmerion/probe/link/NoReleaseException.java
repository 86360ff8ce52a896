package tekmerion.probe.link;

/** Nothing may be written now. */
final class NoReleaseException extends Exception {
  private static final long serialVersionUID = 1L;

  private final boolean mayCome;

  /**
   * @param mayCome whether only the answer is missing, so that it is worth asking again
   */
  NoReleaseException(String why, boolean mayCome) {
    super(why);
    this.mayCome = mayCome;
  }

  boolean mayCome() {
    return mayCome;
  }
}

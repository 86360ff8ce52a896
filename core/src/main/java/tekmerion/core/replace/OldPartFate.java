package tekmerion.core.replace;

/** What became of a part that was taken out. */
public enum OldPartFate {
  RETURNED("returned to the owner"),
  KEPT("kept here as evidence"),
  /** Destroyed for good, by a firm that certifies it. */
  SCRAPPED("scrapped, with a certificate");

  private final String words;

  OldPartFate(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }
}

package tekmerion.core.gate;

/** Whether a drive's data is wanted, and what has become of it. One per drive. */
public enum Stance {
  UNKNOWN("not asked yet", "Until the owner answers it counts as wanted"),
  WANTED("wanted", "No copy yet, nothing may be erased"),
  NOT_WANTED("not wanted, signed", "The owner signed that it may be erased"),
  COPIED("copied, not verified", "A copy counts only when it is verified"),
  COPY_VERIFIED("copy verified", "The copy was compared and agrees");

  private final String words;
  private final String meaning;

  Stance(String words, String meaning) {
    this.words = words;
    this.meaning = meaning;
  }

  public String words() {
    return words;
  }

  public String meaning() {
    return meaning;
  }

  /** The data is safe elsewhere or given up by its owner. */
  public boolean allowsWriting() {
    return this == NOT_WANTED || this == COPY_VERIFIED;
  }
}

package tekmerion.core.permit;

/** Whether a drive's data is wanted, and what has become of it. One per drive. */
public enum DataStatus {
  NOT_ASKED("not asked yet", "Until the owner answers it counts as wanted"),
  WANTED("wanted", "No copy yet, nothing may be erased"),
  NOT_WANTED("not wanted, signed", "The owner signed that it may be erased"),
  COPIED(
      "copied, not all of it verified", "A copy counts only for what is in it and was read again"),
  COPY_VERIFIED("copy verified", "The copy was compared and agrees");

  private final String words;
  private final String meaning;

  DataStatus(String words, String meaning) {
    this.words = words;
    this.meaning = meaning;
  }

  public String words() {
    return words;
  }

  public String meaning() {
    return meaning;
  }

  /** The higher, the less can be lost. */
  public int safety() {
    return switch (this) {
      case NOT_ASKED, WANTED -> 0;
      case COPIED -> 1;
      case COPY_VERIFIED, NOT_WANTED -> 2;
    };
  }

  /** The data is safe elsewhere or given up by its owner. */
  public boolean allowsWriting() {
    return this == NOT_WANTED || this == COPY_VERIFIED;
  }
}

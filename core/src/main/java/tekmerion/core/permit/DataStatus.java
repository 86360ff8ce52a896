package tekmerion.core.permit;

import static tekmerion.words.Words.say;

/** Whether a drive's data is wanted, and what has become of it. One per drive. */
public enum DataStatus {
  NOT_ASKED("permit.not-asked-yet", "permit.until-the-owner-answers-it-counts"),
  WANTED("permit.wanted", "permit.no-copy-yet-nothing-may-be"),
  NOT_WANTED("permit.not-wanted-signed", "permit.the-owner-signed-that-it-may"),
  COPIED("permit.copied-not-all-of-it-verified", "permit.a-copy-counts-only-for-what"),
  COPY_VERIFIED("permit.copy-verified", "permit.the-copy-was-compared-and-agrees");

  private final String words;
  private final String meaning;

  DataStatus(String words, String meaning) {
    this.words = words;
    this.meaning = meaning;
  }

  public String words() {
    return say(words);
  }

  public String meaning() {
    return say(meaning);
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

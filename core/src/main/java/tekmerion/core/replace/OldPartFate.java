package tekmerion.core.replace;

import static tekmerion.words.Words.say;

/** What became of a part that was taken out. */
public enum OldPartFate {
  RETURNED("replace.returned-to-the-owner"),
  KEPT("replace.kept-here-as-evidence"),
  /** Destroyed for good, by a firm that certifies it. */
  SCRAPPED("replace.scrapped-with-a-certificate");

  private final String words;

  OldPartFate(String words) {
    this.words = words;
  }

  public String words() {
    return say(words);
  }
}

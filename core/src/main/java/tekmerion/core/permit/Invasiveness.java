package tekmerion.core.permit;

import static tekmerion.words.Words.say;

/** How invasive a move, a run or a course is, the gentlest first. */
public enum Invasiveness {
  LOOKS_ONLY("permit.looks-only"),
  NO_TOOLS("permit.no-tools"),
  OPENS_CASE("permit.opens-the-case"),
  CHANGES_SETTINGS("permit.changes-settings"),
  WRITES_TO_DRIVE("permit.writes-to-the-drive"),
  ERASES("permit.erases");

  private final String words;

  Invasiveness(String words) {
    this.words = words;
  }

  public String words() {
    return say(words);
  }

  public boolean endangersData() {
    return compareTo(WRITES_TO_DRIVE) >= 0;
  }
}

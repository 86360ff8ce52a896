package tekmerion.core.permit;

/** How invasive a move, a run or a course is, the gentlest first. */
public enum Invasiveness {
  LOOKS_ONLY("looks only"),
  NO_TOOLS("no tools"),
  OPENS_CASE("opens the case"),
  CHANGES_SETTINGS("changes settings"),
  WRITES_TO_DRIVE("writes to the drive"),
  ERASES("erases");

  private final String words;

  Invasiveness(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }

  public boolean endangersData() {
    return compareTo(WRITES_TO_DRIVE) >= 0;
  }
}

package tekmerion.core.knowhow;

/** What a shop notes of a maker's machines because it differs from maker to maker. */
public enum MakerTopic {
  FIRMWARE_KEY("Key to its firmware"),
  TESTS_KEY("Key to its built-in tests"),
  START_KEY("Key to the choice of what it starts from"),
  RESULT_CODES("Codes of its built-in tests"),
  CASE("How its case opens"),
  WEAK_POINT("Known weak point"),
  CHARGES_WITH("What charges it");

  private final String words;

  MakerTopic(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }
}

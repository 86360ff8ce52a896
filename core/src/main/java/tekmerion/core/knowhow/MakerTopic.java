package tekmerion.core.knowhow;

import static tekmerion.words.Words.say;

/** What a shop notes of a maker's machines because it differs from maker to maker. */
public enum MakerTopic {
  FIRMWARE_KEY("knowhow.key-to-its-firmware"),
  TESTS_KEY("knowhow.key-to-its-built-in-tests"),
  START_KEY("knowhow.key-to-the-choice-of-what"),
  RESULT_CODES("knowhow.codes-of-its-built-in-tests"),
  CASE("knowhow.how-its-case-opens"),
  WEAK_POINT("knowhow.known-weak-point"),
  CHARGES_WITH("knowhow.what-charges-it");

  private final String words;

  MakerTopic(String words) {
    this.words = words;
  }

  public String words() {
    return say(words);
  }
}

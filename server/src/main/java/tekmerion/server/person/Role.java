package tekmerion.server.person;

import static tekmerion.words.Words.say;

/** What a person does in the shop. */
public enum Role {
  TECHNICIAN("person.technician", "person.a-technician"),
  LEAD("person.lead", "person.a-lead"),
  COUNTER("person.counter", "person.the-counter");

  private final String words;
  private final String someone;

  Role(String words, String someone) {
    this.words = words;
    this.someone = someone;
  }

  public String words() {
    return say(words);
  }

  public String someone() {
    return say(someone);
  }
}

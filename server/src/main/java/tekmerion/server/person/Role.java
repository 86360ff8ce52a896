package tekmerion.server.person;

/** What a person does in the shop. */
public enum Role {
  TECHNICIAN("technician", "a technician"),
  LEAD("lead", "a lead"),
  COUNTER("counter", "the counter");

  private final String words;
  private final String someone;

  Role(String words, String someone) {
    this.words = words;
    this.someone = someone;
  }

  public String words() {
    return words;
  }

  public String someone() {
    return someone;
  }
}

package tekmerion.words;

import java.util.Locale;

/** Languages that the screens and papers speak. */
public enum Language {
  EN("en-GB"),
  NB("nb-NO");

  private final Locale locale;

  Language(String tag) {
    this.locale = Locale.forLanguageTag(tag);
  }

  /** For dates, numbers and money. */
  public Locale locale() {
    return locale;
  }

  /** Name of its files, e.g. "nb". */
  public String code() {
    return locale.getLanguage();
  }
}

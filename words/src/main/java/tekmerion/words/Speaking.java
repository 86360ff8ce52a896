package tekmerion.words;

import java.util.List;
import java.util.Locale;

/**
 * In which language sentences are made, and in which manner.
 *
 * @param language of the messages, and of numbers in them
 */
public record Speaking(Language language, Manner manner) {
  /** Tag of "no linguistic content" (ISO 639-2). */
  private static final String NO_LANGUAGE = "zxx";

  /** Tag of the made-up language for tests. */
  private static final String STRETCHED = "en-XA";

  /** How a message becomes text. */
  public enum Manner {
    PROSE,
    /** The message itself with its arguments: see {@link Coded}. */
    CODES,
    /** English in brackets, with accents and 40 % longer: shows what is clipped or has no key. */
    STRETCHED
  }

  public static final Speaking ENGLISH = new Speaking(Language.EN, Manner.PROSE);
  public static final Speaking IN_CODES = new Speaking(Language.EN, Manner.CODES);

  public static Speaking prose(Language language) {
    return new Speaking(language, Manner.PROSE);
  }

  /**
   * What somebody asks for who sends this header.
   *
   * @param acceptLanguage as of RFC 9110, 12.5.4; null or beyond reading is English
   */
  public static Speaking asked(String acceptLanguage) {
    if (acceptLanguage == null || acceptLanguage.isBlank()) {
      return ENGLISH;
    }
    try {
      for (Locale.LanguageRange range : Locale.LanguageRange.parse(acceptLanguage)) {
        Speaking speaking = of(range.getRange());
        if (speaking != null && range.getWeight() > 0) {
          return speaking;
        }
      }
    } catch (IllegalArgumentException e) {
      return ENGLISH;
    }
    return ENGLISH;
  }

  /** Norwegian without saying which, and Nynorsk, are nearer to Bokmål than to English. */
  private static Speaking of(String tag) {
    if (tag.equalsIgnoreCase(NO_LANGUAGE)) {
      return IN_CODES;
    }
    if (tag.equalsIgnoreCase(STRETCHED)) {
      return new Speaking(Language.EN, Manner.STRETCHED);
    }
    String code = Locale.forLanguageTag(tag).getLanguage();
    if (List.of("no", "nn").contains(code)) {
      return prose(Language.NB);
    }
    for (Language language : Language.values()) {
      if (language.code().equals(code)) {
        return prose(language);
      }
    }
    return null;
  }
}

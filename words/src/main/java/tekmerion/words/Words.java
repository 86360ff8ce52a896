package tekmerion.words;

import java.math.BigDecimal;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Supplier;

/**
 * Says messages in the language that is spoken on this thread: English, unless somebody said
 * otherwise for the time of a request ({@link #in}), or for the whole program ({@link
 * #everywhere}).
 */
public final class Words {
  /** What makes the first letter of a text small, or large, in any language. */
  private static final String LOWER_FIRST = "lower-first";

  private static final String UPPER_FIRST = "upper-first";
  private static final String OF = "of";
  private static volatile Speaking everywhere = Speaking.ENGLISH;
  private static final ThreadLocal<Speaking> SPEAKING = ThreadLocal.withInitial(() -> everywhere);
  private static final Map<Language, Catalogue> CATALOGUES = new EnumMap<>(Language.class);

  static {
    for (Language language : Language.values()) {
      CATALOGUES.put(language, new Catalogue(language));
    }
  }

  private Words() {}

  /**
   * A sentence, or a piece of one.
   *
   * @param key of the message
   * @param namesAndValues its arguments: a name, then its value; numbers are formatted as the
   *     language does
   */
  public static String say(String key, Object... namesAndValues) {
    Map<String, Object> values = new LinkedHashMap<>();
    for (int i = 0; i + 1 < namesAndValues.length; i += 2) {
      values.put((String) namesAndValues[i], value(namesAndValues[i + 1]));
    }
    return say(speaking(), key, values);
  }

  /** An amount of money keeps its decimals: it is text. */
  private static Object value(Object value) {
    return value instanceof BigDecimal amount
        ? amount.toPlainString()
        : value instanceof Number ? value : String.valueOf(value);
  }

  private static String say(Speaking speaking, String key, Map<String, Object> values) {
    if (key.equals(LOWER_FIRST) || key.equals(UPPER_FIRST)) {
      return first(speaking, key, String.valueOf(values.get(OF)));
    }
    return switch (speaking.manner()) {
      case CODES -> Coded.of(key, values);
      case PROSE -> prose(speaking.language(), key, values);
      case STRETCHED -> Stretched.of(CATALOGUES.get(Language.EN).say(key, values));
    };
  }

  /** In English where the language has no such message. */
  private static String prose(Language language, String key, Map<String, Object> values) {
    Catalogue catalogue = CATALOGUES.get(language);
    return (catalogue.has(key) ? catalogue : CATALOGUES.get(Language.EN)).say(key, values);
  }

  private static String first(Speaking speaking, String key, String text) {
    if (text.isEmpty()) {
      return text;
    }
    if (speaking.manner() == Speaking.Manner.CODES) {
      return Coded.of(key, Map.of(OF, text));
    }
    int letter = speaking.manner() == Speaking.Manner.STRETCHED && text.length() > 1 ? 1 : 0;
    String cased = text.substring(letter, letter + 1);
    return text.substring(0, letter)
        + (key.equals(LOWER_FIRST)
            ? cased.toLowerCase(speaking.language().locale())
            : cased.toUpperCase(speaking.language().locale()))
        + text.substring(letter + 1);
  }

  /** "Drive A" becomes "drive A". */
  public static String lowerFirst(String text) {
    return first(speaking(), LOWER_FIRST, text);
  }

  /** "drive A is failing" becomes "Drive A is failing". */
  public static String upperFirst(String text) {
    return first(speaking(), UPPER_FIRST, text);
  }

  /** What is spoken on this thread. */
  public static Speaking speaking() {
    return SPEAKING.get();
  }

  /** What this program speaks, on every thread that says nothing else; for its very start. */
  public static void everywhere(Speaking speaking) {
    everywhere = speaking;
    SPEAKING.set(speaking);
  }

  /** What comes of it while that is spoken on this thread. */
  public static <T> T in(Speaking speaking, Supplier<T> what) {
    Speaking before = SPEAKING.get();
    SPEAKING.set(speaking);
    try {
      return what.get();
    } finally {
      SPEAKING.set(before);
    }
  }

  /** Speaks that on this thread until it is closed. */
  public static Turn speak(Speaking speaking) {
    Speaking before = SPEAKING.get();
    SPEAKING.set(speaking);
    return () -> SPEAKING.set(before);
  }

  /** Until somebody else's language is spoken again. */
  public interface Turn extends AutoCloseable {
    @Override
    void close();
  }

  /** A text as it can be kept: its messages by key, to be read in any language. */
  public static String kept(Supplier<String> text) {
    return in(Speaking.IN_CODES, text);
  }

  /** A kept text in the language that is spoken; one without messages is as it is. */
  public static String read(String kept) {
    Speaking speaking = speaking();
    return kept == null || !Coded.isIn(kept) || speaking.manner() == Speaking.Manner.CODES
        ? kept
        : Coded.read(kept, (key, values) -> say(speaking, key, values));
  }

  /** What somebody typed, without what could be taken for a message of ours. */
  public static String typed(String text) {
    return text == null ? null : Coded.plain(text);
  }

  /** Takes in messages that stand elsewhere: those of the know-how, in its own files. */
  public static void learn(Language language, Map<String, String> messages) {
    CATALOGUES.get(language).learn(messages);
  }

  /** The messages of a language, by key. */
  public static Map<String, String> all(Language language) {
    return Map.copyOf(CATALOGUES.get(language).patterns());
  }
}

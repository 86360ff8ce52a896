package tekmerion.core.identity;

import static tekmerion.words.Words.say;

import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;

/**
 * A serial as it is compared. Printed serials are misread and some devices report only a part of
 * theirs, so besides equality there is likeness, which is only ever offered to a person.
 *
 * @param plain capital letters and digits only
 * @param folded plain, with letters that look like digits turned into those digits
 */
public record Serial(String plain, String folded) {
  /** Fewer characters in common say nothing. */
  public static final int MIN_IN_COMMON = 6;

  private static final String LETTERS = "OQDILZSB";
  private static final String DIGITS = "00011258";

  /** How two serials go together. */
  public enum Match {
    SAME("identity.the-same-serial"),
    LOOKS_ALIKE("identity.differs-only-in-letters-and-digits"),
    CUT_SHORT("identity.one-is-the-beginning-of-the"),
    CUT_SHORT_AT_THE_FRONT("identity.one-is-the-end-of-the"),
    DIFFERENT("identity.different");

    private final String words;

    Match(String words) {
      this.words = words;
    }

    public String words() {
      return say(words);
    }

    public boolean isNear() {
      return this != SAME && this != DIFFERENT;
    }
  }

  public static Serial of(String text) {
    String plain = text.toUpperCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]", "");
    StringBuilder folded = new StringBuilder(plain);
    for (int i = 0; i < folded.length(); i++) {
      int at = LETTERS.indexOf(folded.charAt(i));
      if (at >= 0) {
        folded.setCharAt(i, DIGITS.charAt(at));
      }
    }
    return new Serial(plain, folded.toString());
  }

  public boolean isEmpty() {
    return plain.isEmpty();
  }

  public Match match(Serial other) {
    if (isEmpty() || other.isEmpty()) {
      return Match.DIFFERENT;
    }
    if (plain.equals(other.plain)) {
      return Match.SAME;
    }
    if (folded.equals(other.folded)) {
      return Match.LOOKS_ALIKE;
    }
    String shorter = folded.length() < other.folded.length() ? folded : other.folded;
    String longer = folded.length() < other.folded.length() ? other.folded : folded;
    if (shorter.length() < MIN_IN_COMMON) {
      return Match.DIFFERENT;
    }
    if (longer.startsWith(shorter)) {
      return Match.CUT_SHORT;
    }
    return longer.endsWith(shorter) ? Match.CUT_SHORT_AT_THE_FRONT : Match.DIFFERENT;
  }

  /** Folded beginnings that a cut-short report of this serial could have, longest first. */
  public List<String> beginnings() {
    return IntStream.iterate(folded.length(), n -> n >= MIN_IN_COMMON, n -> n - 1)
        .mapToObj(n -> folded.substring(0, n))
        .toList();
  }
}

package tekmerion.core.permit;

import java.text.Normalizer;
import java.util.Locale;

/** Whether whoever signs is the customer: by the name, as people write it. */
public final class SignerName {
  private static final int MIN_LETTERS = 2;

  private SignerName() {}

  /**
   * Case, accents' encoding and spaces do not matter; what cannot be seen counts as nothing.
   *
   * @param signed as it was typed
   * @param customer whose job it is; may be empty, then nobody can sign
   */
  public static boolean isOf(String signed, String customer) {
    String folded = folded(signed);
    return folded.codePoints().filter(Character::isLetter).count() >= MIN_LETTERS
        && folded.equals(folded(customer));
  }

  /** Compatibility forms are one (Unicode NFKC); format and control characters go. */
  private static String folded(String name) {
    return Normalizer.normalize(name == null ? "" : name, Normalizer.Form.NFKC)
        .replaceAll("[\\p{Cf}\\p{Cc}\\p{Mn}&&[^\\s]]", "")
        .replaceAll("[\\s\\p{Z}]+", " ")
        .strip()
        .toLowerCase(Locale.ROOT);
  }
}

package tekmerion.core.page;

import java.util.Optional;

/**
 * What counts as told. Adapters and cheap devices fill a field that they have nothing for with one
 * character all over: that is "not reported", and never an identity.
 */
public final class Reported {
  private Reported() {}

  /** A serial number; empty if it is blank, or one character all over, as 00000000. */
  public static Optional<String> serial(String text) {
    String plain = text.strip();
    return plain.replaceAll("[\\s._-]", "").chars().distinct().count() > 1
        ? Optional.of(plain)
        : Optional.empty();
  }

  /** A worldwide name or unique identifier in hex; empty if it is all zeros or all ones. */
  public static Optional<String> name(String hex) {
    return hex.isEmpty() || hex.matches("0+|[fF]+") ? Optional.empty() : Optional.of(hex);
  }
}

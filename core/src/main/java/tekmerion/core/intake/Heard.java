package tekmerion.core.intake;

import java.util.List;

/**
 * What was heard in some words.
 *
 * @param families complaint families, the one heard first comes first
 * @param signs levels of signs
 */
public record Heard(List<Family> families, List<Said> signs) {
  public Heard {
    families = List.copyOf(families);
    signs = List.copyOf(signs);
  }

  /**
   * @param from first character of the words that say it
   * @param to one past the last
   */
  public record Family(String id, int from, int to) {}

  /**
   * @param from first character of the words that say it
   * @param to one past the last
   */
  public record Said(String sign, String level, int from, int to) {}
}

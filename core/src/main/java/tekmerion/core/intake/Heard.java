package tekmerion.core.intake;

import java.util.List;

/**
 * What was heard in some words.
 *
 * @param families complaint families, the one heard first comes first
 * @param findings levels of findings
 */
public record Heard(List<Family> families, List<Said> findings) {
  public Heard {
    families = List.copyOf(families);
    findings = List.copyOf(findings);
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
  public record Said(String finding, String level, int from, int to) {}
}

package tekmerion.core.knowhow;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Something the counter asks.
 *
 * @param ask the question
 * @param hint how to answer, or empty
 * @param says the phrase of the running text, with {@code {answer}}
 * @param open what stands in the running text while it is not answered
 * @param nothing phrase for "none of these", only with {@link Answering#SOME}
 * @param of what it makes sense for
 * @param families complaint families it is asked for; empty for all
 */
public record Question(
    String id,
    String ask,
    String hint,
    String says,
    String open,
    Answering kind,
    String nothing,
    List<Subject> of,
    List<String> families,
    List<Option> options) {

  /** How many options may hold, and how they are shown. */
  public enum Answering {
    LADDER,
    ONE,
    SOME,
    /** One, with a number of times beside it. */
    OFTEN
  }

  /** What was brought in. */
  public enum Subject {
    MACHINE,
    DRIVE
  }

  /**
   * @param phrase as it stands in the running text
   * @param findings level by finding
   */
  public record Option(
      String id, String name, String hint, String phrase, Map<String, String> findings) {
    public Option {
      hint = hint == null ? "" : hint;
      findings = Map.copyOf(findings);
    }
  }

  public Question {
    hint = hint == null ? "" : hint;
    nothing = nothing == null ? "" : nothing;
    of = List.copyOf(of);
    families = families == null ? List.of() : List.copyOf(families);
    options = List.copyOf(options);
  }

  /** Every finding that some answer sets. */
  public Set<String> findings() {
    Set<String> all = new HashSet<>();
    options.forEach(option -> all.addAll(option.findings().keySet()));
    return all;
  }

  /** Whether it makes sense for a complaint. */
  public boolean fits(Subject subject, List<String> complaint) {
    return of.contains(subject)
        && (families.isEmpty() || complaint.stream().anyMatch(families::contains));
  }

  /**
   * What an answer says: the level of every finding of the question.
   *
   * @param chosen ids of options; none means "none of these"
   * @throws IllegalArgumentException if an option is unknown
   */
  public Map<String, String> levels(List<String> chosen, KnowHow knowHow) {
    Map<String, String> levels = new LinkedHashMap<>();
    for (String finding : findings()) {
      levels.put(finding, knowHow.finding(finding).orElseThrow().levels().get(0));
    }
    for (String id : chosen) {
      Option option =
          options.stream()
              .filter(o -> o.id().equals(id))
              .findFirst()
              .orElseThrow(
                  () ->
                      new IllegalArgumentException(
                          "question %s has no answer %s".formatted(this.id, id)));
      levels.putAll(option.findings());
    }
    return levels;
  }
}

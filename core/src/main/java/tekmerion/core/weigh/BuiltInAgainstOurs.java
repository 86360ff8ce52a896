package tekmerion.core.weigh;

import static tekmerion.words.Words.say;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import tekmerion.core.finding.Finding;

/**
 * Whether the machine's own tests and ours say the same of a part. Both are weighed by themselves;
 * that they differ is a finding of its own: a drive that only its machine fails has a bad link to
 * it, memory that only we fail needs longer than a built-in test takes.
 */
public final class BuiltInAgainstOurs {
  private static final String PASSED = "passed";

  /** Levels of our own runs on the same part that speak of a sound one; others of a fault. */
  private static final Map<String, Map<String, String>> OURS =
      Map.of(
          "built-in.drive",
          Map.of("drive.surface", "clean", "drive.self-test", PASSED, "drive.sample", "clean"),
          "built-in.memory",
          Map.of("march.errors", "none"),
          "built-in.battery",
          Map.of("discharge.capacity", "good"));

  private BuiltInAgainstOurs() {}

  /**
   * @param findings of the job
   * @return a finding {@code <built-in finding>.against-ours}; none for tests that only one side
   *     made
   */
  public static List<Finding> of(List<Finding> findings) {
    return OURS.keySet().stream().sorted().flatMap(id -> of(id, findings).stream()).toList();
  }

  private static Optional<Finding> of(String builtIn, List<Finding> findings) {
    Optional<Finding> theirs = findings.stream().filter(s -> s.id().equals(builtIn)).findFirst();
    List<Finding> ours =
        findings.stream().filter(s -> OURS.get(builtIn).containsKey(s.id())).toList();
    if (theirs.isEmpty() || ours.isEmpty()) {
      return Optional.empty();
    }
    boolean passedThere = theirs.get().level().equals(PASSED);
    Optional<Finding> fault =
        ours.stream().filter(s -> !OURS.get(builtIn).get(s.id()).equals(s.level())).findFirst();
    String level =
        passedThere == fault.isEmpty() ? "agree" : passedThere ? "only-ours" : "only-built-in";
    String words =
        switch (level) {
          case "agree" -> say("weigh.the-machines-own-test-and-ours");
          case "only-ours" ->
              say("weigh.the-machines-own-test-passed-what", "fault", fault.orElseThrow().words());
          default -> say("weigh.only-the-machines-own-test-failed");
        };
    return Optional.of(
        new Finding(builtIn + ".against-ours", Finding.MACHINE, level, words, Finding.Basis.run()));
  }
}

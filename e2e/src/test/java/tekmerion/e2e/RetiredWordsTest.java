package tekmerion.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** One word for one thing: a word that was given up for another is not used again, anywhere. */
class RetiredWordsTest {
  private static final Path HOME = Path.of("..");
  private static final Pattern SOURCE = Pattern.compile(".*\\.(java|tsx?|yaml|sql|md|properties)");
  private static final Pattern SKIPPED =
      Pattern.compile(".*/(target|node_modules|dist|generated|\\.git|\\.tekmerion)(/.*)?");

  /** What is retired, and what is said instead. */
  private static final Map<String, String> INSTEAD =
      Map.ofEntries(
          Map.entry("rulings?|ruled|rule on", "decision, decided"),
          Map.entry("[a-z]*signkind|jobsigns?|(drive|battery|memory|load|run)signs", "finding"),
          Map.entry("tilt|tilts|tiltmark", "suspicion"),
          Map.entry("stances?|datastances?", "data status"),
          Map.entry("touchwords|touchpips|touch [0-5]", "invasiveness"),
          Map.entry("reachlevels|reachladder", "boot stage"),
          Map.entry("traceentry|tracekind", "journal, on the screen: history"),
          Map.entry("shelf|shelves", "stock"),
          Map.entry("drivekey|drive_key|driverun|drive_run|drivereading", "part, run"),
          Map.entry("surface pass(es)?|surfacepass", "surface scan"),
          Map.entry("rescue cop(y|ies)|rescuecopy", "rescue image"),
          Map.entry("own account", "self-report"),
          Map.entry("waiting sectors?|wait for reallocation", "pending sectors"),
          Map.entry("partfinding|surfacenote|selftestnote", "RunResult and its kinds"),
          Map.entry("(?<!bare |nickel )metal", "hardware"));

  private static final Pattern LIMITS = Pattern.compile("\\b(MOST|LEAST|FEWEST)_[A-Z]");
  private static final Pattern RETIRED =
      Pattern.compile(
          INSTEAD.keySet().stream().collect(Collectors.joining("|", "(?i)\\b(", ")\\b")));

  @Test
  void noRetiredWordIsUsed() throws IOException {
    List<String> found = new ArrayList<>();
    try (Stream<Path> files = Files.walk(HOME)) {
      for (Path file : files.filter(RetiredWordsTest::isSource).sorted().toList()) {
        List<String> lines = Files.readAllLines(file);
        for (int i = 0; i < lines.size(); i++) {
          Matcher word = RETIRED.matcher(lines.get(i));
          if (word.find()) {
            found.add(
                "%s:%d: %s, say: %s".formatted(file, i + 1, word.group(), said(word.group())));
          }
          if (LIMITS.matcher(lines.get(i)).find()) {
            found.add("%s:%d: a limit is MIN_ or MAX_".formatted(file, i + 1));
          }
        }
      }
    }

    assertThat(found).isEmpty();
  }

  private static boolean isSource(Path file) {
    String name = file.toString();
    return SOURCE.matcher(name).matches()
        && !SKIPPED.matcher(name).matches()
        && !name.endsWith("RetiredWordsTest.java");
  }

  private static String said(String word) {
    return INSTEAD.entrySet().stream()
        .filter(e -> Pattern.compile("(?i)" + e.getKey()).matcher(word).matches())
        .map(Map.Entry::getValue)
        .findFirst()
        .orElse("another");
  }
}

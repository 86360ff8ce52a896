package tekmerion.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * What the README names is there: every command, asked for its help; every file that it leads to.
 */
class ReadmeTest {
  private static final Path HOME = Path.of("..");
  private static final Pattern COMMAND = Pattern.compile("(?m)(?:`|^)\\./tekmerion ([^`#\n]+)");
  private static final Pattern TEST = Pattern.compile("`([A-Z]\\w+Test)(?:\\.(\\w+))?`");
  private static final Pattern LINK = Pattern.compile("\\]\\(([^)#]+)[^)]*\\)");

  private static final Pattern PARTLY = Pattern.compile("-pl ([a-z0-9,]+)(?! -am)(?= )");
  private static final Pattern MODULES = Pattern.compile("modules=([a-z0-9,]+)");
  private static final Pattern OURS =
      Pattern.compile("<groupId>tekmerion</groupId>\\s*<artifactId>([a-z0-9]+)</artifactId>");

  private static String readme() {
    try {
      return Files.readString(HOME.resolve("README.md"));
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }

  /** The words before the first argument. */
  static Set<String> commands() {
    Set<String> found = new LinkedHashSet<>();
    Matcher each = COMMAND.matcher(readme());
    while (each.find()) {
      found.add(
          Arrays.stream(each.group(1).strip().split("\\s+"))
              .takeWhile(word -> word.matches("[a-z]+"))
              .collect(Collectors.joining(" ")));
    }
    return found;
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("commands")
  void everyCommandOfTheReadmeTellsWhatItDoes(String command) throws Exception {
    List<String> words =
        Stream.of(Stream.of("./tekmerion"), Arrays.stream(command.split(" ")), Stream.of("--help"))
            .flatMap(s -> s)
            .toList();
    ProcessBuilder builder =
        new ProcessBuilder(words).directory(HOME.toFile()).redirectErrorStream(true);
    builder.environment().put("TEKMERION_AS_BUILT", "1"); // by whatever runs this test
    Process process = builder.start();

    String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);

    assertThat(process.waitFor(1, TimeUnit.MINUTES)).isTrue();
    assertThat(process.exitValue()).as(said).isZero();
    assertThat(said).contains("Usage: ").doesNotContain("Exception");
  }

  @Test
  void namesManyCommands() {
    assertThat(commands()).hasSizeGreaterThan(15);
  }

  @Test
  void everyLinkOfEveryDocumentLeadsSomewhere() throws IOException {
    try (Stream<Path> docs =
        Stream.concat(
            Stream.of(HOME.resolve("README.md"), HOME.resolve("SECURITY.md")),
            Files.list(HOME.resolve("docs")).filter(p -> p.toString().endsWith(".md")))) {
      assertThat(
              docs.flatMap(
                  doc -> {
                    try {
                      return LINK.matcher(Files.readString(doc))
                          .results()
                          .map(m -> m.group(1))
                          .filter(to -> !to.contains("://"))
                          .filter(to -> !Files.exists(doc.resolveSibling(to)))
                          .map(to -> doc.getFileName() + " leads to " + to);
                    } catch (IOException e) {
                      throw new IllegalStateException(e);
                    }
                  }))
          .isEmpty();
    }
  }

  /** A document that says "tested by" says so of a test that is there. */
  @Test
  void everyTestThatADocumentNamesIsThere() throws IOException {
    Map<String, String> tests = new HashMap<>();
    try (Stream<Path> files = Files.walk(HOME)) {
      for (Path file :
          files.filter(f -> f.toString().matches(".*src/test/.*Test\\.java")).toList()) {
        tests.put(file.getFileName().toString().replace(".java", ""), Files.readString(file));
      }
    }
    List<String> missing = new ArrayList<>();
    try (Stream<Path> pages = Files.list(HOME.resolve("docs"))) {
      for (Path page : pages.filter(p -> p.toString().endsWith(".md")).toList()) {
        Matcher each = TEST.matcher(Files.readString(page));
        while (each.find()) {
          String text = tests.get(each.group(1));
          if (text == null || each.group(2) != null && !text.contains(" " + each.group(2) + "(")) {
            missing.add(page.getFileName() + ": " + each.group());
          }
        }
      }
    }
    assertThat(missing).isEmpty();
    assertThat(tests).hasSizeGreaterThan(100);
  }

  /**
   * A fresh machine has none of our modules: a command that builds some of them builds all that
   * these need, or says {@code -am}.
   */
  @Test
  void whatACommandBuildsIsWhole() throws IOException {
    String script = Files.readString(HOME.resolve("tekmerion")).replaceAll("\\\\\n\\s*", " ");
    List<String> lists = new ArrayList<>();
    PARTLY.matcher(script).results().forEach(m -> lists.add(m.group(1)));
    MODULES.matcher(script).results().forEach(m -> lists.add(m.group(1)));
    List<String> missing = new ArrayList<>();
    for (String list : lists) {
      Set<String> built = Set.of(list.split(","));
      for (String module : built) {
        String pom = Files.readString(HOME.resolve(module).resolve("pom.xml"));
        OURS.matcher(pom.substring(pom.indexOf("</parent>")))
            .results()
            .map(m -> m.group(1))
            .filter(needed -> !built.contains(needed))
            .forEach(needed -> missing.add("%s needs %s: %s".formatted(module, needed, list)));
      }
    }
    assertThat(missing).isEmpty();
    assertThat(lists).hasSize(4);
  }
}

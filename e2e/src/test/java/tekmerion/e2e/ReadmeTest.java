package tekmerion.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
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
  private static final Pattern LINK = Pattern.compile("\\]\\(([^)#]+)[^)]*\\)");

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
}

package tekmerion.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.ibm.icu.text.MessageFormat;
import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.util.JavacTask;
import com.sun.source.util.TreeScanner;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import javax.tools.JavaCompiler;
import javax.tools.StandardJavaFileManager;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tekmerion.words.Language;
import tekmerion.words.Words;

/** Every place that says a message names one that there is, and hands over what it needs. */
class SaidTest {
  /** Keys that are put together: by an attribute's number, a finding's id, a group's name. */
  private static final Set<String> PUT_TOGETHER = Set.of("attribute", "counted", "place");

  private static final Map<String, String> MESSAGES = Words.all(Language.EN);
  private static final Set<String> WRONG = new TreeSet<>();
  private static final Set<String> NAMED = new TreeSet<>();

  /** What is made of words for a person, and what hands them on. */
  private static final Set<String> READ_BY_PEOPLE =
      Set.of(
          "Fault",
          "Outcome",
          "NotReported",
          "CouldNotRun",
          "MediumError",
          "TimedOut",
          "Gone",
          "NoReleaseException",
          "DestinationException",
          "Locked",
          "Refusal",
          "doubt",
          "couldNot",
          "couldNotRun",
          "refusal",
          "refused",
          "badRequest",
          "notFound",
          "conflict");

  private static final Pattern WORDS = Pattern.compile("\\p{L}{2,}[,:;]? \\p{L}{2,}");
  private static final Set<String> LITERAL = new TreeSet<>();

  @BeforeAll
  static void readTheCode() throws IOException {
    JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
    try (StandardJavaFileManager files = compiler.getStandardFileManager(null, null, null)) {
      List<Path> sources =
          Stream.of("core", "server", "link", "probe", "demo").flatMap(SaidTest::sources).toList();
      JavacTask task =
          (JavacTask)
              compiler.getTask(
                  null, files, null, null, null, files.getJavaFileObjectsFromPaths(sources));
      for (CompilationUnitTree unit : task.parse()) {
        new Places(unit.getSourceFile().getName()).scan(unit, null);
      }
    }
  }

  private static Stream<Path> sources(String module) {
    try (Stream<Path> all = Files.walk(Path.of("..", module, "src", "main", "java"))) {
      return all.filter(path -> path.toString().endsWith(".java")).toList().stream();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static final class Places extends TreeScanner<Void, Void> {
    private final String file;

    Places(String file) {
      this.file = file;
    }

    @Override
    public Void visitLiteral(LiteralTree literal, Void none) {
      if (literal.getValue() instanceof String text) {
        NAMED.add(text);
      }
      return super.visitLiteral(literal, none);
    }

    @Override
    public Void visitNewClass(NewClassTree made, Void none) {
      sentences(made.getIdentifier().toString(), made.getArguments());
      return super.visitNewClass(made, none);
    }

    private void sentences(String taker, List<? extends ExpressionTree> handedOver) {
      if (READ_BY_PEOPLE.contains(taker.substring(taker.lastIndexOf('.') + 1))) {
        handedOver.forEach(argument -> new Sentences(file).scan(argument, null));
      }
    }

    @Override
    public Void visitMethodInvocation(MethodInvocationTree call, Void none) {
      String name = call.getMethodSelect().toString();
      sentences(name, call.getArguments());
      if (name.equals("say")
          && !call.getArguments().isEmpty()
          && call.getArguments().get(0) instanceof LiteralTree key) {
        check(String.valueOf(key.getValue()), call);
      }
      return super.visitMethodInvocation(call, none);
    }

    private void check(String key, MethodInvocationTree call) {
      String message = MESSAGES.get(key);
      Set<String> given = new TreeSet<>();
      for (int i = 1; i < call.getArguments().size(); i += 2) {
        if (call.getArguments().get(i) instanceof LiteralTree name) {
          given.add(String.valueOf(name.getValue()));
        }
      }
      if (message == null || !new MessageFormat(message).getArgumentNames().equals(given)) {
        WRONG.add(file + ": " + key + " " + given);
      }
    }
  }

  /** Literal sentences, but for the keys and names that a message is asked for with. */
  private static final class Sentences extends TreeScanner<Void, Void> {
    private final String file;

    Sentences(String file) {
      this.file = file;
    }

    @Override
    public Void visitLiteral(LiteralTree literal, Void none) {
      if (literal.getValue() instanceof String text && WORDS.matcher(text).find()) {
        LITERAL.add(file + ": " + text);
      }
      return super.visitLiteral(literal, none);
    }
  }

  /** Sentences that people read stand in the bundles, not where they are handed over. */
  @Test
  void noSentenceIsHandedOverInOneLanguage() {
    assertThat(LITERAL).isEmpty();
  }

  @Test
  void whatIsSaidHasAMessageAndGivesItWhatItNeeds() {
    assertThat(WRONG).isEmpty();
    assertThat(NAMED).contains("permit.the-job-is-ended");
  }

  @Test
  void noMessageIsThereThatNobodySays() {
    Set<String> unsaid = new TreeSet<>(MESSAGES.keySet());
    unsaid.removeIf(
        key ->
            NAMED.contains(key)
                || key.startsWith("web.")
                || key.startsWith("knowhow.")
                || PUT_TOGETHER.contains(key.substring(0, key.indexOf('.'))));
    assertThat(unsaid).isEmpty();
  }
}

package tekmerion.server.intake;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import tekmerion.core.finding.Finding;
import tekmerion.core.intake.Heard;
import tekmerion.core.intake.Listener;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Question;
import tekmerion.core.knowhow.Question.Option;
import tekmerion.core.weigh.Weighed;
import tekmerion.core.weigh.Weighing;
import tekmerion.server.knowhow.ShopKnowHow;
import tekmerion.server.weighing.LastOnes;

/** What answers mean: complaint families, findings, what it could be, what to ask next. */
@Component
public class Understanding {
  private static final List<Weighing.Part> ONE_DRIVE =
      List.of(new Weighing.Part("drive-a", "drive", "drive A"));
  private static final String TEXT_FINDINGS = "text.";

  private final ShopKnowHow knowHow;
  private final Listener listener;

  /** Whoever works at the counter asks for the same draft again and again. */
  private final LastOnes<Key, Understood> last = new LastOnes<>(50);

  /**
   * What somebody told, before it is weighed.
   *
   * @param families chosen, or else heard
   */
  public record Told(Heard heard, List<String> families, List<Finding> findings) {}

  /**
   * @param ask open questions, the one that tells most first
   */
  public record Understood(Weighed weighed, List<Ask> ask) {}

  /**
   * @param open findings that each open question asks for
   */
  private record Key(KnowHow knowHow, Told told, Map<String, Set<String>> open) {}

  public record Ask(String question, double bits) {}

  Understanding(ShopKnowHow knowHow) {
    this.knowHow = knowHow;
    // What owners say belongs to what cannot be edited: families, and the words of shipped
    // findings.
    this.listener = new Listener(knowHow.now());
  }

  /** What follows from what was told. */
  public Understood of(Answers answers, Told told) {
    Key key = new Key(knowHow.now(), told, open(answers, told.families()));
    return last.of(key, () -> weighed(key));
  }

  private static Understood weighed(Key key) {
    Told told = key.told();
    Weighed weighed = Weighing.of(key.knowHow(), told.families(), ONE_DRIVE, told.findings());
    return new Understood(weighed, ask(key));
  }

  public Told told(Answers answers) {
    Heard heard = listener.hear(answers.complaintOrEmpty());
    List<String> families =
        answers.families() != null
            ? answers.families()
            : heard.families().stream().map(Heard.Family::id).toList();
    return new Told(heard, families, findings(answers, heard));
  }

  /** In the order in which they are asked where nothing tells more than the other. */
  private Map<String, Set<String>> open(Answers answers, List<String> families) {
    Set<String> unknown = answers.unknown() == null ? Set.of() : new HashSet<>(answers.unknown());
    Map<String, Set<String>> open = new LinkedHashMap<>();
    knowHow.now().questions().stream()
        .filter(q -> q.fits(answers.subjectOrMachine(), families))
        .filter(q -> answers.answered(q.id()) == null && !unknown.contains(q.id()))
        .forEach(q -> open.put(q.id(), q.findings()));
    return open;
  }

  private static List<Ask> ask(Key key) {
    Told told = key.told();
    Map<String, Double> bits =
        Weighing.bits(key.knowHow(), told.families(), ONE_DRIVE, told.findings(), key.open());
    return key.open().keySet().stream()
        .map(question -> new Ask(question, bits.get(question)))
        .sorted(Comparator.comparingDouble(Ask::bits).reversed())
        .toList();
  }

  /** What was answered counts before what was only heard in the words. */
  private List<Finding> findings(Answers answers, Heard heard) {
    Map<String, Finding> findings = new LinkedHashMap<>();
    for (Heard.Said said : heard.findings()) {
      String words = answers.complaintOrEmpty().substring(said.from(), said.to());
      findings.put(
          said.finding(),
          finding(said.finding(), said.level(), say("intake.owner-s-words", "words", words)));
    }
    if (!answers.errorTextOrEmpty().isBlank()) {
      fromErrorText(answers.errorTextOrEmpty(), findings);
    }
    for (Question question : knowHow.now().questions()) {
      List<String> chosen = answers.answered(question.id());
      if (chosen != null) {
        question
            .levels(chosen, knowHow.now())
            .forEach(
                (id, level) -> findings.put(id, finding(id, level, words(question, chosen, id))));
      }
    }
    return new ArrayList<>(findings.values());
  }

  /** A text that was read speaks on every text finding: what it does not name, it does not name. */
  private void fromErrorText(String text, Map<String, Finding> findings) {
    Map<String, String> named =
        listener.hear(text).findings().stream()
            .collect(Collectors.toMap(Heard.Said::finding, Heard.Said::level));
    knowHow.now().findings().stream()
        .filter(kind -> kind.id().startsWith(TEXT_FINDINGS))
        .forEach(
            kind -> {
              String level = named.getOrDefault(kind.id(), kind.levels().get(0));
              boolean names = named.containsKey(kind.id());
              findings.put(
                  kind.id(),
                  finding(
                      kind.id(),
                      level,
                      names
                          ? kind.name() + ": " + say("words.quoted", "text", shortened(text))
                          : say("intake.no", "kind", kind.name())));
            });
  }

  private static String shortened(String text) {
    String line = text.strip().replaceAll("\\s+", " ");
    return line.length() > 80 ? line.substring(0, 79) + "…" : line;
  }

  private String words(Question question, List<String> chosen, String finding) {
    List<String> phrases =
        question.options().stream()
            .filter(o -> chosen.contains(o.id()) && o.findings().containsKey(finding))
            .map(Option::phrase)
            .toList();
    if (phrases.isEmpty()) {
      return say("intake.no-2", "finding", knowHow.now().finding(finding).orElseThrow().name());
    }
    String said = question.says().replace("{answer}", String.join(say("intake.and"), phrases));
    return said.endsWith(".") ? said.substring(0, said.length() - 1) : said;
  }

  private static Finding finding(String id, String level, String words) {
    return new Finding(id, Finding.MACHINE, level, words, Finding.Basis.intake());
  }
}

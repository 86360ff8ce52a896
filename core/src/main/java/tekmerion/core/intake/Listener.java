package tekmerion.core.intake;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import tekmerion.core.intake.Words.Word;
import tekmerion.core.knowhow.KnowHow;

/**
 * Finds the know-how's vocabulary in what an owner says. A phrase is met if its words stand in
 * order with at most two others between them, each spelled the same up to its ending or one slip of
 * the finger, and nothing before it denies it. It offers; a person confirms.
 */
public final class Listener {
  private static final int MAX_BETWEEN = 2;
  private static final Set<String> DENIALS =
      Set.of(
          "no", "not", "never", "without", "doesnt", "dont", "isnt", "didnt", "nt", "none", "ikk",
          "aldri", "uten", "ingen");

  private static final Set<String> DENIALS_BEHIND = Set.of("ikk", "aldri");

  private record Phrase(String target, String level, List<Word> words, boolean denies) {}

  private record Met(int from, int to) {}

  private final List<Phrase> families = new ArrayList<>();
  private final Set<String> vocabulary = new HashSet<>();
  private final List<Phrase> findings = new ArrayList<>();

  public Listener(KnowHow knowHow) {
    knowHow
        .families()
        .forEach(f -> f.words().forEach(words -> families.add(phrase(f.id(), "", words))));
    knowHow
        .findings()
        .forEach(
            finding ->
                finding
                    .levels()
                    .forEach(
                        level ->
                            finding
                                .words()
                                .getOrDefault(level, List.of())
                                .forEach(
                                    words -> findings.add(phrase(finding.id(), level, words)))));
    // What is said in more words is said more exactly: of two levels that one is heard.
    findings.sort(Comparator.comparingInt((Phrase phrase) -> phrase.words().size()).reversed());
    Stream.concat(families.stream(), findings.stream())
        .flatMap(phrase -> phrase.words().stream())
        .forEach(word -> vocabulary.add(word.stem()));
  }

  private static Phrase phrase(String target, String level, String words) {
    List<Word> parts = Words.of(words);
    return new Phrase(target, level, parts, parts.stream().anyMatch(w -> denies(w)));
  }

  private static boolean denies(Word word) {
    return DENIALS.contains(word.stem());
  }

  /** Families and findings in some words. */
  public Heard hear(String text) {
    List<Word> words = Words.of(text);
    Map<String, Heard.Family> heard = new LinkedHashMap<>();
    for (Phrase phrase : families) {
      find(phrase, words)
          .ifPresent(
              met ->
                  heard.merge(
                      phrase.target(),
                      new Heard.Family(phrase.target(), met.from(), met.to()),
                      (a, b) -> a.from() <= b.from() ? a : b));
    }
    Map<String, Heard.Said> said = new LinkedHashMap<>();
    for (Phrase phrase : findings) {
      find(phrase, words)
          .ifPresent(
              met ->
                  said.putIfAbsent(
                      phrase.target(),
                      new Heard.Said(phrase.target(), phrase.level(), met.from(), met.to())));
    }
    return new Heard(
        heard.values().stream().sorted(Comparator.comparingInt(Heard.Family::from)).toList(),
        said.values().stream().sorted(Comparator.comparingInt(Heard.Said::from)).toList());
  }

  private Optional<Met> find(Phrase phrase, List<Word> words) {
    for (int start = 0; start < words.size(); start++) {
      if (!same(phrase.words().get(0), words.get(start)) || isDenied(phrase, words, start)) {
        continue;
      }
      int at = start;
      int next = 1;
      while (next < phrase.words().size()) {
        int found = -1;
        for (int i = at + 1; i < words.size() && i <= at + 1 + MAX_BETWEEN; i++) {
          if (same(phrase.words().get(next), words.get(i))) {
            found = i;
            break;
          }
        }
        if (found < 0) {
          break;
        }
        at = found;
        next++;
      }
      if (next == phrase.words().size() && !isDeniedBehind(phrase, words, at)) {
        return Optional.of(new Met(words.get(start).from(), words.get(at).to()));
      }
    }
    return Optional.empty();
  }

  /** A word that we know as it stands is no slip of another: "keeps" is not "beeps". */
  private boolean same(Word known, Word heard) {
    return known.stem().equals(heard.stem())
        || (known.typed()
            && heard.typed()
            && !vocabulary.contains(heard.stem())
            && Words.alike(known.stem(), heard.stem()));
  }

  /** "Den klikker ikke": Norwegian denies behind the verb. */
  private static boolean isDeniedBehind(Phrase phrase, List<Word> words, int end) {
    return !phrase.denies()
        && end + 1 < words.size()
        && DENIALS_BEHIND.contains(words.get(end + 1).stem());
  }

  private static boolean isDenied(Phrase phrase, List<Word> words, int start) {
    for (int i = Math.max(0, start - 2); i < start && !phrase.denies(); i++) {
      if (denies(words.get(i))) {
        return true;
      }
    }
    return false;
  }
}

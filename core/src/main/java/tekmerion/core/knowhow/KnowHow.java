package tekmerion.core.knowhow;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import tekmerion.core.finding.Finding;
import tekmerion.words.Speaking;
import tekmerion.words.Words;

/** All know-how, checked as a whole: a mistake in the files stops the start, with every mistake. */
public final class KnowHow {
  private static final List<String> MOVE_FILES =
      List.of(
          "first-look.yaml",
          "drive.yaml",
          "memory.yaml",
          "power.yaml",
          "system.yaml",
          "built-in.yaml");
  private static final double SUM_TOLERANCE = 1e-9;

  /** What ships, in each language and manner that was asked for. */
  private static final Map<Speaking, KnowHow> SHIPPED = new ConcurrentHashMap<>();

  private final Map<String, Family> families;
  private final Map<String, Cause> causes;
  private final Map<String, FindingKind> findings;
  private final Map<String, Question> questions;
  private final Map<String, Move> moves;
  private final Map<String, Remedy> remedies;
  private final Set<String> aside;
  private final List<Hazard> hazards;
  private final Tellers tellers;

  /**
   * One that names no hazards.
   *
   * @throws Mistakes if it does not hold together
   */
  public KnowHow(
      List<Family> families,
      List<Cause> causes,
      List<FindingKind> findings,
      List<Question> questions,
      List<Move.File> moves,
      List<Remedy> remedies) {
    this(families, causes, findings, questions, moves, remedies, List.of());
  }

  /**
   * @throws Mistakes if it does not hold together
   */
  public KnowHow(
      List<Family> families,
      List<Cause> causes,
      List<FindingKind> findings,
      List<Question> questions,
      List<Move.File> moves,
      List<Remedy> remedies,
      List<Hazard> hazards) {
    List<String> mistakes = new ArrayList<>();
    this.families = byId(families, Family::id, mistakes);
    this.causes = byId(causes, Cause::id, mistakes);
    List<FindingKind> all = new ArrayList<>(findings);
    moves.forEach(
        file ->
            file.moves()
                .forEach(move -> move.tells().forEach(seen -> all.add(seen.kind(file.source())))));
    this.findings = byId(all, FindingKind::id, mistakes);
    this.questions = byId(questions, Question::id, mistakes);
    causes.forEach(cause -> checkCause(cause, mistakes));
    this.moves =
        byId(moves.stream().flatMap(file -> file.moves().stream()).toList(), Move::id, mistakes);
    this.remedies = byId(remedies, Remedy::id, mistakes);
    this.aside = Set.of();
    this.hazards = List.copyOf(hazards);
    this.tellers = Tellers.of(this.moves.values(), questions, this.findings.values());
    hazards.forEach(hazard -> hazard.check(this, mistakes));
    all.forEach(finding -> checkFinding(finding, mistakes));
    questions.forEach(question -> checkQuestion(question, mistakes));
    new MoveChecks(this, mistakes).check();
    if (!mistakes.isEmpty()) {
      throw new Mistakes(mistakes);
    }
  }

  /** Whether owners tell it: what they saw, heard or read at home. */
  public boolean isSaidByOwner(String finding) {
    return tellers.saidByOwner().contains(finding);
  }

  /**
   * The level of a finding that says that the complaint did not come; empty if it asks for none.
   */
  public Optional<String> goneLevel(String finding) {
    return Optional.ofNullable(tellers.goneLevels().get(finding));
  }

  /** Whether somebody looks and types it, so that a slip can be in it; the probe makes none. */
  public boolean isSeenByHand(String finding) {
    return tellers.seenByHand().contains(finding);
  }

  /** What ships with the product, in the language that is spoken. */
  public static KnowHow shipped() {
    return SHIPPED.computeIfAbsent(Words.speaking(), speaking -> load());
  }

  private static KnowHow load() {
    return new KnowHow(
        read("families.yaml", Family[].class),
        read("causes.yaml", Cause[].class),
        read("findings.yaml", FindingKind[].class),
        read("questions.yaml", Question[].class),
        moveFiles(),
        read("remedies.yaml", Remedy[].class),
        read("hazards.yaml", Hazard[].class));
  }

  /**
   * The same know-how with a shop's own edits, later ones over earlier ones.
   *
   * @throws Mistakes if it does not hold together then
   */
  public KnowHow with(List<Edit.Noted> edits) {
    List<String> mistakes = new ArrayList<>();
    Entries entries = new Entries(this);
    edits.forEach(edit -> entries.apply(edit, this, mistakes));
    if (!mistakes.isEmpty()) {
      throw new Mistakes(mistakes);
    }
    return new KnowHow(this, entries);
  }

  /**
   * The same know-how with other priors and likelihoods: to see what a conclusion hangs on.
   *
   * @throws Mistakes if it does not hold together then
   */
  public KnowHow withNumbers(UnaryOperator<Cause> priors, UnaryOperator<FindingKind> likelihoods) {
    Entries entries = new Entries(this);
    entries.causes.replaceAll((id, cause) -> priors.apply(cause));
    entries.findings.replaceAll((id, finding) -> likelihoods.apply(finding));
    return new KnowHow(this, entries);
  }

  private KnowHow(KnowHow before, Entries entries) {
    families = before.families;
    questions = before.questions;
    causes = entries.causes;
    findings = entries.findings;
    moves = entries.moves;
    remedies = entries.remedies;
    aside = entries.aside;
    hazards = before.hazards;
    tellers = Tellers.of(moves.values(), before.questions(), findings.values());
    List<String> mistakes = new ArrayList<>();
    causes.values().forEach(cause -> checkCause(cause, mistakes));
    findings.values().forEach(finding -> checkFinding(finding, mistakes));
    new MoveChecks(this, mistakes).check();
    if (!mistakes.isEmpty()) {
      throw new Mistakes(mistakes);
    }
  }

  /** Copies of the tables, to be edited. */
  public static final class Entries {
    final Map<String, Cause> causes;
    final Map<String, FindingKind> findings;
    final Map<String, Move> moves;
    final Map<String, Remedy> remedies;
    final Set<String> aside;

    private Entries(KnowHow of) {
      causes = new LinkedHashMap<>(of.causes);
      findings = new LinkedHashMap<>(of.findings);
      moves = new LinkedHashMap<>(of.moves);
      remedies = new LinkedHashMap<>(of.remedies);
      aside = new HashSet<>(of.aside);
    }

    private void apply(Edit.Noted noted, KnowHow shipped, List<String> mistakes) {
      try {
        noted.edit().apply(this, shipped, noted.because());
      } catch (Edit.NotPossible e) {
        mistakes.add(e.getMessage());
      }
    }
  }

  /** What makes a drive or a battery one that must be spared. */
  public List<Hazard> hazards() {
    return hazards;
  }

  public List<Family> families() {
    return List.copyOf(families.values());
  }

  public List<Cause> causes() {
    return List.copyOf(causes.values());
  }

  public List<FindingKind> findings() {
    return List.copyOf(findings.values());
  }

  public List<Move> moves() {
    return List.copyOf(moves.values());
  }

  /** Moves that are offered; the shop has set the others aside. */
  public List<Move> offered() {
    return moves.values().stream().filter(move -> !aside.contains(move.id())).toList();
  }

  public Optional<Cause> cause(String id) {
    return Optional.ofNullable(causes.get(id));
  }

  public Optional<Remedy> remedy(String id) {
    return Optional.ofNullable(remedies.get(id));
  }

  public Optional<Move> move(String id) {
    return Optional.ofNullable(moves.get(id));
  }

  public List<Remedy> remedies() {
    return List.copyOf(remedies.values());
  }

  /** In the order they are asked if nothing else decides. */
  public List<Question> questions() {
    return List.copyOf(questions.values());
  }

  public Optional<Question> question(String id) {
    return Optional.ofNullable(questions.get(id));
  }

  public Optional<Family> family(String id) {
    return Optional.ofNullable(families.get(id));
  }

  public Optional<FindingKind> finding(String id) {
    return Optional.ofNullable(findings.get(id));
  }

  /** Whether it can be weighed: its kind is known, and so is its level. */
  public boolean knows(Finding finding) {
    return finding(finding.id()).flatMap(kind -> kind.levelIndex(finding.level())).isPresent();
  }

  /** Whether a finding comes from trying a part elsewhere, or another in its place. */
  public boolean isOfSwap(String finding) {
    return moves.values().stream()
        .anyMatch(move -> move.act() == Move.Act.SWAP && move.given().contains(finding));
  }

  /** Why this finding settles by itself that its part is failing; empty if it does not. */
  public Optional<String> decisive(Finding finding) {
    return finding(finding.id()).map(kind -> kind.decisive().get(finding.level()));
  }

  private void checkCause(Cause cause, List<String> mistakes) {
    if (!(cause.dataRisk() >= 0 && cause.dataRisk() <= 1)) {
      mistakes.add(
          "cause %s: data risk %s is no probability".formatted(cause.id(), cause.dataRisk()));
    }
    if (!cause.prior().containsKey(Cause.ANY_FAMILY)) {
      mistakes.add("cause %s has no prior for any family".formatted(cause.id()));
    }
    cause
        .prior()
        .forEach(
            (family, p) -> {
              if (!family.equals(Cause.ANY_FAMILY) && !families.containsKey(family)) {
                mistakes.add("cause %s: no family %s".formatted(cause.id(), family));
              }
              if (!(p > 0 && p < 1)) {
                mistakes.add("cause %s: prior %s is outside (0, 1)".formatted(cause.id(), p));
              }
            });
    checkKinds("cause " + cause.id(), cause.kinds(), mistakes);
    if (findings.values().stream().noneMatch(finding -> finding.links().containsKey(cause.id()))) {
      mistakes.add("cause %s has no finding".formatted(cause.id()));
    }
  }

  /**
   * Kinds of machine that a cause or a move names are levels of the finding that tells the kind.
   */
  void checkKinds(String of, List<String> kinds, List<String> mistakes) {
    List<String> known =
        finding(FindingKind.MACHINE_KIND).map(FindingKind::levels).orElse(List.of());
    kinds.stream()
        .filter(kind -> !known.contains(kind))
        .forEach(kind -> mistakes.add("%s: no kind of machine %s".formatted(of, kind)));
  }

  private void checkFinding(FindingKind finding, List<String> mistakes) {
    if (finding.source() == null || finding.source().isBlank()) {
      mistakes.add("finding %s names no source".formatted(finding.id()));
    }
    if (finding.levels().size() < 2) {
      mistakes.add("finding %s has fewer than two levels".formatted(finding.id()));
    }
    finding
        .words()
        .keySet()
        .forEach(
            level -> {
              if (!finding.levels().contains(level)) {
                mistakes.add("finding %s has words for no level %s".formatted(finding.id(), level));
              }
            });
    for (String level : finding.decisive().keySet()) {
      if (!finding.levels().contains(level)) {
        mistakes.add("finding %s is decisive at no level %s".formatted(finding.id(), level));
      }
    }
    checkDistribution(finding, "leak", finding.leak(), mistakes);
    if (finding.leak().stream().anyMatch(p -> p <= 0)) {
      // A level that cannot leak would make a single odd reading prove a cause beyond all doubt.
      mistakes.add("finding %s: every level must be able to leak".formatted(finding.id()));
    }
    finding
        .links()
        .forEach(
            (cause, levels) -> {
              if (!causes.containsKey(cause)) {
                mistakes.add("finding %s: no cause %s".formatted(finding.id(), cause));
              }
              checkDistribution(finding, cause, levels, mistakes);
            });
  }

  private void checkQuestion(Question question, List<String> mistakes) {
    for (Question.Option option : question.options()) {
      option
          .findings()
          .forEach(
              (finding, level) -> {
                if (!findings.containsKey(finding)
                    || !findings.get(finding).levels().contains(level)) {
                  mistakes.add(
                      "question %s, %s: no finding %s with a level %s"
                          .formatted(question.id(), option.id(), finding, level));
                }
              });
    }
    for (String family : question.families()) {
      if (!families.containsKey(family)) {
        mistakes.add("question %s: no family %s".formatted(question.id(), family));
      }
    }
  }

  private static void checkDistribution(
      FindingKind finding, String of, List<Double> p, List<String> mistakes) {
    double sum = p.stream().mapToDouble(Double::doubleValue).sum();
    boolean inRange = p.stream().allMatch(x -> x >= 0 && x <= 1);
    if (p.size() != finding.levels().size() || !inRange || !(Math.abs(sum - 1) <= SUM_TOLERANCE)) {
      mistakes.add("finding %s, %s: %s is no distribution".formatted(finding.id(), of, p));
    }
  }

  private static <T> Map<String, T> byId(
      List<T> all, Function<T, String> id, List<String> mistakes) {
    Map<String, T> map = new LinkedHashMap<>();
    for (T one : all) {
      if (map.put(id.apply(one), one) != null) {
        mistakes.add("%s stands twice".formatted(id.apply(one)));
      }
    }
    return map;
  }

  private static List<Move.File> moveFiles() {
    return MOVE_FILES.stream()
        .map(name -> KnowHowFiles.read("moves/" + name, Move.File.class))
        .toList();
  }

  private static <T> List<T> read(String file, Class<T[]> type) {
    return List.of(KnowHowFiles.read(file, type));
  }
}

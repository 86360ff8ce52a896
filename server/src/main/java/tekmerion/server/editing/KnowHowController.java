package tekmerion.server.editing;

import static tekmerion.words.Words.say;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.core.decision.Course;
import tekmerion.core.knowhow.Cause;
import tekmerion.core.knowhow.Edit.EntryKind;
import tekmerion.core.knowhow.Family;
import tekmerion.core.knowhow.FindingKind;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.learn.BaseRates;
import tekmerion.core.learn.Learning;
import tekmerion.core.learn.Learning.Proposal;
import tekmerion.core.permit.Invasiveness;
import tekmerion.server.knowhow.KnowHowChange;
import tekmerion.server.knowhow.KnowHowChanges;
import tekmerion.server.knowhow.ShopKnowHow;
import tekmerion.server.person.Person;
import tekmerion.server.person.Role;
import tekmerion.server.problem.Refusal;

/** The know-how to read and search, and what the shop's own jobs propose. */
@RestController
@RequestMapping("/api/know-how")
class KnowHowController {
  private final ShopKnowHow knowHow;
  private final ProvenJobs jobs;
  private final KnowHowChanges changes;
  private final KnowHowEdits edits;

  /**
   * @param judged how many findings rest on judgement alone
   */
  @Schema(name = "KnowHowView")
  record View(
      int judged,
      int signsInAll,
      List<CauseLine> causes,
      List<FindingLine> findings,
      List<MoveLine> moves,
      List<RemedyLine> remedies) {}

  @Schema(name = "KnownCause")
  record CauseLine(String id, String name, String partKind, int version) {}

  /**
   * @param source where its numbers come from
   * @param links by the cause's name, by level
   */
  @Schema(name = "KnownFinding")
  record FindingLine(
      String id,
      String name,
      List<String> levels,
      boolean judged,
      int version,
      String source,
      List<Double> leak,
      Map<String, List<Double>> links) {}

  @Schema(name = "KnownMove")
  record MoveLine(
      String id,
      String name,
      String purpose,
      Invasiveness invasiveness,
      String invasivenessWords,
      int handsOn,
      int waiting,
      int version,
      boolean aside) {}

  @Schema(name = "KnownRemedy")
  record RemedyLine(
      String id,
      String name,
      Course course,
      int handsOn,
      int waiting,
      int partsMinutes,
      int ownerMinutes,
      List<String> mends,
      int version) {}

  /**
   * @param signName what is seen
   * @param levels ids, in order of the numbers
   * @param now link that is weighed by
   * @param expected what it lets expect among jobs of the cause
   * @param seen how often each level was seen
   */
  @Schema(name = "LikelihoodProposal")
  record ProposalView(
      String finding,
      String signName,
      String cause,
      String causeName,
      int jobs,
      List<String> levels,
      List<Double> now,
      List<Double> expected,
      List<Integer> seen,
      List<Double> proposed) {}

  /**
   * How often a cause was behind a complaint, against the table.
   *
   * @param expected jobs by the table, older ones counting less
   * @param now probability before any finding
   */
  @Schema(name = "RateOfFamily")
  record RateLine(
      String family,
      String familyName,
      double expected,
      double seen,
      double now,
      double proposed) {}

  /**
   * @param times the table's rate over all complaints
   * @param version of the cause's entry
   * @param change what would put it in force
   */
  @Schema(name = "RateProposal")
  record RateView(
      String cause,
      String causeName,
      double times,
      List<RateLine> families,
      int version,
      KnowHowChange change) {}

  @Schema(name = "LearntView")
  record Learnt(
      int provenJobs, List<ProposalView> proposals, List<RateView> rates, List<Decided> decided) {}

  /** A likelihood that was taken over from the shop's jobs, and why. */
  @Schema(name = "OwnLikelihood")
  record Decided(
      String finding,
      String signName,
      String cause,
      String causeName,
      List<Double> link,
      @Schema(nullable = true) Integer jobs,
      String reason,
      String by,
      Instant at) {
    /** Whether the jobs behind a proposal are nearly all the ones that were decided on here. */
    boolean restsOn(Proposal p) {
      return finding.equals(p.finding())
          && cause.equals(p.cause())
          && jobs != null
          && p.jobs() < jobs + Learning.MIN_JOBS;
    }
  }

  /**
   * @param reason why the shop trusts its own jobs here
   */
  record TakeOver(
      @NotBlank @Size(max = 60) String finding,
      @NotBlank @Size(max = 60) String cause,
      @NotBlank @Size(max = 500) String reason) {}

  KnowHowController(
      ShopKnowHow knowHow, ProvenJobs jobs, KnowHowChanges changes, KnowHowEdits edits) {
    this.knowHow = knowHow;
    this.jobs = jobs;
    this.changes = changes;
    this.edits = edits;
  }

  /**
   * @param text words that must all stand in a line; empty for everything
   */
  @GetMapping
  View view(@RequestParam(defaultValue = "") @Size(max = 200) String text) {
    KnowHow now = knowHow.now();
    Versions versions = new Versions(changes.versions());
    List<FindingKind> findings = now.findings();
    return new View(
        (int) findings.stream().filter(FindingKind::isJudged).count(),
        findings.size(),
        now.causes().stream()
            .filter(c -> has(text, c.id(), c.name()))
            .map(
                c ->
                    new CauseLine(
                        c.id(), c.name(), c.partKind(), versions.of(EntryKind.CAUSE, c.id())))
            .toList(),
        findings.stream()
            .filter(s -> has(text, s.id(), s.name(), String.join(" ", s.links().keySet())))
            .map(
                s ->
                    new FindingLine(
                        s.id(),
                        s.name(),
                        s.levels(),
                        s.isJudged(),
                        versions.of(EntryKind.FINDING, s.id()),
                        s.source(),
                        s.leak(),
                        byName(s.links())))
            .toList(),
        now.moves().stream()
            .filter(m -> has(text, m.id(), m.name(), m.purpose()))
            .map(
                m ->
                    new MoveLine(
                        m.id(),
                        m.named(say("editing.the-part")),
                        m.purpose(),
                        m.invasiveness(),
                        m.invasiveness().words(),
                        m.handsOnMinutes(),
                        m.waitingMinutes(),
                        versions.of(EntryKind.MOVE, m.id()),
                        !now.offered().contains(m)))
            .toList(),
        now.remedies().stream()
            .filter(r -> has(text, r.id(), r.name(), String.join(" ", r.cures().keySet())))
            .map(
                r ->
                    new RemedyLine(
                        r.id(),
                        r.name(),
                        r.course(),
                        r.minutes().get(0),
                        r.minutes().get(1),
                        r.parts(),
                        r.owner(),
                        r.cures().keySet().stream().map(this::nameOf).sorted().toList(),
                        versions.of(EntryKind.REMEDY, r.id())))
            .toList());
  }

  /** How often each entry was changed. */
  private record Versions(Map<EntryKind, Map<String, Integer>> all) {
    int of(EntryKind subject, String id) {
      return all.getOrDefault(subject, Map.of()).getOrDefault(id, 0);
    }
  }

  private Map<String, List<Double>> byName(Map<String, List<Double>> links) {
    Map<String, List<Double>> named = new TreeMap<>();
    links.forEach((cause, link) -> named.put(nameOf(cause), link));
    return named;
  }

  private String nameOf(String cause) {
    return knowHow.now().cause(cause).map(Cause::name).orElse(cause);
  }

  private static boolean has(String text, String... where) {
    String all = String.join(" ", where).toLowerCase(Locale.ROOT);
    return List.of(text.strip().toLowerCase(Locale.ROOT).split("\\s+")).stream()
        .allMatch(all::contains);
  }

  @GetMapping("/learnt")
  @Transactional(readOnly = true)
  Learnt learnt(@AuthenticationPrincipal Person person) {
    person.must(Role.LEAD);
    var proven = jobs.all();
    List<Decided> decided =
        changes.all().stream()
            .filter(c -> c.change().what() == KnowHowChange.What.LIKELIHOOD)
            .map(
                c ->
                    new Decided(
                        c.entry(),
                        signName(c.entry()),
                        c.change().likelihood().cause(),
                        nameOf(c.change().likelihood().cause()),
                        c.change().likelihood().link(),
                        c.change().likelihood().jobs(),
                        c.reason(),
                        c.by(),
                        c.at()))
            .toList();
    return new Learnt(
        proven.size(),
        Learning.of(knowHow.now(), proven).stream()
            .filter(p -> decided.stream().noneMatch(d -> d.restsOn(p)))
            .map(this::view)
            .toList(),
        BaseRates.of(knowHow.now(), proven).stream().map(this::view).toList(),
        decided);
  }

  private String familyName(String id) {
    return knowHow.now().families().stream()
        .filter(f -> f.id().equals(id))
        .map(Family::name)
        .findFirst()
        .orElse(id.equals(Cause.ANY_FAMILY) ? say("editing.any-complaint") : id);
  }

  private RateView view(BaseRates.Proposal p) {
    Cause cause = knowHow.now().cause(p.cause()).orElseThrow();
    return new RateView(
        p.cause(),
        cause.name(),
        p.times(),
        p.families().stream()
            .map(
                f ->
                    new RateLine(
                        f.family(),
                        familyName(f.family()),
                        f.expected(),
                        f.seen(),
                        f.now(),
                        f.proposed()))
            .toList(),
        changes.of(EntryKind.CAUSE, p.cause()).size(),
        KnowHowChange.howCommon(cause, p.prior(cause)));
  }

  private String signName(String finding) {
    return knowHow.now().finding(finding).map(FindingKind::name).orElse(finding);
  }

  private ProposalView view(Proposal p) {
    return new ProposalView(
        p.finding(),
        signName(p.finding()),
        p.cause(),
        nameOf(p.cause()),
        p.jobs(),
        knowHow.now().finding(p.finding()).map(FindingKind::levels).orElse(List.of()),
        p.now(),
        p.expected(),
        p.seen(),
        p.proposed());
  }

  /**
   * Takes over what the jobs propose now; what they proposed when the page was loaded may be older.
   *
   * @throws Refusal 409 if they propose nothing for that finding and cause
   */
  @PostMapping("/likelihoods")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void takeOver(@Valid @RequestBody TakeOver wanted, @AuthenticationPrincipal Person by) {
    by.must(Role.LEAD);
    Proposal proposal =
        Learning.of(knowHow.now(), jobs.all()).stream()
            .filter(p -> p.finding().equals(wanted.finding()) && p.cause().equals(wanted.cause()))
            .findFirst()
            .orElseThrow(
                () ->
                    Refusal.notPossibleNow(
                        say("editing.the-jobs-propose-nothing-for-that"),
                        say("editing.load-the-page-again")));
    edits.keep(
        KnowHowChange.likelihood(
            proposal.finding(), proposal.cause(), proposal.proposed(), proposal.jobs()),
        changes.of(EntryKind.FINDING, proposal.finding()).size(),
        say(
            "editing.jobs-of-this-shop",
            "jobs",
            proposal.jobs(),
            "reason",
            wanted.reason().strip()),
        by);
  }
}

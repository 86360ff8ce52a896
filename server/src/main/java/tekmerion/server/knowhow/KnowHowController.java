package tekmerion.server.knowhow;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.ArrayList;
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
import tekmerion.core.knowhow.Cause;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Move;
import tekmerion.core.knowhow.SignKind;
import tekmerion.core.learn.Learning;
import tekmerion.core.learn.Learning.Proposal;
import tekmerion.server.account.Person;
import tekmerion.server.account.Role;
import tekmerion.server.problem.Refusal;

/** The know-how to read and search, and what the shop's own jobs propose. */
@RestController
@RequestMapping("/api/know-how")
class KnowHowController {
  private final KnowHow knowHow;
  private final ProvenJobs jobs;
  private final OwnLikelihoods own;

  /**
   * @param judged how many signs rest on judgement alone
   */
  @Schema(name = "KnowHowView")
  record View(
      int judged,
      int signsInAll,
      List<CauseLine> causes,
      List<SignLine> signs,
      List<MoveLine> moves) {}

  @Schema(name = "KnownCause")
  record CauseLine(String id, String name, String partKind) {}

  /**
   * @param source where its numbers come from
   * @param links by the cause's name, by level
   */
  @Schema(name = "KnownSign")
  record SignLine(
      String id,
      String name,
      List<String> levels,
      boolean judged,
      String source,
      List<Double> leak,
      Map<String, List<Double>> links) {}

  @Schema(name = "KnownMove")
  record MoveLine(
      String id,
      String name,
      String purpose,
      int touch,
      String touchWords,
      int handsOn,
      int waiting) {}

  /**
   * @param signName what is seen
   * @param levels ids, in order of the numbers
   * @param now link that is weighed by
   * @param expected what it lets expect among jobs of the cause
   * @param seen how often each level was seen
   */
  @Schema(name = "LikelihoodProposal")
  record ProposalView(
      String sign,
      String signName,
      String cause,
      String causeName,
      int jobs,
      List<String> levels,
      List<Double> now,
      List<Double> expected,
      List<Integer> seen,
      List<Double> proposed) {}

  @Schema(name = "LearntView")
  record Learnt(
      int provenJobs, List<ProposalView> proposals, List<OwnLikelihoods.Decided> decided) {}

  /**
   * @param reason why the shop trusts its own jobs here
   */
  record TakeOver(
      @NotBlank @Size(max = 60) String sign,
      @NotBlank @Size(max = 60) String cause,
      @NotBlank @Size(max = 500) String reason) {}

  KnowHowController(KnowHow knowHow, ProvenJobs jobs, OwnLikelihoods own) {
    this.knowHow = knowHow;
    this.jobs = jobs;
    this.own = own;
  }

  /**
   * @param text words that must all stand in a line; empty for everything
   */
  @GetMapping
  View view(@RequestParam(defaultValue = "") @Size(max = 200) String text) {
    List<SignKind> signs = knowHow.signs();
    return new View(
        (int) signs.stream().filter(SignKind::isJudged).count(),
        signs.size(),
        knowHow.causes().stream()
            .filter(c -> has(text, c.id(), c.name()))
            .map(c -> new CauseLine(c.id(), c.name(), c.partKind()))
            .toList(),
        signs.stream()
            .filter(s -> has(text, s.id(), s.name(), String.join(" ", s.links().keySet())))
            .map(
                s ->
                    new SignLine(
                        s.id(),
                        s.name(),
                        s.levels(),
                        s.isJudged(),
                        s.source(),
                        s.leak(),
                        byName(s.links())))
            .toList(),
        knowHow.moves().stream()
            .filter(m -> has(text, m.id(), m.name(), m.purpose()))
            .map(KnowHowController::line)
            .toList());
  }

  private static MoveLine line(Move move) {
    return new MoveLine(
        move.id(),
        move.named("the part"),
        move.purpose(),
        move.touch(),
        move.touches().words(),
        move.handsOnMinutes(),
        move.waitingMinutes());
  }

  private Map<String, List<Double>> byName(Map<String, List<Double>> links) {
    Map<String, List<Double>> named = new TreeMap<>();
    links.forEach((cause, link) -> named.put(nameOf(cause), link));
    return named;
  }

  private String nameOf(String cause) {
    return knowHow.causes().stream()
        .filter(c -> c.id().equals(cause))
        .map(Cause::name)
        .findFirst()
        .orElse(cause);
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
    List<OwnLikelihoods.Decided> decided = new ArrayList<>(own.decided());
    return new Learnt(
        proven.size(),
        Learning.of(knowHow, proven).stream()
            .filter(
                p ->
                    decided.stream()
                        .noneMatch(
                            d ->
                                !d.inForce()
                                    && d.sign().equals(p.sign())
                                    && d.cause().equals(p.cause())))
            .map(this::view)
            .toList(),
        decided);
  }

  private ProposalView view(Proposal p) {
    return new ProposalView(
        p.sign(),
        knowHow.sign(p.sign()).map(SignKind::name).orElse(p.sign()),
        p.cause(),
        nameOf(p.cause()),
        p.jobs(),
        knowHow.sign(p.sign()).map(SignKind::levels).orElse(List.of()),
        p.now(),
        p.expected(),
        p.seen(),
        p.proposed());
  }

  /**
   * Takes over what the jobs propose now; what they proposed when the page was loaded may be older.
   *
   * @throws Refusal 409 if they propose nothing for that sign and cause
   */
  @PostMapping("/likelihoods")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Transactional
  void takeOver(@Valid @RequestBody TakeOver wanted, @AuthenticationPrincipal Person by) {
    by.must(Role.LEAD);
    Proposal proposal =
        Learning.of(knowHow, jobs.all()).stream()
            .filter(p -> p.sign().equals(wanted.sign()) && p.cause().equals(wanted.cause()))
            .findFirst()
            .orElseThrow(
                () ->
                    Refusal.notPossibleNow(
                        "The jobs propose nothing for that any more.", "Load the page again."));
    own.keep(
        proposal.sign(),
        proposal.cause(),
        proposal.proposed(),
        proposal.jobs(),
        wanted.reason().strip(),
        by);
  }
}

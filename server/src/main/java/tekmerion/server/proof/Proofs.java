package tekmerion.server.proof;

import static tekmerion.words.Words.say;

import io.swagger.v3.oas.annotations.media.Schema;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.finding.Finding;
import tekmerion.core.permit.Action;
import tekmerion.core.permit.Permissions;
import tekmerion.core.permit.Proven;
import tekmerion.core.proof.Proof;
import tekmerion.server.decision.DecisionService;
import tekmerion.server.decision.DecisionService.DecisionView;
import tekmerion.server.job.Job;
import tekmerion.server.job.JobFinding;
import tekmerion.server.job.JobFindings;
import tekmerion.server.job.JobLock;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.job.Tell;
import tekmerion.server.knowhow.ShopKnowHow;
import tekmerion.server.permit.JobPermissions;
import tekmerion.server.person.Person;
import tekmerion.server.person.Role;
import tekmerion.server.problem.Refusal;
import tekmerion.server.weighing.WeighingService;
import tekmerion.words.Speaking;
import tekmerion.words.Words;

/** Counts trials after a decision that mends, and keeps the gate before the hand-back. */
@Service
public class Proofs {
  /** What an owner signs; kept with the signature as it was shown. */
  public static String waiverWording() {
    return say("proof.i-take-the-machine-as-it");
  }

  /** Level of a finding that tries the complaint; one that has none becomes unknown again. */
  private static final String AS_IT_WAS = "same";

  private final JobLock lock;
  private final DecisionService decisions;
  private final JobPermissions permissions;
  private final JobFindings findings;
  private final WeighingService weighing;
  private final ShopKnowHow knowHow;
  private final Tell tell;
  private final JdbcClient jdbc;
  private final Clock clock;

  /**
   * @param proven how far it is shown
   * @param clean trials without a failure since the decision, or since the last failure
   * @param needed clean trials that are needed
   * @param confidence of the last of them, [0, 1]
   * @param words why so many
   * @param signedBy the owner who takes it without proof; null if nobody signed
   * @param waiver what the owner would sign
   */
  @Schema(name = "Proof")
  public record ProofView(
      Proven proven,
      int clean,
      int needed,
      double confidence,
      String words,
      @Schema(nullable = true) String signedBy,
      String waiver) {}

  Proofs(
      JobLock lock,
      DecisionService decisions,
      JobPermissions permissions,
      JobFindings findings,
      WeighingService weighing,
      ShopKnowHow knowHow,
      Tell tell,
      JdbcClient jdbc,
      Clock clock) {
    this.lock = lock;
    this.decisions = decisions;
    this.permissions = permissions;
    this.findings = findings;
    this.weighing = weighing;
    this.knowHow = knowHow;
    this.tell = tell;
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /** Empty if the last decision mends nothing, or there is none. */
  @Transactional(readOnly = true)
  public Optional<ProofView> of(Job job) {
    return mending(job)
        .map(
            decision -> {
              Proof.Standing standing = standing(job, decision);
              return new ProofView(
                  standing.proven(),
                  standing.clean(),
                  standing.needed().trials(),
                  standing.needed().confidence(),
                  words(job, standing),
                  signer(decision.id()).orElse(null),
                  waiverWording());
            });
  }

  /**
   * @throws Refusal 409 if nothing was decided that mends
   */
  @Transactional
  public void tried(String number, long version, boolean failed, String note, Person by) {
    by.must(Role.TECHNICIAN, Role.LEAD);
    Job job = lock.forChange(number, version);
    DecisionView decision = mustMend(job);
    jdbc.sql(
            "INSERT INTO job_trial (job_id, decision_id, failed, note, tried_by, tried_at)"
                + " VALUES (?, ?, ?, ?, ?, ?)")
        .params(
            job.id(), decision.id(), failed, note.strip(), by.id(), Timestamp.from(clock.instant()))
        .update();
    if (failed) {
      job.contradicted(Words.kept(() -> say("proof.it-failed-again-after-it-was")));
      Words.in(
          Speaking.IN_CODES,
          () -> {
            itIsBack(job);
            return null;
          });
    }
    String counted = standing(job, decision).counted();
    tell.journal(
        job,
        JournalEntry.Kind.CHECK,
        () ->
            failed
                ? say("proof.tried-it-failed-again")
                : say("proof.tried-clean", "counted", counted),
        () -> failed && note.isBlank() ? say("proof.contradicts-what-was-decided") : note.strip(),
        by);
  }

  /** What was seen to mend it did not: the complaint can be tried on other things again. */
  private void itIsBack(Job job) {
    for (Finding finding : findings.standing(job.id())) {
      knowHow.now().moves().stream()
          .flatMap(move -> move.tells().stream())
          .filter(asked -> asked.id().equals(finding.id()) && asked.isMended(finding.level()))
          .findFirst()
          .ifPresent(
              asked ->
                  findings.save(
                      JobFinding.ofMove(
                          job.id(),
                          finding.part(),
                          finding.id(),
                          asked.levels().containsKey(AS_IT_WAS) ? AS_IT_WAS : null,
                          say("proof.gone-at-first-then-it-came", "asked", asked.name()),
                          clock.instant())));
    }
    weighing.reweigh(job);
  }

  /**
   * Keeps the owner's signature to take it without proof.
   *
   * @throws Refusal 400 without a name, 409 if there is nothing to prove
   */
  @Transactional
  public void waive(String number, long version, String signer, Person by) {
    Job job = lock.forChange(number, version);
    DecisionView decision = mustMend(job);
    if (signer.isBlank()) {
      throw Refusal.badRequest(
          say("proof.taking-it-without-proof-needs-the"),
          say("proof.have-the-owner-type-their-name"));
    }
    jdbc.sql(
            "INSERT INTO proof_waiver (job_id, decision_id, signer, wording, set_by, set_at)"
                + " VALUES (?, ?, ?, ?, ?, ?)")
        .params(
            job.id(),
            decision.id(),
            signer.strip(),
            waiverWording(),
            by.id(),
            Timestamp.from(clock.instant()))
        .update();
    tell.journal(
        job,
        JournalEntry.Kind.CHECK,
        () -> say("proof.owner-takes-it-without-proof"),
        () -> say("proof.signed-by", "signer", signer.strip(), "waiver", waiverWording()),
        by);
  }

  /**
   * @param unsaid steps that took a drive out of which nobody said what became of it
   * @throws Refusal 423 while there is one, or it is not shown that the complaint is gone
   */
  @Transactional(readOnly = true)
  public void mustLetGo(Job job, List<String> unsaid) {
    Optional<DecisionView> decision = mending(job);
    Proven proven = decision.map(r -> standing(job, r).proven()).orElse(Proven.NOT_NEEDED);
    boolean signed = decision.flatMap(r -> signer(r.id())).isPresent();
    Permissions.of(permissions.of(job).at().with(proven, signed))
        .of(new Action.HandBack(unsaid))
        .locked()
        .ifPresent(
            locked -> {
              throw Refusal.locked(locked);
            });
  }

  private Optional<DecisionView> mending(Job job) {
    return decisions.of(job).stream()
        .filter(r -> !r.fromElsewhere())
        .findFirst()
        .filter(r -> r.courses().stream().anyMatch(c -> c.course().mends()));
  }

  private DecisionView mustMend(Job job) {
    return mending(job)
        .orElseThrow(
            () ->
                Refusal.notPossibleNow(
                    say("proof.nothing-was-decided-that-mends-the"),
                    say("proof.sign-a-decision-first")));
  }

  private Proof.Standing standing(Job job, DecisionView decision) {
    List<Boolean> failed =
        jdbc.sql("SELECT failed FROM job_trial WHERE decision_id = ? ORDER BY id")
            .param(decision.id())
            .query(Boolean.class)
            .list();
    return Proof.standing(Proof.ofComplaint(often(job)), failed);
  }

  private Optional<String> often(Job job) {
    return findings.standing(job.id()).stream()
        .filter(finding -> finding.id().equals("often"))
        .map(Finding::level)
        .findFirst();
  }

  private Optional<String> signer(long decisionId) {
    return jdbc.sql(
            "SELECT signer FROM proof_waiver WHERE decision_id = ? ORDER BY id DESC LIMIT 1")
        .param(decisionId)
        .query(String.class)
        .optional();
  }

  private String words(Job job, Proof.Standing standing) {
    String came =
        switch (often(job).orElse("")) {
          case "always" -> say("proof.it-came-every-time");
          case "most-days" -> say("proof.it-came-most-days");
          case "now-and-then" -> say("proof.it-came-now-and-then");
          default -> say("proof.nobody-knows-how-often-it-came");
        };
    return say(
        "proof.clean-trials-show-with-in-100",
        "came",
        came,
        "trials",
        standing.needed().trials(),
        "confidence",
        100 * standing.needed().confidence());
  }
}

package tekmerion.server.proof;

import io.swagger.v3.oas.annotations.media.Schema;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.permit.Action;
import tekmerion.core.permit.Permissions;
import tekmerion.core.permit.Proven;
import tekmerion.core.proof.Proof;
import tekmerion.core.sign.Sign;
import tekmerion.server.account.Person;
import tekmerion.server.account.Role;
import tekmerion.server.job.Job;
import tekmerion.server.job.JobLock;
import tekmerion.server.job.JobSign;
import tekmerion.server.job.JobSigns;
import tekmerion.server.job.Tell;
import tekmerion.server.job.TraceEntry;
import tekmerion.server.knowhow.ShopKnowHow;
import tekmerion.server.permit.JobPermissions;
import tekmerion.server.problem.Refusal;
import tekmerion.server.ruling.RulingService;
import tekmerion.server.ruling.RulingService.RulingView;
import tekmerion.server.weighing.WeighingService;

/** Counts trials after a ruling that mends, and keeps the gate before the hand-back. */
@Service
public class Proofs {
  /** What an owner signs; kept with the signature as it was shown. */
  public static final String WAIVER =
      "I take the machine as it is. I know that it was not shown that the fault is gone.";

  /** Level of a sign that tries the complaint; one that has none becomes unknown again. */
  private static final String AS_IT_WAS = "same";

  private final JobLock lock;
  private final RulingService rulings;
  private final JobPermissions permissions;
  private final JobSigns signs;
  private final WeighingService weighing;
  private final ShopKnowHow knowHow;
  private final Tell tell;
  private final JdbcClient jdbc;
  private final Clock clock;

  /**
   * @param proven how far it is shown
   * @param clean trials without a failure since the ruling, or since the last failure
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
      RulingService rulings,
      JobPermissions permissions,
      JobSigns signs,
      WeighingService weighing,
      ShopKnowHow knowHow,
      Tell tell,
      JdbcClient jdbc,
      Clock clock) {
    this.lock = lock;
    this.rulings = rulings;
    this.permissions = permissions;
    this.signs = signs;
    this.weighing = weighing;
    this.knowHow = knowHow;
    this.tell = tell;
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /** Empty if the last ruling mends nothing, or there is none. */
  @Transactional(readOnly = true)
  public Optional<ProofView> of(Job job) {
    return mending(job)
        .map(
            ruling -> {
              Proof.Standing standing = standing(job, ruling);
              return new ProofView(
                  standing.proven(),
                  standing.clean(),
                  standing.needed().trials(),
                  standing.needed().confidence(),
                  words(job, standing),
                  signer(ruling.id()).orElse(null),
                  WAIVER);
            });
  }

  /**
   * @throws Refusal 409 if nothing was ruled that mends
   */
  @Transactional
  public void tried(String number, long version, boolean failed, String note, Person by) {
    by.must(Role.TECHNICIAN, Role.LEAD);
    Job job = lock.forChange(number, version);
    RulingView ruling = mustMend(job);
    jdbc.sql(
            "INSERT INTO job_trial (job_id, ruling_id, failed, note, tried_by, tried_at)"
                + " VALUES (?, ?, ?, ?, ?, ?)")
        .params(
            job.id(), ruling.id(), failed, note.strip(), by.id(), Timestamp.from(clock.instant()))
        .update();
    if (failed) {
      job.contradicted("It failed again after it was mended.");
      itIsBack(job);
    }
    String counted = standing(job, ruling).counted();
    tell.trace(
        job,
        TraceEntry.Kind.CHECK,
        failed ? "Tried: it failed again" : "Tried: clean, " + counted,
        failed && note.isBlank() ? "contradicts what was ruled" : note.strip(),
        by);
  }

  /** What was seen to mend it did not: the complaint can be tried on other things again. */
  private void itIsBack(Job job) {
    for (Sign sign : signs.standing(job.id())) {
      knowHow.now().moves().stream()
          .flatMap(move -> move.tells().stream())
          .filter(asked -> asked.id().equals(sign.id()) && asked.isMended(sign.level()))
          .findFirst()
          .ifPresent(
              asked ->
                  signs.save(
                      JobSign.ofMove(
                          job.id(),
                          sign.part(),
                          sign.id(),
                          asked.levels().containsKey(AS_IT_WAS) ? AS_IT_WAS : null,
                          "%s: gone at first, then it came back".formatted(asked.name()),
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
    RulingView ruling = mustMend(job);
    if (signer.isBlank()) {
      throw Refusal.badRequest(
          "Taking it without proof needs the owner's signature.",
          "Have the owner type their name.");
    }
    jdbc.sql(
            "INSERT INTO proof_waiver (job_id, ruling_id, signer, wording, set_by, set_at)"
                + " VALUES (?, ?, ?, ?, ?, ?)")
        .params(
            job.id(), ruling.id(), signer.strip(), WAIVER, by.id(), Timestamp.from(clock.instant()))
        .update();
    tell.trace(
        job,
        TraceEntry.Kind.CHECK,
        "Owner takes it without proof",
        "signed by %s: \"%s\"".formatted(signer.strip(), WAIVER),
        by);
  }

  /**
   * @throws Refusal 423 while it is not shown that the complaint is gone
   */
  @Transactional(readOnly = true)
  public void mustLetGo(Job job) {
    Optional<RulingView> ruling = mending(job);
    Proven proven = ruling.map(r -> standing(job, r).proven()).orElse(Proven.NOT_NEEDED);
    boolean signed = ruling.flatMap(r -> signer(r.id())).isPresent();
    Permissions.of(permissions.of(job).at().with(proven, signed))
        .of(new Action.HandBack())
        .locked()
        .ifPresent(
            locked -> {
              throw Refusal.locked(locked);
            });
  }

  private Optional<RulingView> mending(Job job) {
    return rulings.of(job).stream()
        .filter(r -> !r.fromElsewhere())
        .findFirst()
        .filter(r -> r.courses().stream().anyMatch(c -> c.course().mends()));
  }

  private RulingView mustMend(Job job) {
    return mending(job)
        .orElseThrow(
            () ->
                Refusal.notPossibleNow(
                    "Nothing was ruled that mends the machine.", "Sign a ruling first."));
  }

  private Proof.Standing standing(Job job, RulingView ruling) {
    List<Boolean> failed =
        jdbc.sql("SELECT failed FROM job_trial WHERE ruling_id = ? ORDER BY id")
            .param(ruling.id())
            .query(Boolean.class)
            .list();
    return Proof.standing(Proof.ofComplaint(often(job)), failed);
  }

  private Optional<String> often(Job job) {
    return signs.standing(job.id()).stream()
        .filter(sign -> sign.id().equals("often"))
        .map(Sign::level)
        .findFirst();
  }

  private Optional<String> signer(long rulingId) {
    return jdbc.sql("SELECT signer FROM proof_waiver WHERE ruling_id = ? ORDER BY id DESC LIMIT 1")
        .param(rulingId)
        .query(String.class)
        .optional();
  }

  private String words(Job job, Proof.Standing standing) {
    String came =
        switch (often(job).orElse("")) {
          case "always" -> "It came every time";
          case "most-days" -> "It came most days";
          case "now-and-then" -> "It came now and then";
          default -> "Nobody knows how often it came, so it counts as most days";
        };
    return "%s: %d clean trials show with %.0f in 100 that it is gone."
        .formatted(came, standing.needed().trials(), 100 * standing.needed().confidence());
  }
}

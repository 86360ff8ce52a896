package tekmerion.server.inbox;

import static tekmerion.words.Words.say;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HexFormat;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.link.Enrolment;
import tekmerion.link.LinkCodec;
import tekmerion.link.MachineNote;
import tekmerion.server.account.Attempts;
import tekmerion.server.account.Secrets;
import tekmerion.server.audit.Audit;
import tekmerion.server.bay.Bay;
import tekmerion.server.bay.Bays;
import tekmerion.server.evidence.ReadRequests;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.job.Tell;
import tekmerion.server.person.Person;
import tekmerion.server.probe.Probe;
import tekmerion.server.probe.Probes;
import tekmerion.server.problem.Refusal;
import tekmerion.server.run.ReleaseKeys;
import tekmerion.server.run.Runs;

/** Codes, tokens, revocation. */
@Service
public class EnrolmentService {
  private static final Duration CODE_LIVES = Duration.ofMinutes(15);
  private final Bays bays;
  private final EnrolmentCodes codes;
  private final Probes probes;
  private final ReadRequests requests;
  private final Runs runs;
  private final ReleaseKeys releaseKeys;
  private final Attempts attempts;
  private final Simulated simulated;
  private final Audit audit;
  private final Tell tell;
  private final Clock clock;

  /**
   * @param machine which machine the probe is to be started for, as its option says
   */
  record Code(String code, Instant expiresAt, String machine) {}

  EnrolmentService(
      Bays bays,
      EnrolmentCodes codes,
      Probes probes,
      ReadRequests requests,
      Runs runs,
      ReleaseKeys releaseKeys,
      Attempts attempts,
      Simulated simulated,
      Audit audit,
      Tell tell,
      Clock clock) {
    this.bays = bays;
    this.codes = codes;
    this.probes = probes;
    this.requests = requests;
    this.runs = runs;
    this.releaseKeys = releaseKeys;
    this.attempts = attempts;
    this.simulated = simulated;
    this.audit = audit;
    this.tell = tell;
    this.clock = clock;
  }

  @Transactional
  Code newCode(int bayNumber, Person by) {
    Bay bay = bays.numbered(bayNumber);
    String code = Secrets.newCode();
    Instant expires = clock.instant().plus(CODE_LIVES);
    codes.save(new EnrolmentCode(bay.id(), Secrets.hashOfCode(code), by.id(), expires));
    return new Code(code, expires, simulated.machineForProbes());
  }

  /**
   * @param source where the request comes from, for limiting guesses
   */
  @Transactional(noRollbackFor = Refusal.class)
  Enrolment.Granted enrol(Enrolment.Request request, String source) {
    attempts.count(Attempts.Kind.ENROLMENT, source);
    simulated.refuse(request.machine());
    Instant now = clock.instant();
    EnrolmentCode code =
        codes
            .findByCodeHash(Secrets.hashOfCode(request.code()))
            .filter(c -> c.isGoodAt(now))
            .orElseThrow(
                () ->
                    Refusal.wrongSecret(
                        say(
                            "inbox.this-enrolment-code-is-wrong-used",
                            "codeLives",
                            CODE_LIVES.toMinutes()),
                        say("inbox.ask-for-a-new-code-in")));
    attempts.right(Attempts.Kind.ENROLMENT, source);
    code.use(now);
    return join(
        code.bayId(), request.probeVersion(), request.outboxId(), request.machine(), source);
  }

  /**
   * Makes a probe of a machine that somebody let in; others of the bay are revoked.
   *
   * @param source where the machine is, for the audit log
   */
  @Transactional(propagation = Propagation.MANDATORY)
  public Enrolment.Granted join(
      long bayId, String probeVersion, UUID outboxId, MachineNote machine, String source) {
    Instant now = clock.instant();
    for (Probe old : probes.findByBayIdAndRevokedAtIsNull(bayId)) {
      old.revoke(now);
      requests.giveUp(old.id());
      runs.giveUp(old.id());
    }
    String token = Secrets.newToken();
    Probe probe =
        probes.save(
            new Probe(
                UUID.randomUUID(),
                bayId,
                outboxId,
                Secrets.hash(token),
                probeVersion,
                LinkCodec.encode(machine),
                now,
                probes
                    .findFirstByOutboxIdOrderByEnrolledAtDesc(outboxId)
                    .map(Probe::receivedThrough)
                    .orElse(0L)));
    Bay bay = bays.findById(bayId).orElseThrow();
    audit.of(Audit.Kind.PROBE_ENROLLED, probe.id(), bay.name(), "from " + source);
    told(bay, "inbox.probe-enrolled", "probe");
    tell.floor();
    return new Enrolment.Granted(
        probe.id().toString(),
        token,
        bay.name(),
        HexFormat.of().formatHex(releaseKeys.of(probe.id())));
  }

  /** Takes every probe off a bay; what they sent stays. */
  @Transactional
  List<UUID> revoke(int bayNumber, Person by) {
    Bay bay = bays.numbered(bayNumber);
    List<Probe> active = probes.findByBayIdAndRevokedAtIsNull(bay.id());
    if (active.isEmpty()) {
      throw Refusal.notPossibleNow(
          say("inbox.there-is-no-probe-in", "bay", bay.name()),
          say("inbox.ask-for-an-enrolment-code-instead"));
    }
    Instant now = clock.instant();
    active.forEach(probe -> probe.revoke(now));
    active.forEach(
        probe -> {
          requests.giveUp(probe.id());
          runs.giveUp(probe.id());
        });
    active.forEach(
        probe -> audit.of(Audit.Kind.PROBE_REVOKED, by, bay.name(), "probe " + probe.id()));
    told(bay, "inbox.probe-revoked", by.displayName());
    tell.floor();
    return active.stream().map(Probe::id).toList();
  }

  private void told(Bay bay, String title, String who) {
    if (bay.job() != null) {
      tell.journal(
          bay.job(),
          JournalEntry.Kind.PROBE,
          () -> say(title),
          () -> say("inbox.in-bay", "bay", bay.number()),
          who);
    }
  }
}

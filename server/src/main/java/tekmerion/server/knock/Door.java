package tekmerion.server.knock;

import static tekmerion.words.Words.say;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HexFormat;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionException;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.link.Enrolment;
import tekmerion.link.Knock;
import tekmerion.link.LinkCodec;
import tekmerion.link.MachineNote;
import tekmerion.server.inbox.EnrolmentService;
import tekmerion.server.inbox.Simulated;
import tekmerion.server.live.LiveEvents;
import tekmerion.server.probe.ProbeViews;
import tekmerion.server.problem.Refusal;
import tekmerion.server.tls.OwnCertificate;
import tekmerion.server.transaction.Transactions;

/**
 * Where machines knock. Bounded in all that a stranger could fill: knocks at once, those from one
 * address, how long one is kept.
 */
@Service
class Door {
  private static final Logger LOG = LoggerFactory.getLogger(Door.class);
  static final String LIVE_TOPIC = "knock";
  private static final int MAX_KNOCKS = 60;
  private static final long FORGET_EVERY_MS = 5_000;
  private static final int MAX_FROM_ONE_ADDRESS = 8;

  /** One that nobody answers in this time knocks anew. */
  private static final Duration LONGEST = Duration.ofMinutes(30);

  private final HeardKnocks knocks;
  private final EnrolmentService enrolment;
  private final ProbeViews probes;
  private final Simulated simulated;
  private final OwnCertificate certificate;
  private final LiveEvents live;
  private final Transactions alone;
  private final Clock clock;
  private final SecureRandom random = new SecureRandom();

  Door(
      HeardKnocks knocks,
      EnrolmentService enrolment,
      ProbeViews probes,
      Simulated simulated,
      OwnCertificate certificate,
      LiveEvents live,
      PlatformTransactionManager transactions,
      Clock clock) {
    this.alone = Transactions.ofTheirOwn(transactions);
    this.knocks = knocks;
    this.enrolment = enrolment;
    this.probes = probes;
    this.simulated = simulated;
    this.certificate = certificate;
    this.live = live;
    this.clock = clock;
  }

  /**
   * @throws Refusal 403 for a simulated machine in a real shop, 429 if too many knock
   */
  @Transactional
  Knock.Heard knock(Knock.Request request, String source) {
    simulated.refuse(request.machine());
    Instant now = clock.instant();
    if (knocks.countByStage(Knock.KnockStage.WAITS) >= MAX_KNOCKS
        || knocks.countBySourceAndStage(source, Knock.KnockStage.WAITS) >= MAX_FROM_ONE_ADDRESS) {
      throw Refusal.tooMany(say("knock.too-many-knock"), say("knock.wait-or-type-a-code"));
    }
    byte[] nonce = new byte[Knock.BYTES];
    random.nextBytes(nonce);
    HeardKnock heard =
        knocks.save(
            new HeardKnock(
                HexFormat.of().parseHex(request.commitment()),
                nonce,
                request.probeVersion(),
                request.outboxId(),
                LinkCodec.encode(request.machine()),
                source,
                now));
    return new Knock.Heard(heard.id(), HexFormat.of().formatHex(nonce));
  }

  /**
   * The first time the machine opens its commitment and is seen by people; then it asks what became
   * of it. Let in, it is given its token until it was seen with it: an answer may be lost.
   *
   * @throws Refusal 410 if the knock is over or was another machine's
   */
  @Transactional
  Knock.Answer answer(UUID id, byte[] nonce, String source) {
    if (!knocks.existsById(id)) {
      throw isOver(); // whoever makes ids up locks nothing
    }
    HeardKnock knock = knocks.lockById(id).filter(k -> k.isItsOwn(nonce)).orElseThrow(Door::isOver);
    Instant now = clock.instant();
    if (!knock.isOpened()) {
      knock.open(nonce, Knock.digits(nonce, knock.serverNonce(), certificate.fingerprint()));
      live.changed(LIVE_TOPIC);
    }
    knock.heard(now);
    if (knock.stage() != Knock.KnockStage.LET_IN) {
      return new Knock.Answer(knock.stage(), null);
    }
    if (knock.probeId() != null && probes.wasSeen(knock.probeId())) {
      throw isOver();
    }
    Enrolment.Granted granted =
        enrolment.join(
            knock.bayId(),
            knock.probeVersion(),
            knock.outboxId(),
            LinkCodec.decode(knock.machineNote(), MachineNote.class),
            source);
    knock.joinedAs(UUID.fromString(granted.probeId()));
    return new Knock.Answer(Knock.KnockStage.LET_IN, granted);
  }

  /**
   * Apart from the knocks themselves: two that knock at once must not stand in each other's way.
   */
  @Scheduled(fixedDelay = FORGET_EVERY_MS, initialDelay = FORGET_EVERY_MS)
  void forget() {
    Instant now = clock.instant();
    try {
      alone.executeWithoutResult(
          status -> {
            if (knocks.forget(now.minus(HeardKnock.SILENCE), now.minus(LONGEST)) > 0) {
              live.changed(LIVE_TOPIC);
            }
          });
    } catch (DataAccessException | TransactionException e) {
      LOG.warn("old knocks stay for now: {}", e.getMessage());
    }
  }

  private static Refusal isOver() {
    return Refusal.gone(say("knock.it-is-over"), say("knock.knock-again"));
  }
}

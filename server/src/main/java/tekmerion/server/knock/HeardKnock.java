package tekmerion.server.knock;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.security.MessageDigest;
import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import tekmerion.link.Knock;

/** A machine that knocks. Kept while it asks again, every few seconds, and not much longer. */
@Entity
@Table(name = "knock")
class HeardKnock {
  /** A machine that has not asked for so long is not there any more. */
  static final Duration SILENCE = Duration.ofSeconds(15);

  /** So often it is noted that it asked. */
  private static final Duration NOTED_EVERY = Duration.ofSeconds(4);

  static final int MAX_TRIES = 3;

  @Id private UUID id;
  private byte[] commitment;
  private byte[] serverNonce;
  private byte[] opening;
  private String digits;
  private String probeVersion;
  private UUID outboxId;

  @Column(columnDefinition = "TEXT")
  private String machineNote;

  private String source;
  private Instant knockedAt;
  private Instant heardAt;
  private int tries;

  @Enumerated(EnumType.STRING)
  private Knock.KnockStage stage;

  private Long bayId;
  private UUID probeId;

  protected HeardKnock() {}

  /**
   * @param machineNote as it travelled
   * @param source where it came from
   */
  HeardKnock(
      byte[] commitment,
      byte[] serverNonce,
      String probeVersion,
      UUID outboxId,
      String machineNote,
      String source,
      Instant now) {
    this.id = UUID.randomUUID();
    this.commitment = commitment.clone();
    this.serverNonce = serverNonce.clone();
    this.probeVersion = probeVersion;
    this.outboxId = outboxId;
    this.machineNote = machineNote;
    this.source = source;
    this.knockedAt = now;
    this.heardAt = now;
    this.stage = Knock.KnockStage.WAITS;
  }

  UUID id() {
    return id;
  }

  byte[] serverNonce() {
    return serverNonce.clone();
  }

  String probeVersion() {
    return probeVersion;
  }

  UUID outboxId() {
    return outboxId;
  }

  String machineNote() {
    return machineNote;
  }

  String source() {
    return source;
  }

  Instant knockedAt() {
    return knockedAt;
  }

  Knock.KnockStage stage() {
    return stage;
  }

  /**
   * @throws IllegalStateException if it was not let in
   */
  long bayId() {
    if (bayId == null) {
      throw new IllegalStateException("It was not let in");
    }
    return bayId;
  }

  UUID probeId() {
    return probeId;
  }

  boolean isOpened() {
    return opening != null;
  }

  /** Whether this is the number that the machine committed itself to. */
  boolean isItsOwn(byte[] nonce) {
    return MessageDigest.isEqual(commitment, Knock.commitment(nonce));
  }

  void open(byte[] nonce, String itsDigits) {
    opening = nonce.clone();
    digits = itsDigits;
  }

  /** It asked again. */
  void heard(Instant now) {
    if (heardAt.plus(NOTED_EVERY).isBefore(now)) {
      heardAt = now;
    }
  }

  /** Whether somebody at the machine can let it in now. */
  boolean waitsAt(Instant now) {
    return isOpened() && stage == Knock.KnockStage.WAITS && heardAt.plus(SILENCE).isAfter(now);
  }

  /**
   * Compares what somebody read from its screen; turned away after too many that were wrong.
   *
   * @return whether they are its digits
   */
  boolean areItsDigits(String typed) {
    tries++;
    boolean same = typed.replaceAll("\\D", "").equals(digits);
    if (!same && tries >= MAX_TRIES) {
      stage = Knock.KnockStage.TURNED_AWAY;
    }
    return same;
  }

  int triesLeft() {
    return MAX_TRIES - tries;
  }

  void letIn(long bay) {
    bayId = bay;
    stage = Knock.KnockStage.LET_IN;
  }

  void turnAway() {
    stage = Knock.KnockStage.TURNED_AWAY;
  }

  void joinedAs(UUID probe) {
    probeId = probe;
  }
}

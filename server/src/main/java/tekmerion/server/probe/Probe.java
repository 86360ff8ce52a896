package tekmerion.server.probe;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.DynamicUpdate;

/** A probe that was enrolled. Its token is known only by its hash. */
@Entity
@DynamicUpdate // two who change different things at once must not undo each other
public class Probe {
  @Id private UUID id;
  private Long bayId;
  private UUID outboxId;
  private byte[] tokenHash;
  private String probeVersion;

  @Column(columnDefinition = "TEXT")
  private String machineNote;

  private Instant enrolledAt;
  private Instant revokedAt;
  private Instant lastSeenAt;
  private boolean online;
  private long receivedThrough;

  protected Probe() {}

  public Probe(
      UUID id,
      Long bayId,
      UUID outboxId,
      byte[] tokenHash,
      String probeVersion,
      String machineNote,
      Instant enrolledAt,
      long receivedThrough) {
    this.id = id;
    this.bayId = bayId;
    this.outboxId = outboxId;
    this.tokenHash = tokenHash.clone();
    this.probeVersion = probeVersion;
    this.machineNote = machineNote;
    this.enrolledAt = enrolledAt;
    this.receivedThrough = receivedThrough;
  }

  public UUID id() {
    return id;
  }

  public long bayId() {
    return bayId;
  }

  public String probeVersion() {
    return probeVersion;
  }

  public String machineNote() {
    return machineNote;
  }

  public boolean isOnline() {
    return online;
  }

  public Instant lastSeenAt() {
    return lastSeenAt;
  }

  public boolean isRevoked() {
    return revokedAt != null;
  }

  public long receivedThrough() {
    return receivedThrough;
  }

  public void received(long number) {
    receivedThrough = number;
  }

  public void revoke(Instant when) {
    revokedAt = when;
    online = false;
  }

  public void cameOn(String version, String note, Instant when) {
    probeVersion = version;
    machineNote = note;
    lastSeenAt = when;
    online = true;
  }

  public void machineIs(String note, Instant when) {
    machineNote = note;
    lastSeenAt = when;
  }

  public void wentOff(Instant when) {
    lastSeenAt = when;
    online = false;
  }
}

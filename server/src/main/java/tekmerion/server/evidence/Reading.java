package tekmerion.server.evidence;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.Immutable;
import org.springframework.data.domain.Persistable;

/** That a drive was read: who, when, where, with which probe. Its pages hold what it said. */
@Entity
@Immutable
public class Reading implements Persistable<UUID> {
  @Id private UUID id;
  private Long partId;
  private Long machineId;
  private Long jobId;
  private UUID probeId;
  private UUID requestId;
  private String partKey;
  private String probeVersion;
  private Instant takenAt;
  private Instant receivedAt;

  protected Reading() {}

  /**
   * @param jobId null if the machine had no job when it arrived
   */
  public Reading(
      UUID id,
      Long partId,
      Long machineId,
      Long jobId,
      UUID probeId,
      UUID requestId,
      String partKey,
      String probeVersion,
      Instant takenAt,
      Instant receivedAt) {
    this.id = id;
    this.partId = partId;
    this.machineId = machineId;
    this.jobId = jobId;
    this.probeId = probeId;
    this.requestId = requestId;
    this.partKey = partKey;
    this.probeVersion = probeVersion;
    this.takenAt = takenAt;
    this.receivedAt = receivedAt;
  }

  @Override
  public UUID getId() {
    return id;
  }

  /** Never updated, so every save is an insert. */
  @Override
  public boolean isNew() {
    return true;
  }

  public long partId() {
    return partId;
  }

  public Long jobId() {
    return jobId;
  }

  public String partKey() {
    return partKey;
  }

  public String probeVersion() {
    return probeVersion;
  }

  public Instant takenAt() {
    return takenAt;
  }

  public Instant receivedAt() {
    return receivedAt;
  }
}

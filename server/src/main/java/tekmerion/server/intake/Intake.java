package tekmerion.server.intake;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.UUID;
import org.springframework.data.domain.Persistable;

/** One conversation at the counter: a draft until it is taken in, and its answers after that. */
@Entity
class Intake implements Persistable<UUID> {
  @Id private UUID id;
  private Long jobId;

  @Column(columnDefinition = "MEDIUMTEXT")
  private String answers;

  @Column(columnDefinition = "MEDIUMTEXT")
  private String applied;

  @Column(columnDefinition = "TEXT")
  private String fieldVersions;

  private long version;
  private Long createdBy;
  private Instant createdAt;
  private Instant changedAt;
  private Instant droppedAt;
  private transient boolean fresh;

  protected Intake() {}

  Intake(UUID id, Long createdBy, Instant now) {
    this.id = id;
    this.answers = "{}";
    this.fieldVersions = "{}";
    this.createdBy = createdBy;
    this.createdAt = now;
    this.changedAt = now;
    this.fresh = true;
  }

  @Override
  public UUID getId() {
    return id;
  }

  @Override
  public boolean isNew() {
    return fresh;
  }

  /** Null while it is a draft. */
  Long jobId() {
    return jobId;
  }

  String answers() {
    return answers;
  }

  /** Null while it is a draft. */
  String applied() {
    return applied;
  }

  String fieldVersions() {
    return fieldVersions;
  }

  long version() {
    return version;
  }

  Instant changedAt() {
    return changedAt;
  }

  boolean isDropped() {
    return droppedAt != null;
  }

  void drop(Instant when) {
    droppedAt = when;
    version++;
  }

  void changed(String answers, String fieldVersions, Instant now) {
    this.answers = answers;
    this.fieldVersions = fieldVersions;
    this.changedAt = now;
    this.version++;
  }

  void taken(Long jobId) {
    this.jobId = jobId;
    this.applied = answers;
    this.version++;
  }
}

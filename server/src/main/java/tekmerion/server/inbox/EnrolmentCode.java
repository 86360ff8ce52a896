package tekmerion.server.inbox;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;

/** A one-time code for a bay; only its hash is kept. */
@Entity
public class EnrolmentCode {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  private Long id;

  private Long bayId;
  private byte[] codeHash;
  private Long createdBy;
  private Instant expiresAt;
  private Instant usedAt;

  protected EnrolmentCode() {}

  EnrolmentCode(Long bayId, byte[] codeHash, Long createdBy, Instant expiresAt) {
    this.bayId = bayId;
    this.codeHash = codeHash.clone();
    this.createdBy = createdBy;
    this.expiresAt = expiresAt;
  }

  long bayId() {
    return bayId;
  }

  boolean isGoodAt(Instant when) {
    return usedAt == null && when.isBefore(expiresAt);
  }

  void use(Instant when) {
    usedAt = when;
  }
}

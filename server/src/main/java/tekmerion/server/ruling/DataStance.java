package tekmerion.server.ruling;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import tekmerion.core.permit.DataStatus;

/** What was said about the data of a job's drives, and by whom; the latest one holds. */
@Entity
@Immutable
public class DataStance {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  private Long id;

  private Long jobId;

  @Enumerated(EnumType.STRING)
  private DataStatus stance;

  private String signer;
  private String wording;
  private Long setBy;
  private Instant setAt;

  protected DataStance() {}

  /**
   * @param signer the owner's name, only with {@link DataStatus#NOT_WANTED}
   * @param wording what was signed, as shown
   */
  public DataStance(
      Long jobId, DataStatus stance, String signer, String wording, Long setBy, Instant setAt) {
    this.jobId = jobId;
    this.stance = stance;
    this.signer = signer;
    this.wording = wording;
    this.setBy = setBy;
    this.setAt = setAt;
  }

  public DataStatus stance() {
    return stance;
  }

  public String signer() {
    return signer;
  }

  public Instant setAt() {
    return setAt;
  }
}

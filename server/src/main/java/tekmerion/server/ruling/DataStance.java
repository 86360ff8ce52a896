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
  private boolean byRun;
  private boolean fromElsewhere;

  protected DataStance() {}

  /**
   * @param signer whoever said so by name; it opens nothing
   * @param wording what was said or rests on, as shown
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

  /** What follows from evidence, not from what anybody said. */
  public static DataStance byRun(
      Long jobId, DataStatus stance, String wording, Long setBy, Instant setAt) {
    DataStance made = new DataStance(jobId, stance, null, wording, setBy, setAt);
    made.byRun = true;
    return made;
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

package tekmerion.server.permit;

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
public class DataStatusEntry {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  private Long id;

  private Long jobId;

  @Enumerated(EnumType.STRING)
  private DataStatus dataStatus;

  private String signer;
  private String wording;
  private Long setBy;
  private Instant setAt;
  private boolean byRun;
  private boolean fromElsewhere;

  protected DataStatusEntry() {}

  /**
   * @param signer whoever said so by name; it opens nothing
   * @param wording what was said or rests on, as shown
   */
  public DataStatusEntry(
      Long jobId, DataStatus dataStatus, String signer, String wording, Long setBy, Instant setAt) {
    this.jobId = jobId;
    this.dataStatus = dataStatus;
    this.signer = signer;
    this.wording = wording;
    this.setBy = setBy;
    this.setAt = setAt;
  }

  /** What follows from evidence, not from what anybody said. */
  public static DataStatusEntry byRun(
      Long jobId, DataStatus dataStatus, String wording, Long setBy, Instant setAt) {
    DataStatusEntry made = new DataStatusEntry(jobId, dataStatus, null, wording, setBy, setAt);
    made.byRun = true;
    return made;
  }

  public DataStatus dataStatus() {
    return dataStatus;
  }

  public String signer() {
    return signer;
  }

  public Instant setAt() {
    return setAt;
  }
}

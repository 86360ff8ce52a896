package tekmerion.server.bay;

import jakarta.persistence.Entity;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.OneToOne;
import tekmerion.server.job.Job;

/** A place on the bench. */
@Entity
public class Bay {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  private Long id;

  private int number;

  @OneToOne(fetch = FetchType.LAZY)
  @JoinColumn(name = "job_id")
  private Job job;

  protected Bay() {}

  /**
   * @param job null if the bay is free
   */
  public Bay(int number, Job job) {
    this.number = number;
    this.job = job;
  }

  public long id() {
    return id;
  }

  public int number() {
    return number;
  }

  public Job job() {
    return job;
  }

  public String name() {
    return "bay " + number;
  }
}

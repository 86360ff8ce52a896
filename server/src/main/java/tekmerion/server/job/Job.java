package tekmerion.server.job;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.ManyToOne;
import jakarta.persistence.Version;
import java.time.Instant;
import tekmerion.core.weigh.Tilt;
import tekmerion.server.part.Machine;

/** One visit of one machine for one complaint. */
@Entity
public class Job {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  private Long id;

  private String number;

  @ManyToOne(fetch = FetchType.LAZY)
  @JoinColumn(name = "machine_id")
  private Machine machine;

  @ManyToOne(fetch = FetchType.LAZY)
  @JoinColumn(name = "customer_id")
  private Customer customer;

  private String complaint;
  private String family;
  private String reach;
  private Instant takenInAt;
  private Instant promisedAt;
  private String headline;

  @Enumerated(EnumType.STRING)
  private Tilt tilt;

  @Version private long version;

  protected Job() {}

  /**
   * @param family id of the complaint family
   * @param reach level of the sign "reach", or null if not known
   * @param promisedAt null if nothing was promised
   */
  public Job(
      String number,
      Machine machine,
      Customer customer,
      String complaint,
      String family,
      String reach,
      Instant takenInAt,
      Instant promisedAt) {
    this.number = number;
    this.machine = machine;
    this.customer = customer;
    this.complaint = complaint;
    this.family = family;
    this.reach = reach;
    this.takenInAt = takenInAt;
    this.promisedAt = promisedAt;
    this.headline = "Not weighed yet";
    this.tilt = Tilt.UNKNOWN;
  }

  public Long id() {
    return id;
  }

  public String number() {
    return number;
  }

  public Machine machine() {
    return machine;
  }

  public Customer customer() {
    return customer;
  }

  public String complaint() {
    return complaint;
  }

  public String family() {
    return family;
  }

  public String reach() {
    return reach;
  }

  public Instant takenInAt() {
    return takenInAt;
  }

  public Instant promisedAt() {
    return promisedAt;
  }

  public String headline() {
    return headline;
  }

  public Tilt tilt() {
    return tilt;
  }

  public long version() {
    return version;
  }

  /** Keeps what the last weighing said, for the floor. */
  public void weighed(String headline, Tilt tilt) {
    this.headline = headline;
    this.tilt = tilt;
  }
}

package tekmerion.server.job;

import static tekmerion.words.Words.say;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.ManyToOne;
import jakarta.persistence.OrderColumn;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import tekmerion.core.forecast.Stage;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.weigh.Suspicion;
import tekmerion.server.account.Account;
import tekmerion.server.part.Machine;
import tekmerion.words.Words;

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
  private String errorText;

  @ElementCollection
  @CollectionTable(name = "job_family", joinColumns = @JoinColumn(name = "job_id"))
  @OrderColumn(name = "position")
  @Column(name = "family_id")
  private List<String> families = new ArrayList<>();

  private String bootStage;
  private Instant takenInAt;
  private Instant promisedAt;
  private String headline;

  @Enumerated(EnumType.STRING)
  private Suspicion suspicion;

  private String decidedCause;
  private String decidedPart;
  private String contradicted;

  @ManyToOne(fetch = FetchType.LAZY)
  @JoinColumn(name = "holder_id")
  private Account holder;

  @Enumerated(EnumType.STRING)
  private Stage stage;

  private Instant stageSince;

  @Enumerated(EnumType.STRING)
  private DataStatus dataStatus;

  @Enumerated(EnumType.STRING)
  private WaitsFor waitsFor;

  private String waitsNote;
  private Instant waitsSince;
  private Instant waitsUntil;
  private Instant endedAt;

  @Enumerated(EnumType.STRING)
  private EndedHow endedHow;

  @Version private long version;

  /** Somebody or something outside that a job waits for. */
  public enum WaitsFor {
    PART("job.a-part"),
    ANSWER("job.an-answer");

    private final String words;

    WaitsFor(String words) {
      this.words = words;
    }

    public String words() {
      return say(words);
    }
  }

  /** How a job came to its end. */
  public enum EndedHow {
    HANDED_BACK("job.handed-back"),
    /** Taken in by mistake. */
    WITHDRAWN("job.taken-in-by-mistake");

    private final String words;

    EndedHow(String words) {
      this.words = words;
    }

    public String words() {
      return say(words);
    }
  }

  protected Job() {}

  /**
   * @param families ids of the complaint families, the first is the one heard first
   * @param bootStage level of the finding "boot-stage", or null if not known
   * @param promisedAt null if nothing was promised
   */
  public Job(
      String number,
      Machine machine,
      Customer customer,
      String complaint,
      List<String> families,
      String bootStage,
      Instant takenInAt,
      Instant promisedAt) {
    this.number = number;
    this.machine = machine;
    this.customer = customer;
    this.complaint = complaint;
    this.families.addAll(families);
    this.bootStage = bootStage;
    this.takenInAt = takenInAt;
    this.promisedAt = promisedAt;
    this.headline = Words.kept(() -> say("job.not-weighed-yet"));
    this.suspicion = Suspicion.UNKNOWN;
    this.stage = Stage.READ;
    this.stageSince = takenInAt;
    this.dataStatus = DataStatus.NOT_ASKED;
  }

  public long id() {
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

  public List<String> families() {
    return List.copyOf(families);
  }

  public String errorText() {
    return errorText;
  }

  public Account holder() {
    return holder;
  }

  public Stage stage() {
    return stage;
  }

  public Instant stageSince() {
    return stageSince;
  }

  public DataStatus dataStatus() {
    return dataStatus;
  }

  public WaitsFor waitsFor() {
    return waitsFor;
  }

  public String waitsNote() {
    return Words.read(waitsNote);
  }

  public Instant waitsSince() {
    return waitsSince;
  }

  public Instant waitsUntil() {
    return waitsUntil;
  }

  public Instant endedAt() {
    return endedAt;
  }

  public EndedHow endedHow() {
    return endedHow;
  }

  /** What was said at intake, or said anew. */
  public void said(
      String complaint,
      String errorText,
      List<String> families,
      String bootStage,
      Instant promisedAt) {
    this.complaint = complaint;
    this.errorText = errorText;
    if (!this.families.equals(families)) {
      this.families.clear();
      this.families.addAll(families);
    }
    this.bootStage = bootStage;
    this.promisedAt = promisedAt;
  }

  public void belongsTo(Customer customer, Machine machine) {
    this.customer = customer;
    this.machine = machine;
  }

  /** Whose it is; null lets go of it. */
  public void heldBy(Account holder) {
    this.holder = holder;
  }

  public void dataStatus(DataStatus dataStatus) {
    this.dataStatus = dataStatus;
  }

  void enters(Stage stage, Instant when) {
    this.stage = stage;
    this.stageSince = when;
  }

  void waitsFor(WaitsFor what, String note, Instant since, Instant until) {
    this.waitsFor = what;
    this.waitsNote = note;
    this.waitsSince = since;
    this.waitsUntil = until;
  }

  void ended(EndedHow how, Instant when) {
    this.endedHow = how;
    this.endedAt = when;
  }

  public String bootStage() {
    return bootStage;
  }

  public Instant takenInAt() {
    return takenInAt;
  }

  public Instant promisedAt() {
    return promisedAt;
  }

  public String headline() {
    return Words.read(headline);
  }

  public Suspicion suspicion() {
    return suspicion;
  }

  public long version() {
    return version;
  }

  /** Keeps what the last weighing said, for the floor. */
  public void weighed(String headline, Suspicion suspicion) {
    this.headline = headline;
    this.suspicion = suspicion;
  }

  /**
   * A decision is signed, so nothing speaks against it yet.
   *
   * @param cause that it rests on; null if none even leaned
   * @param part of that cause; null with it
   */
  public void decidedOn(String cause, String part) {
    decidedCause = cause;
    decidedPart = part;
    contradicted = null;
  }

  /** Cause that the last decision rests on, null if on none. */
  public String decidedCause() {
    return decidedCause;
  }

  public String decidedPart() {
    return decidedPart;
  }

  /**
   * @param why what was found since the decision speaks against it
   */
  public void contradicted(String why) {
    contradicted = why;
  }

  /** Why the decision has to be looked at again; null if nothing speaks against it. */
  public String contradicted() {
    return Words.read(contradicted);
  }
}

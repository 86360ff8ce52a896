package tekmerion.server.part;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import tekmerion.core.identity.Serial;

/**
 * A part with an identity and a history of its own. Model and serial are null if never readable.
 */
@Entity
public class Part {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  private Long id;

  private String kind;
  private String model;
  private String serial;
  private String serialPlain;
  private String serialFolded;
  private Long sameAs;

  @Enumerated(EnumType.STRING)
  private ToldBy toldBy;

  private Instant firstMet;

  /** Who said what its model and serial are. */
  public enum ToldBy {
    /** Typed from a label. */
    PERSON,
    /** The part itself. */
    PROBE
  }

  protected Part() {}

  /**
   * @param model null if not known
   * @param serial null if not known
   */
  public Part(String kind, String model, String serial, ToldBy toldBy, Instant firstMet) {
    this.kind = kind;
    this.firstMet = firstMet;
    called(model, serial, toldBy);
  }

  /** Model and serial from a better source. */
  final void called(String model, String serial, ToldBy toldBy) {
    this.model = model;
    this.serial = serial;
    this.toldBy = toldBy;
    Serial compared = serial == null ? null : Serial.of(serial);
    serialPlain = compared == null ? null : compared.plain();
    serialFolded = compared == null ? null : compared.folded();
  }

  public long id() {
    return id;
  }

  public String kind() {
    return kind;
  }

  public String model() {
    return model;
  }

  public String serial() {
    return serial;
  }

  public Instant firstMet() {
    return firstMet;
  }

  /** The part that this one was found to be; null if it is itself. */
  public Long sameAs() {
    return sameAs;
  }

  void sameAs(Long other) {
    sameAs = other;
  }

  ToldBy toldBy() {
    return toldBy;
  }

  boolean hasSerial(String other) {
    return serialPlain != null && serialPlain.equals(Serial.of(other).plain());
  }

  boolean isIdentified() {
    return serial != null;
  }
}

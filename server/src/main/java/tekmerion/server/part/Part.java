package tekmerion.server.part;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;

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
  private Instant firstMet;

  protected Part() {}

  public Part(String kind, String model, String serial, Instant firstMet) {
    this.kind = kind;
    this.model = model;
    this.serial = serial;
    this.firstMet = firstMet;
  }

  public Long id() {
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

  boolean isIdentified() {
    return serial != null;
  }
}

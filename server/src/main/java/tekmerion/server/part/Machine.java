package tekmerion.server.part;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;

/** A customer's computer. */
@Entity
public class Machine {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  private Long id;

  private String maker;
  private String model;
  private String serial;

  protected Machine() {}

  /**
   * @param serial null if not known
   */
  public Machine(String maker, String model, String serial) {
    this.maker = maker;
    this.model = model;
    this.serial = serial;
  }

  public Long id() {
    return id;
  }

  public String name() {
    return maker + " " + model;
  }

  public String serial() {
    return serial;
  }
}

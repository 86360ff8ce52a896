package tekmerion.server.job;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;

/** The owner of a machine. */
@Entity
public class Customer {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  private Long id;

  private String displayName;

  protected Customer() {}

  public Customer(String displayName) {
    this.displayName = displayName;
  }

  public String displayName() {
    return displayName;
  }
}

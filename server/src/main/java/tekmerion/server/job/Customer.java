package tekmerion.server.job;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import tekmerion.words.Language;

/** The owner of a machine. */
@Entity
public class Customer {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  private Long id;

  private String displayName;
  private String phone;
  private String email;
  private Instant erasedAt;

  @Enumerated(EnumType.STRING)
  private Language language;

  protected Customer() {}

  public Customer(String displayName) {
    this.displayName = displayName;
  }

  public long id() {
    return id;
  }

  public String phone() {
    return phone;
  }

  public String email() {
    return email;
  }

  /** What their papers are written in; null until somebody chose. */
  public Language language() {
    return language;
  }

  /** What their papers are written in: English until they choose. */
  public Language papers() {
    return language == null ? Language.EN : language;
  }

  public void language(Language chosen) {
    language = chosen;
  }

  public Instant erasedAt() {
    return erasedAt;
  }

  /**
   * @param phone null if not said
   * @param email null if not said
   */
  public void reachedBy(String displayName, String phone, String email) {
    this.displayName = displayName;
    this.phone = phone;
    this.email = email;
  }

  public String displayName() {
    return displayName;
  }
}

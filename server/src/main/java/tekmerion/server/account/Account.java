package tekmerion.server.account;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;

/** A person of the shop who can sign in. */
@Entity
public class Account {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  private Long id;

  private String signInName;
  private String displayName;

  @Enumerated(EnumType.STRING)
  private Role role;

  private String passwordHash;
  private Instant createdAt;

  protected Account() {}

  public Account(
      String signInName, String displayName, Role role, String passwordHash, Instant createdAt) {
    this.signInName = signInName;
    this.displayName = displayName;
    this.role = role;
    this.passwordHash = passwordHash;
    this.createdAt = createdAt;
  }

  public Long id() {
    return id;
  }

  public String displayName() {
    return displayName;
  }

  String passwordHash() {
    return passwordHash;
  }

  Person person() {
    return new Person(id, signInName, displayName, role);
  }
}

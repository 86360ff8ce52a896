package tekmerion.server.account;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.DynamicUpdate;
import tekmerion.server.person.Person;
import tekmerion.server.person.Role;
import tekmerion.words.Language;

/** A person of the shop who can sign in. */
@Entity
@DynamicUpdate // two who change different things at once must not undo each other
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
  private String pinHash;
  private Instant disabledAt;
  private long epoch;

  @Enumerated(EnumType.STRING)
  private Language language;

  protected Account() {}

  public Account(
      String signInName, String displayName, Role role, String passwordHash, Instant createdAt) {
    this.signInName = signInName;
    this.displayName = displayName;
    this.role = role;
    this.passwordHash = passwordHash;
    this.createdAt = createdAt;
  }

  public long id() {
    return id;
  }

  public String displayName() {
    return displayName;
  }

  public String signInName() {
    return signInName;
  }

  public Role role() {
    return role;
  }

  public boolean isActive() {
    return disabledAt == null;
  }

  String passwordHash() {
    return passwordHash;
  }

  /** For the demo, whose people share one password: hashing it once is slow enough. */
  public String copyPasswordHash() {
    return passwordHash;
  }

  /** Null if the person has no PIN. */
  String pinHash() {
    return pinHash;
  }

  long epoch() {
    return epoch;
  }

  /** Ends every session of the person. */
  void endSessions() {
    epoch++;
  }

  void password(String hash) {
    passwordHash = hash;
    endSessions();
  }

  void pin(String hash) {
    pinHash = hash;
  }

  /** Null until they chose one. */
  Language language() {
    return language;
  }

  void language(Language chosen) {
    language = chosen;
  }

  void role(Role role) {
    this.role = role;
  }

  /**
   * @param when null lets the person in again
   */
  void disabled(Instant when) {
    disabledAt = when;
    endSessions();
  }

  Person person() {
    return new Person(id, signInName, displayName, role);
  }
}

package tekmerion.server.job;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import tekmerion.core.sign.Sign;

/** A sign that somebody said, not one that was measured. */
@Entity
@Immutable
public class JobSign {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  private Long id;

  private Long jobId;
  private String part;
  private String signId;
  private String level;
  private String words;
  private Instant saidAt;

  protected JobSign() {}

  /**
   * @param level null takes back what was said of this sign before
   */
  public JobSign(Long jobId, String signId, String level, String words, Instant saidAt) {
    this(jobId, Sign.MACHINE, signId, level, words, saidAt);
  }

  /** Of one part. */
  public JobSign(
      Long jobId, String part, String signId, String level, String words, Instant saidAt) {
    this.jobId = jobId;
    this.part = part;
    this.signId = signId;
    this.level = level;
    this.words = words;
    this.saidAt = saidAt;
  }

  public String part() {
    return part;
  }

  public String signId() {
    return signId;
  }

  /** Null if what was said before is taken back. */
  public String level() {
    return level;
  }

  Sign sign() {
    return new Sign(signId, part, level, words, Sign.Basis.intake());
  }
}

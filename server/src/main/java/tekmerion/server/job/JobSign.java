package tekmerion.server.job;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import tekmerion.core.sign.Sign;

/** A sign that somebody said or saw, not one that was measured. */
@Entity
@Immutable
public class JobSign {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  private Long id;

  private Long jobId;
  private String part;
  private String origin;
  private String signId;
  private String level;
  private String words;
  private Instant saidAt;

  protected JobSign() {}

  /**
   * @param level null takes back what was said of this sign before
   */
  public JobSign(Long jobId, String signId, String level, String words, Instant saidAt) {
    this(jobId, Sign.MACHINE, Sign.Basis.intake(), signId, level, words, saidAt);
  }

  private JobSign(
      Long jobId,
      String part,
      Sign.Basis origin,
      String signId,
      String level,
      String words,
      Instant saidAt) {
    this.jobId = jobId;
    this.part = part;
    this.origin = origin.kind();
    this.signId = signId;
    this.level = level;
    this.words = words;
    this.saidAt = saidAt;
  }

  /** Seen of one part when a move was made. */
  public static JobSign ofMove(
      Long jobId, String part, String signId, String level, String words, Instant seenAt) {
    return new JobSign(jobId, part, Sign.Basis.move(), signId, level, words, seenAt);
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
    return new Sign(
        signId,
        part,
        level,
        words,
        origin.equals(Sign.Basis.move().kind()) ? Sign.Basis.move() : Sign.Basis.intake());
  }
}

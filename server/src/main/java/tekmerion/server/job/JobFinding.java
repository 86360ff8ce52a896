package tekmerion.server.job;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import tekmerion.core.finding.Finding;
import tekmerion.words.Words;

/** A finding that somebody said or saw, not one that was measured. */
@Entity
@Immutable
public class JobFinding {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  private Long id;

  private Long jobId;
  private String part;
  private String origin;
  private String findingId;
  private String level;
  private String words;
  private Instant saidAt;

  protected JobFinding() {}

  /**
   * @param level null takes back what was said of this finding before
   */
  public JobFinding(Long jobId, String findingId, String level, String words, Instant saidAt) {
    this(jobId, Finding.MACHINE, Finding.Basis.intake(), findingId, level, words, saidAt);
  }

  private JobFinding(
      Long jobId,
      String part,
      Finding.Basis origin,
      String findingId,
      String level,
      String words,
      Instant saidAt) {
    this.jobId = jobId;
    this.part = part;
    this.origin = origin.kind();
    this.findingId = findingId;
    this.level = level;
    this.words = words;
    this.saidAt = saidAt;
  }

  /** Seen of one part when a move was made. */
  public static JobFinding ofMove(
      Long jobId, String part, String findingId, String level, String words, Instant seenAt) {
    return new JobFinding(jobId, part, Finding.Basis.move(), findingId, level, words, seenAt);
  }

  public String part() {
    return part;
  }

  public String findingId() {
    return findingId;
  }

  /** Null if what was said before is taken back. */
  public String level() {
    return level;
  }

  /** Whether somebody saw it in a move. */
  boolean isByHand() {
    return origin.equals(Finding.Basis.move().kind());
  }

  Finding finding() {
    return new Finding(
        findingId,
        part,
        level,
        Words.read(words),
        isByHand() ? Finding.Basis.move() : Finding.Basis.intake());
  }
}

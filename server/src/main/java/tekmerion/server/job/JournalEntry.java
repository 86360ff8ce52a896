package tekmerion.server.job;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.Immutable;

/** One thing that happened to a job; never changed. */
@Entity
@Immutable
public class JournalEntry {
  /** What sort of thing, for the mark in the history. */
  @Schema(name = "JournalKind")
  public enum Kind {
    INTAKE,
    READING,
    DATA_STATUS,
    DECISION,
    PROBE,
    HAND,
    CHANGE,
    CHECK,
    PHOTO,
    SECRET,
    WAIT,
    PART,
    RUN,
    MOVE,
    END
  }

  private static final int MAX_TITLE = 200;
  private static final int MAX_DETAIL = 1_000;
  private static final int MAX_WHO = 120;

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  private Long id;

  private Long jobId;
  private Instant at;

  @Enumerated(EnumType.STRING)
  private Kind kind;

  private String title;
  private String detail;
  private String who;

  protected JournalEntry() {}

  public JournalEntry(Long jobId, Instant at, Kind kind, String title, String detail, String who) {
    this.jobId = jobId;
    this.at = at;
    this.kind = kind;
    this.title = cut(title, MAX_TITLE);
    this.detail = cut(detail, MAX_DETAIL);
    this.who = cut(who, MAX_WHO);
  }

  /** The event itself is kept whole elsewhere; here it is told. */
  private static String cut(String text, int most) {
    return text.length() <= most ? text : text.substring(0, most - 1) + "…";
  }

  public Instant at() {
    return at;
  }

  public Kind kind() {
    return kind;
  }

  public String title() {
    return title;
  }

  public String detail() {
    return detail;
  }

  public String who() {
    return who;
  }
}

package tekmerion.server.job;

import static tekmerion.server.job.JobAspect.CASE;
import static tekmerion.server.job.JobAspect.CUSTODY;
import static tekmerion.server.job.JobAspect.DIAGNOSIS;
import static tekmerion.server.job.JobAspect.HISTORY;
import static tekmerion.server.job.JobAspect.PLAN;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.EnumSet;
import java.util.Set;
import org.hibernate.annotations.Immutable;
import tekmerion.words.Words;

/** One thing that happened to a job; never changed. */
@Entity
@Immutable
public class JournalEntry {
  /** What sort of thing, for the mark in the history; each names what it may change. */
  @Schema(name = "JournalKind")
  public enum Kind {
    INTAKE(JobAspect.ALL),
    READING(JobAspect.ALL),
    DATA_STATUS(JobAspect.ALL),
    DECISION(JobAspect.ALL),
    ESTIMATE(EnumSet.of(CASE, PLAN, HISTORY)),
    PROBE(JobAspect.ALL),
    HAND(EnumSet.of(CASE, CUSTODY, HISTORY)),
    CHANGE(EnumSet.of(CASE, CUSTODY, PLAN, HISTORY)),
    CHECK(JobAspect.ALL),
    PHOTO(EnumSet.of(CASE, CUSTODY, HISTORY)),
    SECRET(EnumSet.of(CASE, CUSTODY, HISTORY)),
    WAIT(EnumSet.of(CASE, CUSTODY, PLAN, HISTORY)),
    BAY(EnumSet.of(CASE, CUSTODY, DIAGNOSIS, HISTORY)),
    PART(JobAspect.ALL),
    RUN(JobAspect.ALL),
    MOVE(JobAspect.ALL),
    END(JobAspect.ALL);

    private final Set<JobAspect> aspects;

    Kind(Set<JobAspect> aspects) {
      this.aspects = Set.copyOf(aspects);
    }

    Set<JobAspect> aspects() {
      return aspects;
    }
  }

  private static final int MAX_TITLE = 2_000;
  private static final int MAX_DETAIL = 6_000;
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
    return Words.read(title);
  }

  public String detail() {
    return Words.read(detail);
  }

  public String who() {
    return who;
  }
}

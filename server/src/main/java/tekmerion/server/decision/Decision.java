package tekmerion.server.decision;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.ManyToOne;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.hibernate.annotations.Immutable;
import tekmerion.core.decision.Course;
import tekmerion.core.permit.DataStatus;
import tekmerion.server.account.Account;

/** A signed decision with the weighing as it stood; never changed, only followed by another. */
@Entity
@Immutable
public class Decision {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  private Long id;

  private Long jobId;
  private String courses;
  private String reason;

  @Enumerated(EnumType.STRING)
  private DataStatus dataStatus;

  @Column(columnDefinition = "MEDIUMTEXT")
  private String weighing;

  @Column(columnDefinition = "MEDIUMTEXT")
  private String plan;

  @ManyToOne(fetch = FetchType.LAZY)
  @JoinColumn(name = "signed_by")
  private Account signedBy;

  private Instant signedAt;

  /** It came with an archive, and binds nobody. */
  private boolean fromElsewhere;

  protected Decision() {}

  /**
   * @param weighing JSON of the weighing as it stood
   * @param plan JSON of the plan as it stood; null if only courses were named
   */
  Decision(
      Long jobId,
      List<Course> courses,
      String reason,
      DataStatus dataStatus,
      String weighing,
      String plan,
      Account signedBy,
      Instant signedAt) {
    this.jobId = jobId;
    this.courses = courses.stream().map(Course::name).collect(Collectors.joining(","));
    this.reason = reason;
    this.dataStatus = dataStatus;
    this.weighing = weighing;
    this.plan = plan;
    this.signedBy = signedBy;
    this.signedAt = signedAt;
  }

  long id() {
    return id;
  }

  List<Course> courses() {
    return Arrays.stream(courses.split(",")).map(Course::valueOf).toList();
  }

  String reason() {
    return reason;
  }

  DataStatus dataStatus() {
    return dataStatus;
  }

  String weighing() {
    return weighing;
  }

  Optional<String> plan() {
    return Optional.ofNullable(plan);
  }

  Account signedBy() {
    return signedBy;
  }

  boolean isFromElsewhere() {
    return fromElsewhere;
  }

  Instant signedAt() {
    return signedAt;
  }
}

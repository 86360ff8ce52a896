package tekmerion.server.editing;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.springframework.data.domain.PageRequest;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.decision.Course;
import tekmerion.core.knowhow.Cause;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.permit.Permissions;
import tekmerion.core.weigh.Advice;
import tekmerion.core.weigh.Weighed;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.knowhow.ShopKnowHow;
import tekmerion.server.permit.JobPermissions;
import tekmerion.server.weighing.WeighingService;
import tekmerion.server.weighing.WeighingService.Evidence;

/** The last jobs by another know-how: the same evidence, weighed by both. */
@Service
class LastJobs {
  static final int LOOKED_AT = 100;
  private static final double MIN_SHARE_MOVED = 0.01;
  private final Jobs jobs;
  private final ShopKnowHow knowHow;
  private final WeighingService weighing;
  private final JobPermissions permissions;

  /**
   * @param jobs how many were looked at
   * @param decided of these, how many were decided to be a known cause and not contradicted
   * @param rightNow of the decided, where that cause comes first by today's table
   * @param rightThen the same with the change
   * @param otherFirst where another cause comes first
   * @param otherCourse where it leans to another course
   * @param otherMove where another move comes first
   * @param moved where the first cause's share moves by a hundredth or more, or anything above
   */
  @Schema(name = "KnowHowPreview")
  record Preview(
      int jobs,
      int decided,
      int rightNow,
      int rightThen,
      int otherFirst,
      int otherCourse,
      int otherMove,
      List<Line> moved) {}

  /**
   * @param decided name of the cause that was decided; null if none was
   * @param move name of what comes first to be done; null if nothing does, as in ended jobs with
   *     all said
   */
  @Schema(name = "KnowHowPreviewJob")
  record Line(
      String number,
      String complaint,
      @Schema(nullable = true) String decided,
      Side now,
      Side then) {
    boolean otherFirst() {
      return !now.first().equals(then.first());
    }

    boolean otherCourse() {
      return !now.leaning().equals(then.leaning());
    }

    boolean otherMove() {
      return !Objects.equals(now.move(), then.move());
    }

    boolean moved() {
      return otherFirst()
          || otherCourse()
          || otherMove()
          || Math.abs(now.share() - then.share()) >= MIN_SHARE_MOVED;
    }
  }

  @Schema(name = "KnowHowPreviewSide")
  record Side(
      String first,
      double share,
      boolean right,
      List<Course> leaning,
      @Schema(nullable = true) String move) {}

  private record Gathered(Job job, Evidence evidence, Permissions permissions) {}

  LastJobs(Jobs jobs, ShopKnowHow knowHow, WeighingService weighing, JobPermissions permissions) {
    this.permissions = permissions;
    this.jobs = jobs;
    this.knowHow = knowHow;
    this.weighing = weighing;
  }

  @Transactional(readOnly = true)
  Preview by(KnowHow then) {
    KnowHow now = knowHow.now();
    List<Gathered> gathered =
        jobs.findByOrderByTakenInAtDesc(PageRequest.ofSize(LOOKED_AT)).stream()
            .map(this::gathered)
            .filter(g -> !g.evidence().weighed().causes().isEmpty())
            .toList();
    // Evidence is all in memory by now, so other threads need no transaction.
    List<Line> lines = gathered.parallelStream().map(g -> line(g, now, then)).toList();
    List<Line> decided = lines.stream().filter(l -> l.decided() != null).toList();
    return new Preview(
        lines.size(),
        decided.size(),
        (int) decided.stream().filter(l -> l.now().right()).count(),
        (int) decided.stream().filter(l -> l.then().right()).count(),
        (int) lines.stream().filter(Line::otherFirst).count(),
        (int) lines.stream().filter(Line::otherCourse).count(),
        (int) lines.stream().filter(Line::otherMove).count(),
        lines.stream()
            .filter(Line::moved)
            .sorted(
                Comparator.comparing(Line::otherFirst)
                    .thenComparing(Line::otherCourse)
                    .thenComparing(l -> Math.abs(l.now().share() - l.then().share()))
                    .reversed())
            .toList());
  }

  private Gathered gathered(Job job) {
    Evidence evidence = weighing.weigh(job);
    return new Gathered(job, evidence, permissions.of(job, evidence));
  }

  private Line line(Gathered g, KnowHow now, KnowHow then) {
    String decided = g.job().contradicted() == null ? g.job().decidedCause() : null;
    return new Line(
        g.job().number(),
        g.job().complaint(),
        Optional.ofNullable(decided).flatMap(now::cause).map(Cause::name).orElse(null),
        side(g, now, g.evidence().weighed(), decided),
        side(g, then, weighing.weighedBy(then, g.job(), g.evidence()), decided));
  }

  private Side side(Gathered g, KnowHow table, Weighed weighed, String decided) {
    Weighed.CauseShare first = weighed.causes().get(0);
    Optional<Advice.Ranked> move =
        weighing
            .adviceBy(table, g.job(), g.evidence(), g.permissions(), Set.of(), true)
            .moves()
            .stream()
            .filter(r -> r.lock().isEmpty())
            .findFirst();
    return new Side(
        "%s (%s)".formatted(first.name(), first.partName()),
        first.probability(),
        first.cause().equals(decided),
        weighed.leaning(),
        move.map(r -> r.move().named(r.part().name())).orElse(null));
  }
}

package tekmerion.server.decision;

import static tekmerion.words.Words.say;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Clock;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.decision.Course;
import tekmerion.core.permit.Action;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.permit.Invasiveness;
import tekmerion.core.permit.Permission;
import tekmerion.core.permit.Permissions;
import tekmerion.core.weigh.Comparison.Compared;
import tekmerion.core.weigh.Suspicion;
import tekmerion.core.weigh.Weighed;
import tekmerion.core.weigh.Weighed.CauseShare;
import tekmerion.server.account.Accounts;
import tekmerion.server.estimate.Estimates;
import tekmerion.server.job.Job;
import tekmerion.server.job.JobLock;
import tekmerion.server.job.JobProgress;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.job.Tell;
import tekmerion.server.permit.JobPermissions;
import tekmerion.server.permit.Withdrawal;
import tekmerion.server.person.Person;
import tekmerion.server.person.Role;
import tekmerion.server.problem.Refusal;
import tekmerion.server.weighing.WeighingService;
import tools.jackson.databind.json.JsonMapper;

/** The gates and decisions. Every path to a decision goes through here. */
@Service
public class DecisionService {
  /** What an owner signs; kept with the signature as it was shown. */
  public static String waiverWording() {
    return say("decision.i-do-not-need-the-data");
  }

  private final JobLock jobs;
  private final Decisions decisions;
  private final Accounts accounts;
  private final WeighingService weighing;
  private final Estimates estimates;
  private final JobPermissions permissions;
  private final Withdrawal withdrawal;
  private final JobProgress progress;
  private final Tell tell;
  private final JsonMapper json;
  private final Clock clock;

  /**
   * @param headline of the weighing as it stood
   * @param plan null if only courses were named
   * @param fromElsewhere whether it came with an archive, and binds nobody here
   */
  public record DecisionView(
      long id,
      List<CourseName> courses,
      String reason,
      DataStatus dataStatus,
      String headline,
      List<CauseNote> causes,
      @Schema(nullable = true) DecidedPlan plan,
      boolean fromElsewhere,
      String signedBy,
      Instant signedAt) {}

  /** A weighing, and when it was decided on. */
  public record Stood(Weighed weighed, Instant at) {}

  public record CourseName(Course course, String words) {}

  /** One line of the weighing as it stood. */
  public record CauseNote(String name, String partName, double probability, int findings) {}

  /**
   * @param lock null if the course is open
   */
  public record CourseView(
      Course course,
      String words,
      Invasiveness invasiveness,
      String invasivenessWords,
      @Schema(nullable = true) Lock lock) {}

  public record Lock(String reason, String opens) {}

  DecisionService(
      JobLock jobs,
      Decisions decisions,
      Accounts accounts,
      WeighingService weighing,
      Estimates estimates,
      JobPermissions permissions,
      Withdrawal withdrawal,
      JobProgress progress,
      Tell tell,
      JsonMapper json,
      Clock clock) {
    this.jobs = jobs;
    this.decisions = decisions;
    this.accounts = accounts;
    this.weighing = weighing;
    this.estimates = estimates;
    this.permissions = permissions;
    this.withdrawal = withdrawal;
    this.progress = progress;
    this.tell = tell;
    this.json = json;
    this.clock = clock;
  }

  /** Every course with its lock. */
  public List<CourseView> courses(Permissions permissions) {
    return Arrays.stream(Course.values())
        .map(
            course ->
                new CourseView(
                    course,
                    course.words(),
                    course.invasiveness(),
                    course.invasiveness().words(),
                    lock(permissions.of(action(course)))))
        .toList();
  }

  /** The same question for what is shown and for what is signed. */
  private static Action action(Course course) {
    return new Action.Decide(course.effects(), course == Course.REPLACE_PART);
  }

  private static Lock lock(Permission answer) {
    return answer instanceof Permission.Locked locked
        ? new Lock(locked.reason(), locked.opens())
        : null;
  }

  /**
   * Signs a plan.
   *
   * @param remedies by id and in order; none for handing it back
   * @throws Refusal 423 if a gate locks one of its courses, or the owner did not agree to what it
   *     may cost; nothing is kept then
   */
  @Transactional
  public void sign(String number, long version, List<String> remedies, String reason, Person by) {
    by.must(Role.TECHNICIAN, Role.LEAD);
    Job job = jobs.forChange(number, version);
    WeighingService.Evidence evidence = weighing.weigh(job);
    Permissions permitted = permissions.of(job, evidence);
    Compared plan = weighing.plan(job, evidence, permitted, remedies);
    // What is done only if that does not end the complaint has its gate when it comes to that.
    plan.plan().courses().forEach(course -> mustBeOpen(course, permitted));
    estimates.mustAllow(job, plan);
    keep(
        job,
        plan.plan().courses(),
        reason,
        evidence.weighed(),
        permitted,
        Optional.of(DecidedPlan.of(plan)),
        by);
  }

  /**
   * Signs courses, of which no plan says how.
   *
   * @throws Refusal 423 if a gate locks one of the courses, or the owner answered an estimate;
   *     nothing is kept then
   */
  @Transactional
  public void signCourses(
      String number, long version, List<Course> courses, String reason, Person by) {
    by.must(Role.TECHNICIAN, Role.LEAD);
    Job job = jobs.forChange(number, version);
    if (courses.stream().distinct().count() != courses.size()) {
      throw Refusal.badRequest(
          say("decision.a-course-stands-twice"), say("decision.name-each-course-once-in-order"));
    }
    WeighingService.Evidence evidence = weighing.weigh(job);
    Permissions permitted = permissions.of(job, evidence);
    courses.forEach(course -> mustBeOpen(course, permitted));
    estimates.mustAllow(job, courses);
    keep(job, courses, reason, evidence.weighed(), permitted, Optional.empty(), by);
  }

  /**
   * @throws Refusal 423 if a gate locks it
   */
  public static void mustBeOpen(Course course, Permissions permitted) {
    permitted
        .of(action(course))
        .locked()
        .ifPresent(
            locked -> {
              throw Refusal.locked(
                  new Permission.Locked(
                      locked.lock(),
                      say(
                          "decision.is-locked",
                          "course",
                          course.words(),
                          "reason",
                          locked.reason()),
                      locked.opens()));
            });
  }

  private void keep(
      Job job,
      List<Course> courses,
      String reason,
      Weighed asItStands,
      Permissions permitted,
      Optional<DecidedPlan> plan,
      Person by) {
    decisions.save(
        new Decision(
            job.id(),
            courses,
            reason.strip(),
            permitted.least(),
            json.writeValueAsString(asItStands),
            plan.map(json::writeValueAsString).orElse(null),
            accounts.getReferenceById(by.id()),
            clock.instant()));
    progress.decided(job);
    withdrawal.check(job);
    restsOn(job, asItStands);
    boolean differs = !asItStands.leaning().isEmpty() && !asItStands.leaning().equals(courses);
    tell.journal(
        job,
        JournalEntry.Kind.DECISION,
        () -> differs ? say("decision.decided-otherwise-than-weighed") : say("decision.decided"),
        () -> plan.map(DecidedPlan::words).orElse(Course.inOrder(courses)),
        by);
  }

  /** Later findings are held against what it rests on. */
  private static void restsOn(Job job, Weighed stood) {
    Optional<CauseShare> first =
        stood.causes().stream()
            .findFirst()
            .filter(share -> share.suspicion().compareTo(Suspicion.LEANING) >= 0);
    job.decidedOn(
        first.map(CauseShare::cause).orElse(null), first.map(CauseShare::part).orElse(null));
  }

  /** Keeps a decision that was signed before this server knew of it; it binds nobody any more. */
  @Transactional(propagation = Propagation.MANDATORY)
  public void keepPast(
      Job job, List<Course> courses, String reason, Weighed stood, long by, Instant when) {
    restsOn(job, stood);
    decisions.save(
        new Decision(
            job.id(),
            courses,
            reason,
            job.dataStatus(),
            json.writeValueAsString(stood),
            null,
            accounts.getReferenceById(by),
            when));
  }

  @Transactional(readOnly = true)
  public List<DecisionView> of(Job job) {
    return decisions.findByJobIdOrderByIdDesc(job.id()).stream().map(this::view).toList();
  }

  /** The weighing as it stood at the last decision, which later findings do not change. */
  @Transactional(readOnly = true)
  public Optional<Stood> stood(Job job) {
    return decisions.findByJobIdOrderByIdDesc(job.id()).stream()
        .findFirst()
        .map(r -> new Stood(json.readValue(r.weighing(), Weighed.class), r.signedAt()));
  }

  private DecisionView view(Decision decision) {
    Weighed stood = json.readValue(decision.weighing(), Weighed.class);
    return new DecisionView(
        decision.id(),
        decision.courses().stream().map(c -> new CourseName(c, c.words())).toList(),
        decision.reason(),
        decision.dataStatus(),
        stood.headline(),
        stood.causes().stream()
            .limit(4)
            .map(c -> new CauseNote(c.name(), c.partName(), c.probability(), c.weights().size()))
            .toList(),
        decision.plan().map(text -> json.readValue(text, DecidedPlan.class)).orElse(null),
        decision.isFromElsewhere(),
        decision.signedBy().displayName(),
        decision.signedAt());
  }
}

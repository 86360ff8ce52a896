package tekmerion.server.weighing;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.drive.DriveAnswers;
import tekmerion.core.drive.DriveFindings;
import tekmerion.core.drive.DriveVisit;
import tekmerion.core.drive.PartReading;
import tekmerion.core.drive.TrendFindings;
import tekmerion.core.finding.Finding;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Move;
import tekmerion.core.permit.Permissions;
import tekmerion.core.weigh.Advice;
import tekmerion.core.weigh.BuiltInAgainstOurs;
import tekmerion.core.weigh.Comparison;
import tekmerion.core.weigh.Comparison.Compared;
import tekmerion.core.weigh.Contradiction;
import tekmerion.core.weigh.NextMoves;
import tekmerion.core.weigh.Plan;
import tekmerion.core.weigh.Weighed;
import tekmerion.core.weigh.Weighing;
import tekmerion.link.RunKind;
import tekmerion.server.evidence.PageStore;
import tekmerion.server.evidence.Reading;
import tekmerion.server.evidence.Readings;
import tekmerion.server.evidence.Visit;
import tekmerion.server.evidence.Visits;
import tekmerion.server.job.Job;
import tekmerion.server.job.JobFindings;
import tekmerion.server.knowhow.ShopKnowHow;
import tekmerion.server.part.PartPlace;
import tekmerion.server.part.PartService;
import tekmerion.server.problem.Refusal;
import tekmerion.server.run.Runs;
import tekmerion.words.Speaking;
import tekmerion.words.Words;

/** Gathers a job's evidence, from the raw bytes up, and has core weigh it. */
@Service
public class WeighingService {
  private final ShopKnowHow knowHow;
  private final JobFindings said;
  private final PartService parts;
  private final Readings readings;
  private final PageStore pages;
  private final Visits visits;
  private final Runs runs;
  private final Weighings weighings = new Weighings();
  private final Advices advices = new Advices();
  private final Comparisons comparisons = new Comparisons();

  /**
   * A job's evidence and what it comes to.
   *
   * @param latest newest reading of each drive in this job, by drive key
   * @param reports what each of these readings holds, by drive key
   * @param findings everything that was weighed
   */
  public record Evidence(
      Weighed weighed,
      List<PartPlace> drives,
      Map<String, Reading> latest,
      Map<String, PartReading> reports,
      List<Finding> findings) {}

  WeighingService(
      ShopKnowHow knowHow,
      JobFindings said,
      PartService parts,
      Readings readings,
      PageStore pages,
      Visits visits,
      Runs runs) {
    this.knowHow = knowHow;
    this.said = said;
    this.parts = parts;
    this.readings = readings;
    this.pages = pages;
    this.visits = visits;
    this.runs = runs;
  }

  /** Weighs anew and keeps the headline for the floor, as a message that any language reads. */
  @Transactional
  public Weighed reweigh(Job job) {
    Evidence evidence = weigh(job);
    Weighed weighed = evidence.weighed();
    if (!weighed.causes().isEmpty()) {
      Words.in(Speaking.IN_CODES, () -> keep(job, evidence));
    }
    return weighed;
  }

  private Weighed keep(Job job, Evidence evidence) {
    Weighed coded = evidence.weighed().retold(knowHow.now(), weighed(evidence.drives()));
    job.weighed(coded.headline(), coded.causes().get(0).suspicion());
    if (job.decidedCause() != null) {
      Contradiction.of(job.decidedCause(), job.decidedPart(), coded).ifPresent(job::contradicted);
    }
    return coded;
  }

  @Transactional(readOnly = true)
  public Evidence weigh(Job job) {
    KnowHow now = knowHow.now();
    List<PartPlace> drives = parts.inMachine(job.machine().id());
    Map<String, Reading> latest = new HashMap<>();
    readings
        .findByJobIdOrderByReceivedAtDesc(job.id())
        .forEach(reading -> latest.putIfAbsent(reading.partKey(), reading));
    List<Finding> findings = new ArrayList<>();
    // One of a move of another shop's own, or of one that is in force no more, stays told only.
    said.looks(job.id()).stream().filter(now::knows).forEach(findings::add);
    Map<String, PartReading> reports = new HashMap<>();
    for (Map.Entry<String, Reading> entry : latest.entrySet()) {
      PartReading report = pages.load(entry.getValue().getId());
      reports.put(entry.getKey(), report);
      if (RunKind.BOARD.equals(entry.getKey()) || RunKind.BATTERY.equals(entry.getKey())) {
        findings.addAll(PartReportFindings.of(report));
        continue;
      }
      findings.addAll(DriveFindings.of(entry.getKey(), report));
      DriveAnswers.of(entry.getKey(), report).ifPresent(findings::add);
      TrendFindings.of(entry.getKey(), said(entry.getValue().partId())).ifPresent(findings::add);
    }
    findings.addAll(RunFindings.of(runs.ofJob(job.id())));
    findings.addAll(BuiltInAgainstOurs.of(findings));
    List<Finding> told = List.copyOf(DriveAnswers.together(findings));
    return new Evidence(
        weighings.of(now, job.families(), weighed(drives), told, job.dataStatus()),
        drives,
        latest,
        reports,
        told);
  }

  /** What the same evidence would come to by another table. */
  public Weighed weighedBy(KnowHow other, Job job, Evidence evidence) {
    return weighings.of(
        other, job.families(), weighed(evidence.drives()), evidence.findings(), job.dataStatus());
  }

  /**
   * What is worth doing next, and what would be decided now.
   *
   * @param permissions of the job
   * @param done moves that were made, as {@code move@part}
   * @param reached whether the machine answers a probe already
   */
  public Advice advice(
      Job job, Evidence evidence, Permissions permissions, Set<String> done, boolean reached) {
    return adviceBy(knowHow.now(), job, evidence, permissions, done, reached);
  }

  /** The same by another table. */
  public Advice adviceBy(
      KnowHow other,
      Job job,
      Evidence evidence,
      Permissions permissions,
      Set<String> done,
      boolean reached) {
    return advices.of(
        other,
        job.families(),
        weighed(evidence.drives()),
        evidence.findings(),
        new NextMoves.Situation(permissions, done, true, reached, true));
  }

  /**
   * What can be decided now, side by side.
   *
   * @param permissions of the job
   * @param own remedies of a plan of one's own, by id and in order; none for no such plan
   * @throws Refusal 400 if it can be no plan
   */
  public Comparison compare(
      Job job, Evidence evidence, Permissions permissions, Optional<List<String>> own) {
    try {
      return comparisons.of(
          knowHow.now(),
          job.families(),
          weighed(evidence.drives()),
          evidence.findings(),
          permissions.least(),
          own);
    } catch (IllegalArgumentException e) {
      throw Refusal.badRequest(
          say("weighing.that-can-be-no-plan", "e", e.getMessage()),
          say("weighing.take-up-to-three-of-the"));
    }
  }

  /**
   * One plan as it stands now.
   *
   * @param remedies by id and in order; none for handing it back
   * @throws Refusal 400 if it can be no plan
   */
  public Compared plan(Job job, Evidence evidence, Permissions permissions, List<String> remedies) {
    String id = remedies.isEmpty() ? Plan.HAND_BACK : String.join("+", remedies);
    return compare(job, evidence, permissions, Optional.of(remedies)).plans().stream()
        .filter(row -> row.plan().id().equals(id))
        .findFirst()
        .orElseThrow();
  }

  /** The parts of a machine that a move can be made on. */
  @Transactional(readOnly = true)
  public List<Weighing.Part> parts(Job job, Move move) {
    return NextMoves.partsOf(move, weighed(parts.inMachine(job.machine().id())));
  }

  /** What the drive said in this and in earlier jobs. */
  private List<DriveVisit> said(long partId) {
    return visits.of(partId).stream().map(Visit::said).toList();
  }

  /** Before its first reading a machine still has a drive, if nobody knows which. */
  private static List<Weighing.Part> weighed(List<PartPlace> drives) {
    if (drives.isEmpty()) {
      return List.of(new Weighing.Part("drive-a", Weighing.Part.DRIVE, "drive A"));
    }
    return drives.stream()
        .map(
            place ->
                new Weighing.Part(place.partKey(), Weighing.Part.DRIVE, place.slotInSentence()))
        .toList();
  }
}

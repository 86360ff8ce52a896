package tekmerion.server.intake;

import static tekmerion.words.Words.say;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.finding.Finding;
import tekmerion.core.permit.DataStatus;
import tekmerion.server.account.Accounts;
import tekmerion.server.job.Customer;
import tekmerion.server.job.Job;
import tekmerion.server.job.JobFinding;
import tekmerion.server.job.JobFindings;
import tekmerion.server.job.JobNumbers;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.job.Tell;
import tekmerion.server.part.Machine;
import tekmerion.server.permit.DataStatusEntries;
import tekmerion.server.permit.DataStatusEntry;
import tekmerion.server.person.Person;
import tekmerion.server.person.Role;
import tekmerion.server.problem.Refusal;
import tekmerion.server.search.SearchIndex;
import tekmerion.server.weighing.WeighingService;
import tekmerion.words.Speaking;
import tekmerion.words.Words;

/** Makes a job of a draft; or, if it is one already, keeps what was corrected. */
@Service
class TakeIn {
  private final Drafts drafts;
  private final Understanding understanding;
  private final Jobs jobs;
  private final JobNumbers numbers;
  private final JobFindings jobFindings;
  private final WhoAndWhich whose;
  private final DataStatusEntries statusEntries;
  private final Accounts accounts;
  private final WeighingService weighing;
  private final SearchIndex search;
  private final Tell tell;
  private final Clock clock;

  TakeIn(
      Drafts drafts,
      Understanding understanding,
      Jobs jobs,
      JobNumbers numbers,
      JobFindings jobFindings,
      WhoAndWhich whose,
      DataStatusEntries statusEntries,
      Accounts accounts,
      WeighingService weighing,
      SearchIndex search,
      Tell tell,
      Clock clock) {
    this.drafts = drafts;
    this.understanding = understanding;
    this.jobs = jobs;
    this.numbers = numbers;
    this.jobFindings = jobFindings;
    this.whose = whose;
    this.statusEntries = statusEntries;
    this.accounts = accounts;
    this.weighing = weighing;
    this.search = search;
    this.tell = tell;
    this.clock = clock;
  }

  /**
   * @return number of the job
   * @throws Refusal 409 if it was changed after the person looked; 400 if what a job cannot do
   *     without is missing
   */
  @Transactional
  String takeIn(UUID id, long seen, Person by) {
    Intake intake = drafts.lock(id);
    if (intake.isDropped()) {
      throw Refusal.notPossibleNow(
          say("intake.this-draft-was-put-aside"), say("intake.begin-a-new-one"));
    }
    if (intake.version() != seen) {
      throw Refusal.conflict(
          say("intake.the-draft-has-changed-since-you"),
          say("intake.look-it-through-then-take-it"));
    }
    Answers answers = drafts.answers(intake);
    String missing = missing(answers);
    if (missing != null) {
      throw Refusal.badRequest(
          say("intake.still-missing", "missing", missing), say("intake.ask-for-it"));
    }
    Job job = intake.jobId() == null ? fresh(answers, by) : corrected(intake, answers, by);
    intake.taken(job.id());
    search.note(job);
    return job.number();
  }

  /** What a job cannot do without: whose, which, and what is wrong. */
  static String missing(Answers answers) {
    List<String> missing = new ArrayList<>();
    if (isBlank(answers.customerName())) {
      missing.add(say("intake.the-owners-name"));
    }
    if (answers.machineId() == null && isBlank(answers.maker()) && isBlank(answers.model())) {
      missing.add(say("intake.which-machine-it-is"));
    }
    if (isBlank(answers.complaint())) {
      missing.add(say("intake.the-complaint"));
    }
    return missing.isEmpty() ? null : String.join(", ", missing);
  }

  private Job fresh(Answers answers, Person by) {
    Understanding.Told told = Words.in(Speaking.IN_CODES, () -> understanding.told(answers));
    Instant now = clock.instant();
    Machine machine = whose.machine(answers, null, now);
    Job job =
        jobs.save(
            new Job(
                numbers.next(),
                machine,
                whose.customer(answers, null),
                answers.complaint().strip(),
                told.families(),
                answers.bootStage(),
                now,
                answers.promisedAt()));
    apply(job, answers, told, Map.of(), by);
    tell.journal(
        job,
        JournalEntry.Kind.INTAKE,
        () -> say("intake.taken-in"),
        () -> say("words.quoted", "text", answers.complaint().strip()),
        by);
    dataStatus(job, answers, Answers.NOTHING, by);
    weighing.reweigh(job);
    return job;
  }

  private Job corrected(Intake intake, Answers answers, Person by) {
    Job job = jobs.findById(intake.jobId()).orElseThrow();
    if (job.endedAt() != null) {
      throw Refusal.notPossibleNow(
          say("intake.the-job-is-ended"), say("intake.take-the-machine-in-anew"));
    }
    Answers before = drafts.applied(intake);
    Understanding.Told told = Words.in(Speaking.IN_CODES, () -> understanding.told(answers));
    Map<String, Finding> stood = new LinkedHashMap<>();
    jobFindings.standing(job.id()).forEach(finding -> stood.put(finding.id(), finding));
    // One that was met before belongs to other jobs too: "not that one" makes a new one.
    Customer customer = before.customerId() == null ? job.customer() : null;
    Machine machine = before.machineId() == null ? job.machine() : null;
    job.belongsTo(
        whose.customer(answers, customer), whose.machine(answers, machine, clock.instant()));
    apply(job, answers, told, stood, by);
    tell.journal(
        job,
        JournalEntry.Kind.INTAKE,
        () -> say("intake.intake-corrected"),
        () -> Differences.between(before, answers),
        by);
    dataStatus(job, answers, before, by);
    weighing.reweigh(job);
    return job;
  }

  /** Keeps what changed of the findings: new levels, and nothing where there was one. */
  private void apply(
      Job job, Answers answers, Understanding.Told told, Map<String, Finding> stood, Person by) {
    job.said(
        answers.complaint().strip(),
        isBlank(answers.errorText()) ? null : answers.errorText().strip(),
        told.families(),
        answers.bootStage(),
        answers.promisedAt());
    Instant now = clock.instant();
    Map<String, Finding> gone = new LinkedHashMap<>(stood);
    for (Finding finding : told.findings()) {
      Finding before = gone.remove(finding.id());
      if (before == null || !before.level().equals(finding.level())) {
        jobFindings.save(
            new JobFinding(job.id(), finding.id(), finding.level(), finding.words(), now));
      }
    }
    gone.keySet()
        .forEach(
            id ->
                jobFindings.save(
                    new JobFinding(job.id(), id, null, say("intake.taken-back"), now)));
    if (by.role() != Role.COUNTER && job.holder() == null && stood.isEmpty()) {
      job.heldBy(accounts.getReferenceById(by.id()));
    }
  }

  private void dataStatus(Job job, Answers answers, Answers before, Person by) {
    if (Objects.equals(answers.dataWanted(), before.dataWanted())
        && Objects.equals(answers.waiver(), before.waiver())) {
      return;
    }
    Answers.Waiver waiver = answers.waiver();
    DataStatus dataStatus =
        Boolean.TRUE.equals(answers.dataWanted()) ? DataStatus.WANTED : DataStatus.NOT_ASKED;
    statusEntries.save(
        new DataStatusEntry(
            job.id(),
            dataStatus,
            waiver == null ? null : waiver.name(),
            waiver == null ? null : waiver.wording(),
            by.id(),
            clock.instant()));
    job.dataStatus(dataStatus);
    tell.journal(
        job,
        JournalEntry.Kind.DATA_STATUS,
        () ->
            waiver == null
                ? say("intake.data", "dataStatus", dataStatus.words())
                : say("intake.data-not-wanted-says-its-owner"),
        () ->
            waiver == null
                ? dataStatus.meaning()
                : say(
                    "intake.signed-by-it-opens-nothing-before",
                    "waiver",
                    waiver.name(),
                    "wording",
                    waiver.wording()),
        by);
  }

  private static boolean isBlank(String text) {
    return text == null || text.isBlank();
  }
}

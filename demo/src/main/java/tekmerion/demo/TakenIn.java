package tekmerion.demo;

import java.time.Instant;
import java.util.List;
import org.springframework.stereotype.Component;
import tekmerion.core.permit.DataStatus;
import tekmerion.server.account.Account;
import tekmerion.server.intake.Answers;
import tekmerion.server.intake.Drafts;
import tekmerion.server.intake.Understanding;
import tekmerion.server.job.Customer;
import tekmerion.server.job.Job;
import tekmerion.server.job.JobFinding;
import tekmerion.server.job.JobFindings;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.Journal;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.part.Machine;
import tekmerion.server.permit.DataStatusEntries;
import tekmerion.server.permit.DataStatusEntry;

/** Takes a made-up machine in, as of the time when it came; what is heard of it is the server's. */
@Component
class TakenIn {
  private final Jobs jobs;
  private final JobFindings findings;
  private final DataStatusEntries statusEntries;
  private final Drafts drafts;
  private final Understanding understanding;
  private final Journal journal;

  TakenIn(
      Jobs jobs,
      JobFindings findings,
      DataStatusEntries statusEntries,
      Drafts drafts,
      Understanding understanding,
      Journal journal) {
    this.jobs = jobs;
    this.findings = findings;
    this.statusEntries = statusEntries;
    this.drafts = drafts;
    this.understanding = understanding;
    this.journal = journal;
  }

  /**
   * A job as it is after taking in.
   *
   * @param bootStage null if nobody was asked
   * @param dataWanted null if nobody was asked
   */
  Job job(
      String number,
      Machine machine,
      Customer customer,
      Answers answers,
      Boolean dataWanted,
      Instant then,
      Instant promised,
      Account counter) {
    Understanding.Understood understood = understanding.of(answers);
    List<String> bootStages = answers.said().get("boot-stage");
    String bootStage = bootStages == null ? null : bootStages.get(0);
    Job job =
        jobs.save(
            new Job(
                number,
                machine,
                customer,
                answers.complaint(),
                understood.families(),
                bootStage,
                then,
                promised));
    job.said(answers.complaint(), answers.errorText(), understood.families(), bootStage, promised);
    understood
        .findings()
        .forEach(s -> findings.save(new JobFinding(job.id(), s.id(), s.level(), s.words(), then)));
    drafts.keepFor(job.id(), answers, counter.id(), then);
    tell(job, then, JournalEntry.Kind.INTAKE, "Taken in", "“" + job.complaint() + "”", counter);
    if (Boolean.TRUE.equals(dataWanted)) {
      say(job, DataStatus.WANTED, counter, then);
    }
    return job;
  }

  private void say(Job job, DataStatus dataStatus, Account by, Instant when) {
    statusEntries.save(new DataStatusEntry(job.id(), dataStatus, null, null, by.id(), when));
    job.dataStatus(dataStatus);
    tell(
        job,
        when,
        JournalEntry.Kind.DATA_STATUS,
        "Data " + dataStatus.words(),
        dataStatus.meaning(),
        by);
  }

  void tell(
      Job job, Instant when, JournalEntry.Kind kind, String title, String detail, Account who) {
    journal.save(new JournalEntry(job.id(), when, kind, title, detail, who.displayName()));
  }
}

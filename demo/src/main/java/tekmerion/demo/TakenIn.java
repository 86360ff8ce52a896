package tekmerion.demo;

import static tekmerion.words.Words.say;

import java.time.Instant;
import java.util.List;
import java.util.function.Supplier;
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
import tekmerion.words.Speaking;
import tekmerion.words.Words;

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
    Understanding.Told told = Words.in(Speaking.IN_CODES, () -> understanding.told(answers));
    List<String> bootStages = answers.said().get("boot-stage");
    String bootStage = bootStages == null ? null : bootStages.get(0);
    Job job =
        jobs.save(
            new Job(
                number,
                machine,
                customer,
                answers.complaint(),
                told.families(),
                bootStage,
                then,
                promised));
    job.said(answers.complaint(), answers.errorText(), told.families(), bootStage, promised);
    told.findings()
        .forEach(s -> findings.save(new JobFinding(job.id(), s.id(), s.level(), s.words(), then)));
    drafts.keepFor(job.id(), answers, counter.id(), then);
    tell(
        job,
        then,
        JournalEntry.Kind.INTAKE,
        () -> say("intake.taken-in"),
        () -> say("words.quoted", "text", job.complaint()),
        counter);
    if (Boolean.TRUE.equals(dataWanted)) {
      dataSaid(job, DataStatus.WANTED, counter, then);
    }
    return job;
  }

  private void dataSaid(Job job, DataStatus dataStatus, Account by, Instant when) {
    statusEntries.save(new DataStatusEntry(job.id(), dataStatus, null, null, by.id(), when));
    job.dataStatus(dataStatus);
    tell(
        job,
        when,
        JournalEntry.Kind.DATA_STATUS,
        () -> say("decision.data", "status", dataStatus.words()),
        dataStatus::meaning,
        by);
  }

  void tell(
      Job job,
      Instant when,
      JournalEntry.Kind kind,
      Supplier<String> title,
      Supplier<String> detail,
      Account who) {
    journal.save(
        new JournalEntry(
            job.id(), when, kind, Words.kept(title), Words.kept(detail), who.displayName()));
  }
}

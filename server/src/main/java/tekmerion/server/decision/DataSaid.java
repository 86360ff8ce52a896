package tekmerion.server.decision;

import static tekmerion.words.Words.say;

import java.time.Clock;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.permit.DataStatus;
import tekmerion.server.job.Job;
import tekmerion.server.job.JobLock;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.job.Tell;
import tekmerion.server.permit.DataStatusEntries;
import tekmerion.server.permit.DataStatusEntry;
import tekmerion.server.permit.DataStatuses;
import tekmerion.server.permit.Withdrawal;
import tekmerion.server.person.Person;
import tekmerion.server.problem.Refusal;
import tekmerion.words.Words;

/** What the owner says becomes of the data. */
@Service
class DataSaid {
  private final JobLock jobs;
  private final DataStatusEntries statusEntries;
  private final DataStatuses statuses;
  private final Withdrawal withdrawal;
  private final Tell tell;
  private final Clock clock;

  DataSaid(
      JobLock jobs,
      DataStatusEntries statusEntries,
      DataStatuses statuses,
      Withdrawal withdrawal,
      Tell tell,
      Clock clock) {
    this.jobs = jobs;
    this.statusEntries = statusEntries;
    this.statuses = statuses;
    this.withdrawal = withdrawal;
    this.tell = tell;
    this.clock = clock;
  }

  /**
   * Keeps what the owner says about the data. "Copied" and "copy verified" come from runs only,
   * "not wanted" from a signature that names the drives.
   */
  @Transactional
  void take(String number, long version, DataStatus status, Person by) {
    Job job = jobs.forChange(number, version);
    if (status == DataStatus.COPIED || status == DataStatus.COPY_VERIFIED) {
      throw Refusal.badRequest(
          say("decision.a-copy-counts-by-evidence-only"), say("decision.run-a-copy-and-have-it"));
    }
    if (status == DataStatus.NOT_WANTED) {
      throw Refusal.badRequest(
          say("decision.not-wanted-needs-the-owners-signature"),
          say("decision.have-the-drives-read-then-sign"));
    }
    statusEntries.save(new DataStatusEntry(job.id(), status, null, null, by.id(), clock.instant()));
    tell.journal(
        job,
        JournalEntry.Kind.DATA_STATUS,
        () -> say("decision.data", "status", status.words()),
        () -> status.meaning(),
        by);
    statuses.settle(
        job, Words.kept(() -> say("decision.said-by-the-owner")), by.id(), by.displayName());
    withdrawal.check(job);
  }
}

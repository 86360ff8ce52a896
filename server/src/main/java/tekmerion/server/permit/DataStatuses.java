package tekmerion.server.permit;

import static tekmerion.words.Words.say;

import java.time.Clock;
import java.time.Instant;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.permit.PartIdentity;
import tekmerion.server.job.Job;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.job.Tell;

/**
 * Keeps, for floor and search, the least safe of the data statuses of a job's drives. Nothing is
 * permitted by it: that is asked of {@link JobPermissions} each time.
 */
@Service
public class DataStatuses {
  private final JobPermissions permissions;
  private final DataStatusEntries statusEntries;
  private final Tell tell;
  private final Clock clock;

  DataStatuses(
      JobPermissions permissions, DataStatusEntries statusEntries, Tell tell, Clock clock) {
    this.permissions = permissions;
    this.statusEntries = statusEntries;
    this.tell = tell;
    this.clock = clock;
  }

  /**
   * Works the status out anew and keeps it if it is another one, in this job and in every other
   * that the drive is in.
   *
   * @param drive that something was found out of; empty if it did not tell who it is
   * @param rests what it follows from, in words
   * @param by account of whoever asked for that
   * @param who for the history
   */
  @Transactional(propagation = Propagation.MANDATORY)
  public void settleAll(Job job, Optional<PartIdentity> drive, String rests, Long by, String who) {
    settle(job, rests, by, who);
    drive.stream()
        .flatMap(d -> permissions.othersWith(job, d).stream())
        .forEach(other -> settle(other, rests, by, who));
  }

  /** Of this job alone. */
  @Transactional(propagation = Propagation.MANDATORY)
  public void settle(Job job, String rests, Long by, String who) {
    if (job.endedAt() != null) {
      return; // what is erased after the hand-back changes nothing about what was decided
    }
    DataStatus status = permissions.of(job).least();
    if (status == job.dataStatus()) {
      return;
    }
    Instant now = clock.instant();
    job.dataStatus(status);
    statusEntries.save(DataStatusEntry.byRun(job.id(), status, rests, by, now));
    tell.journal(
        job,
        JournalEntry.Kind.DATA_STATUS,
        () -> say("permit.data", "status", status.words()),
        () -> status.meaning(),
        who);
  }
}

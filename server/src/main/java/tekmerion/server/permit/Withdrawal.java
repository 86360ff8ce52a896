package tekmerion.server.permit;

import static tekmerion.words.Words.say;

import java.time.Clock;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.permit.Permission;
import tekmerion.server.job.Job;
import tekmerion.server.job.Journal;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.probe.ProbeBoard;
import tekmerion.server.run.Run;
import tekmerion.server.run.Runs;

/**
 * Ends what writes to a drive as soon as it is not permitted any more. A probe that is not reached
 * gets no new release, and the one that it has runs out in seconds.
 */
@Service
public class Withdrawal {
  private final Runs runs;
  private final JobPermissions permissions;
  private final ProbeBoard probes;
  private final Journal journal;
  private final Clock clock;

  Withdrawal(
      Runs runs, JobPermissions permissions, ProbeBoard probes, Journal journal, Clock clock) {
    this.runs = runs;
    this.permissions = permissions;
    this.probes = probes;
    this.journal = journal;
    this.clock = clock;
  }

  /** To be called whenever something changed that a permission depends on. */
  @Transactional(propagation = Propagation.MANDATORY)
  public void check(Job job) {
    for (Run run : runs.writing(job.id())) {
      if (run.state() == Run.State.ENDING) {
        continue;
      }
      permissions.ofRelease(job, run).locked().ifPresent(locked -> withdraw(job, run, locked));
    }
  }

  private void withdraw(Job job, Run run, Permission.Locked locked) {
    runs.is(run.id(), Run.State.ENDING);
    probes.send(run.probeId(), Runs.stop(run, false));
    journal.save(
        new JournalEntry(
            job.id(),
            clock.instant(),
            JournalEntry.Kind.RUN,
            say("permit.permission-withdrawn", "runs", runs.name(run)),
            locked.reason(),
            "server"));
  }
}

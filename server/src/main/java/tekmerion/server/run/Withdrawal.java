package tekmerion.server.run;

import java.time.Clock;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.permit.Permission;
import tekmerion.server.job.Job;
import tekmerion.server.job.Trace;
import tekmerion.server.job.TraceEntry;
import tekmerion.server.link.ProbeBoard;
import tekmerion.server.permit.JobPermissions;

/**
 * Ends what writes to a drive as soon as it is not permitted any more. A probe that is not reached
 * gets no new release, and the one that it has runs out in seconds.
 */
@Service
public class Withdrawal {
  private final Runs runs;
  private final JobPermissions permissions;
  private final ProbeBoard probes;
  private final Trace trace;
  private final Clock clock;

  Withdrawal(Runs runs, JobPermissions permissions, ProbeBoard probes, Trace trace, Clock clock) {
    this.runs = runs;
    this.permissions = permissions;
    this.probes = probes;
    this.trace = trace;
    this.clock = clock;
  }

  /** To be called whenever something changed that a permission depends on. */
  @Transactional(propagation = Propagation.MANDATORY)
  public void check(Job job) {
    for (DriveRun run : runs.writing(job.id())) {
      if (run.state() == DriveRun.State.ENDING) {
        continue;
      }
      permissions.ofRelease(job, run).locked().ifPresent(locked -> withdraw(job, run, locked));
    }
  }

  private void withdraw(Job job, DriveRun run, Permission.Locked locked) {
    runs.is(run.id(), DriveRun.State.ENDING);
    probes.send(run.probeId(), Runs.stop(run, false));
    trace.save(
        new TraceEntry(
            job.id(),
            clock.instant(),
            TraceEntry.Kind.RUN,
            runs.name(run) + ": permission withdrawn",
            locked.reason(),
            "server"));
  }
}

package tekmerion.server.run;

import java.time.Clock;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.link.LinkEvent;
import tekmerion.link.ToServer;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.Notices;
import tekmerion.server.job.Trace;
import tekmerion.server.job.TraceEntry;
import tekmerion.server.live.LiveEvents;
import tekmerion.server.permit.DataStatuses;
import tekmerion.server.weighing.WeighingService;

/** Applies what probes tell of runs. */
@Service
public class RunInbox {
  private static final int MOST_WHY_CHARS = 1_000;
  private static final int FLOOR_STEPS = 50;
  private final Runs runs;
  private final Jobs jobs;
  private final WeighingService weighing;
  private final DataStatuses statuses;
  private final Trace trace;
  private final Notices notices;
  private final LiveEvents live;
  private final Clock clock;

  RunInbox(
      Runs runs,
      Jobs jobs,
      WeighingService weighing,
      DataStatuses statuses,
      Trace trace,
      Notices notices,
      LiveEvents live,
      Clock clock) {
    this.runs = runs;
    this.jobs = jobs;
    this.weighing = weighing;
    this.statuses = statuses;
    this.trace = trace;
    this.notices = notices;
    this.live = live;
    this.clock = clock;
  }

  @Transactional
  public void told(UUID probeId, ToServer.RunProgress progress) {
    Optional<DriveRun> before = runs.find(progress.requestId());
    runs.told(probeId, progress);
    live.changed("run:" + progress.requestId());
    // The floor is asked anew by everybody: every fiftieth part of the way is often enough for it.
    double seen = before.map(DriveRun::share).orElse(-1.0);
    if ((int) (FLOOR_STEPS * seen) != (int) (FLOOR_STEPS * progress.share())) {
      live.changed("floor");
    }
  }

  /**
   * @return why it could not be applied; the caller then keeps it whole. Empty if it was.
   */
  @Transactional
  public Optional<String> ended(UUID probeId, LinkEvent.RunEnded event) {
    Optional<DriveRun> found = runs.find(event.requestId());
    if (found.isEmpty() || !found.get().probeId().equals(probeId)) {
      return Optional.of("no such run was asked of this probe");
    }
    DriveRun run = found.get();
    if (run.state() == DriveRun.State.ENDED) {
      return Optional.of("this run is ended already");
    }
    boolean fits =
        event.startedAt() != null
            && event.endedAt() != null
            && event.end() != null
            && (event.why() == null || event.why().length() <= MOST_WHY_CHARS);
    if (!fits) {
      return Optional.of("a field of the run's end is missing or too long");
    }
    runs.ended(event);
    Job job = jobs.findById(run.jobId()).orElseThrow();
    if (run.kind().isOfData()) {
      statuses.settle(
          job, "by the runs of the job; the last one is " + run.id(), run.askedBy(), "probe");
    }
    weighing.reweigh(job);
    String what = RunWords.name(run.kind());
    trace.save(
        new TraceEntry(
            job.id(),
            clock.instant(),
            TraceEntry.Kind.RUN,
            "%s: %s".formatted(what, RunWords.end(event)),
            RunWords.detail(event),
            "probe"));
    notices.tellHolders(job, "%s of %s: %s".formatted(what, job.number(), RunWords.end(event)));
    live.changed("run:" + run.id());
    live.changed("job:" + job.number());
    live.changed("floor");
    return Optional.empty();
  }
}

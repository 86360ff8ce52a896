package tekmerion.server.inbox;

import java.time.Clock;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.link.LinkEvent;
import tekmerion.link.ToServer;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.job.Notices;
import tekmerion.server.job.Tell;
import tekmerion.server.permit.DataStatuses;
import tekmerion.server.probe.ProbeClock;
import tekmerion.server.run.Run;
import tekmerion.server.run.RunWords;
import tekmerion.server.run.Runs;
import tekmerion.server.weighing.WeighingService;

/** Applies what probes tell of runs. */
@Service
public class RunInbox {
  private static final int MAX_WHY_CHARS = 1_000;
  private static final int FLOOR_STEPS = 50;
  private static final long LOOK_MS = 15_000;
  private static final long AWAY_SECONDS = 30;
  private static final String PROBE_AWAY =
      "Its machine is not on the bench link: switched off, or without network. It goes on by itself"
          + " when the machine is back.";

  private final Runs runs;
  private final Jobs jobs;
  private final WeighingService weighing;
  private final DataStatuses statuses;
  private final Tell tell;
  private final Notices notices;
  private final Clock clock;

  RunInbox(
      Runs runs,
      Jobs jobs,
      WeighingService weighing,
      DataStatuses statuses,
      Tell tell,
      Notices notices,
      Clock clock) {
    this.runs = runs;
    this.jobs = jobs;
    this.weighing = weighing;
    this.statuses = statuses;
    this.tell = tell;
    this.notices = notices;
    this.clock = clock;
  }

  @Transactional
  public void told(UUID probeId, ToServer.RunProgress progress) {
    Optional<Run> before = runs.find(progress.requestId());
    if (before.isEmpty()
        || !before.get().probeId().equals(probeId)
        || !before.get().kind().finds(progress.result())) {
      return; // not this probe's run, or nothing that such a run finds: it is not kept anyway
    }
    runs.told(probeId, progress);
    tell.run(progress.requestId());
    // The floor is asked anew by everybody: every fiftieth part of the way is often enough for it.
    double seen = before.map(Run::share).orElse(-1.0);
    if ((int) (FLOOR_STEPS * seen) != (int) (FLOOR_STEPS * progress.share())) {
      tell.floor();
    }
  }

  @Transactional
  public void waits(UUID probeId, ToServer.RunWaits told) {
    runs.find(told.requestId())
        .filter(run -> run.probeId().equals(probeId))
        .ifPresent(run -> waits(run, told.why(), "probe"));
  }

  /** A machine that was switched off, or its probe: nobody would say so else. */
  @Scheduled(fixedDelay = LOOK_MS, initialDelay = LOOK_MS)
  @Transactional
  public void lookForProbesThatAreAway() {
    for (UUID id : runs.withoutProbeSince(clock.instant().minusSeconds(AWAY_SECONDS))) {
      runs.find(id).ifPresent(run -> waits(run, PROBE_AWAY, "server"));
    }
  }

  private void waits(Run run, String why, String who) {
    if (!runs.waits(run.id(), why)) {
      return;
    }
    Job job = jobs.findById(run.jobId()).orElseThrow();
    tell.journal(
        job,
        JournalEntry.Kind.RUN,
        "%s waits at %.0f %%"
            .formatted(runs.name(run), run.share() == null ? 0 : 100 * run.share()),
        why,
        who);
    notices.tellHolders(job, "%s: %s waits".formatted(job.number(), runs.name(run)));
    tell.run(run.id());
  }

  /** What a probe says of its run cannot be used: the run is ended as one that could not be run. */
  @Transactional
  public void unusable(UUID probeId, UUID runId) {
    runs.find(runId)
        .filter(r -> r.probeId().equals(probeId) && r.state() != Run.State.ENDED)
        .ifPresent(
            run -> {
              Instant now = clock.instant();
              runs.ended(
                  new LinkEvent.RunEnded(
                      runId,
                      run.partKey(),
                      run.kind(),
                      now,
                      now,
                      LinkEvent.End.COULD_NOT_RUN,
                      "what the probe sent of it cannot be used; it is kept whole",
                      null),
                  run.askedAt(),
                  now);
              Job job = jobs.findById(run.jobId()).orElseThrow();
              tell.journal(
                  job,
                  JournalEntry.Kind.RUN,
                  runs.name(run) + " could not be used",
                  "what the probe sent is kept whole",
                  "server");
              tell.run(runId);
            });
  }

  /**
   * @return why it could not be applied; the caller then keeps it whole. Empty if it was.
   */
  @Transactional
  public Optional<String> ended(UUID probeId, LinkEvent.RunEnded event) {
    Optional<Run> found = runs.find(event.requestId());
    if (found.isEmpty() || !found.get().probeId().equals(probeId)) {
      return Optional.of("no such run was asked of this probe");
    }
    Run run = found.get();
    if (run.state() == Run.State.ENDED) {
      return Optional.of("this run is ended already");
    }
    boolean fits =
        event.end() != null
            && (event.why() == null || event.why().length() <= MAX_WHY_CHARS)
            && run.kind().finds(event.result());
    if (!fits) {
      return Optional.of("it is not what such a run finds, or a field is missing or too long");
    }
    Instant now = clock.instant();
    Instant endedAt = ProbeClock.or(event.endedAt(), now);
    Instant startedAt = ProbeClock.or(event.startedAt(), endedAt);
    runs.ended(event, startedAt.isAfter(endedAt) ? endedAt : startedAt, endedAt);
    Job job = jobs.findById(run.jobId()).orElseThrow();
    if (run.kind().isAboutData()) {
      statuses.settleAll(
          job,
          event.drive() == null ? Optional.empty() : Optional.of(event.drive().identity()),
          "by the runs of the job; the last one is " + run.id(),
          run.askedBy(),
          "probe");
    }
    weighing.reweigh(job);
    String what = runs.name(run);
    tell.journal(
        job,
        JournalEntry.Kind.RUN,
        "%s: %s".formatted(what, RunWords.end(event)),
        RunWords.detail(event),
        "probe");
    notices.tellHolders(job, "%s: %s: %s".formatted(job.number(), what, RunWords.end(event)));
    tell.run(run.id());
    return Optional.empty();
  }
}

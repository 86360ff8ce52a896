package tekmerion.server.inbox;

import static tekmerion.words.Words.say;

import java.time.Clock;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.link.LinkEvent;
import tekmerion.link.LinkFormatException;
import tekmerion.link.RunKind;
import tekmerion.link.RunNames;
import tekmerion.link.ToServer;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.job.Notices;
import tekmerion.server.job.Tell;
import tekmerion.server.part.PartService;
import tekmerion.server.permit.DataStatuses;
import tekmerion.server.person.Person;
import tekmerion.server.probe.ProbeClock;
import tekmerion.server.run.Run;
import tekmerion.server.run.Runs;
import tekmerion.server.weighing.WeighingService;
import tekmerion.words.Words;

/** Applies what probes tell of runs. */
@Service
public class RunInbox {
  private static final int MAX_WHY_CHARS = 1_000;
  private static final int MAX_KEY_CHARS = 60;
  private static final int FLOOR_STEPS = 50;
  private static final long LOOK_MS = 15_000;
  private static final long AWAY_SECONDS = 30;

  private static String probeAway() {
    return say("inbox.its-machine-is-not-on-the");
  }

  private final Runs runs;
  private final Jobs jobs;
  private final PartService parts;
  private final WeighingService weighing;
  private final DataStatuses statuses;
  private final Tell tell;
  private final Notices notices;
  private final Clock clock;

  RunInbox(
      Runs runs,
      Jobs jobs,
      PartService parts,
      WeighingService weighing,
      DataStatuses statuses,
      Tell tell,
      Notices notices,
      Clock clock) {
    this.runs = runs;
    this.jobs = jobs;
    this.parts = parts;
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
      runs.find(id).ifPresent(run -> waits(run, Words.kept(RunInbox::probeAway), "server"));
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
        () ->
            say(
                "inbox.waits-at",
                "runs",
                runs.name(run),
                "share",
                run.share() == null ? 0 : 100 * run.share()),
        () -> why,
        who);
    notices.tellHolders(job, () -> say("inbox.waits", "job", job.number(), "runs", runs.name(run)));
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
                      Words.kept(() -> say("inbox.what-the-probe-sent-of-it")),
                      null),
                  run.askedAt(),
                  now);
              Job job = jobs.findById(run.jobId()).orElseThrow();
              tell.journal(
                  job,
                  JournalEntry.Kind.RUN,
                  () -> say("inbox.could-not-be-used", "runs", runs.name(run)),
                  () -> say("inbox.what-the-probe-sent-is-kept"),
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
      return Optional.of(say("inbox.no-such-run-was-asked-of"));
    }
    Run run = found.get();
    if (run.state() == Run.State.ENDED) {
      return Optional.of(say("inbox.this-run-is-ended-already"));
    }
    if (!fits(run.kind(), event)) {
      return Optional.of(say("inbox.it-is-not-what-such-a"));
    }
    keepEnd(event);
    Job job = jobs.findById(run.jobId()).orElseThrow();
    if (run.kind().isAboutData()) {
      statuses.settleAll(
          job,
          event.drive() == null ? Optional.empty() : Optional.of(event.drive().identity()),
          Words.kept(() -> say("inbox.by-the-runs-of-the-job", "run", run.id())),
          run.askedBy(),
          "probe");
    }
    told(job, run, event);
    return Optional.empty();
  }

  private static boolean fits(RunKind kind, LinkEvent.RunEnded event) {
    return event.end() != null
        && (event.why() == null || event.why().length() <= MAX_WHY_CHARS)
        && kind.finds(event.result());
  }

  private void keepEnd(LinkEvent.RunEnded event) {
    Instant endedAt = ProbeClock.or(event.endedAt(), clock.instant());
    Instant told = ProbeClock.or(event.startedAt(), endedAt);
    runs.ended(event, told.isAfter(endedAt) ? endedAt : told, endedAt);
  }

  private void told(Job job, Run run, LinkEvent.RunEnded event) {
    weighing.reweigh(job);
    tell.journal(
        job,
        JournalEntry.Kind.RUN,
        () -> "%s: %s".formatted(runs.name(run), RunNames.end(event)),
        () -> RunNames.detail(event),
        "probe");
    notices.tellHolders(
        job, () -> "%s: %s: %s".formatted(job.number(), runs.name(run), RunNames.end(event)));
    tell.run(run.id());
  }

  /**
   * Keeps a run that was made without the shop and came as a file: evidence like any other, but no
   * copy, no proof and no data status follows from it. One that is known already changes nothing.
   *
   * @return whether it was new
   * @throws LinkFormatException if it is no run that a machine makes by itself; nothing is kept
   *     then
   */
  @Transactional
  public boolean captured(Job job, UUID probeId, LinkEvent.RunEnded event, Person by) {
    RunKind kind = event.run();
    boolean alone =
        event.requestId() != null
            && kind != null
            && !kind.needsRelease()
            && !kind.usesCopies()
            && event.partKey() != null
            && event.partKey().length() <= MAX_KEY_CHARS
            && kind.partKey().map(event.partKey()::equals).orElse(true);
    if (!alone || !fits(kind, event)) {
      throw new LinkFormatException(say("inbox.it-is-not-what-such-a"));
    }
    if (runs.find(event.requestId()).isPresent()) {
      return false;
    }
    Long part =
        kind
            .partKey()
            .map(key -> parts.inMachine(job.machine().id(), key))
            .orElseGet(() -> parts.inMachine(job.machine().id()))
            .stream()
            .filter(place -> place.partKey().equals(event.partKey()))
            .map(place -> place.part().id())
            .findFirst()
            .orElse(null);
    runs.brought(
        job.id(), part, probeId, event, ProbeClock.or(event.startedAt(), clock.instant()), by.id());
    keepEnd(event);
    told(job, runs.find(event.requestId()).orElseThrow(), event);
    return true;
  }
}

package tekmerion.server.inbox;

import static tekmerion.words.Words.say;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.link.HeldCopy;
import tekmerion.link.RunKind;
import tekmerion.link.ToServer;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.job.Notices;
import tekmerion.server.job.Tell;
import tekmerion.server.permit.DataStatuses;
import tekmerion.server.run.CopiesOfJob;
import tekmerion.server.run.DataRuns;
import tekmerion.server.run.Run;
import tekmerion.server.run.Runs;
import tekmerion.server.weighing.WeighingService;
import tekmerion.words.Words;

/**
 * Compares the copies that a probe holds with those that jobs count on. A copy that is gone counts
 * for nothing; one that came back counts again when it was read again. What is being written on the
 * strength of it gets no new release, and the one that it has runs out in seconds.
 */
@Service
public class CopiesInbox {
  /** What was told may have been looked at right before the copy was made. */
  private static final Duration TOO_NEW = Duration.ofSeconds(10);

  private final Runs runs;
  private final DataRuns dataRuns;
  private final CopiesOfJob copies;
  private final Jobs jobs;
  private final WeighingService weighing;
  private final DataStatuses statuses;
  private final Tell tell;
  private final Notices notices;
  private final Clock clock;

  CopiesInbox(
      Runs runs,
      DataRuns dataRuns,
      CopiesOfJob copies,
      Jobs jobs,
      WeighingService weighing,
      DataStatuses statuses,
      Tell tell,
      Notices notices,
      Clock clock) {
    this.runs = runs;
    this.dataRuns = dataRuns;
    this.copies = copies;
    this.jobs = jobs;
    this.weighing = weighing;
    this.statuses = statuses;
    this.tell = tell;
    this.notices = notices;
    this.clock = clock;
  }

  /** One copy, whichever runs made it: an image goes on from run to run. */
  private record Copy(long jobId, String partKey, boolean image, Integer volume) {
    static Copy of(Run run) {
      Integer volume = run.kind() == RunKind.FILE_COPY ? run.order().volume() : null;
      return new Copy(run.jobId(), run.partKey(), run.kind().isRescue(), volume);
    }
  }

  @Transactional
  public void held(UUID probeId, ToServer.CopiesHeld told) {
    Map<Copy, List<Run>> made =
        dataRuns.copiesOf(probeId).stream()
            .filter(run -> run.result().madeCopies() && copies.isKept(run))
            .collect(Collectors.groupingBy(Copy::of));
    made.forEach(
        (copy, runsOfIt) -> {
          Job job = jobs.findById(copy.jobId()).orElseThrow();
          boolean there = told.copies().stream().anyMatch(c -> holds(c, job.number(), copy));
          List<Run> changed =
              runsOfIt.stream().filter(r -> r.isCopyMissing() == there && isSettled(r)).toList();
          if (!changed.isEmpty()) {
            changed.forEach(r -> dataRuns.copyIs(r.id(), there));
            tell(job, copy, changed.get(0), there);
          }
        });
  }

  /** A probe that says now this, now that fills no history: a copy changes once in a while. */
  private boolean isSettled(Run run) {
    Instant lately = clock.instant().minus(TOO_NEW);
    return Stream.of(run.ending().receivedAt(), run.copyMissingAt(), run.copyFoundAt())
        .filter(Objects::nonNull)
        .noneMatch(at -> at.isAfter(lately));
  }

  private static boolean holds(HeldCopy held, String job, Copy copy) {
    if (!held.job().equals(job) || !held.partKey().equals(copy.partKey())) {
      return false;
    }
    return copy.image()
        ? held.image()
        : copy.volume() == null ? held.byContent() : held.volumes().contains(copy.volume());
  }

  private void tell(Job job, Copy copy, Run run, boolean there) {
    Supplier<String> finding =
        () ->
            say(
                "inbox.of",
                "image",
                copy.image() ? say("inbox.the-image") : say("inbox.the-copied-files"),
                "drive",
                runs.drive(run),
                "there",
                there ? say("inbox.is-there-again") : say("inbox.is-not-where-it-was-made"));
    tell.journal(
        job,
        JournalEntry.Kind.RUN,
        finding,
        () ->
            say(
                !there
                    ? "inbox.it-does-not-count-as-copied"
                    : copy.image()
                        ? "inbox.check-the-image-it-counts-again"
                        : "inbox.copy-the-files-again-they-count"),
        "probe");
    weighing.reweigh(job);
    statuses.settle(
        job,
        Words.kept(() -> say("inbox.by-the-copies-that-are-there", "run", run.id())),
        run.askedBy(),
        "server");
    notices.tellHolders(job, () -> "%s: %s".formatted(job.number(), finding.get()));
  }
}

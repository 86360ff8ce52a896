package tekmerion.server.run;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.words.Sentences;
import tekmerion.link.CarveFinding;
import tekmerion.link.FilesFinding;
import tekmerion.link.HeldCopy;
import tekmerion.link.RescueFinding;
import tekmerion.link.ToServer;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.Notices;
import tekmerion.server.job.Trace;
import tekmerion.server.job.TraceEntry;
import tekmerion.server.live.LiveEvents;
import tekmerion.server.permit.DataStatuses;
import tekmerion.server.weighing.WeighingService;

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
  private final CopiesOfJob copies;
  private final Jobs jobs;
  private final WeighingService weighing;
  private final DataStatuses statuses;
  private final Trace trace;
  private final Notices notices;
  private final LiveEvents live;
  private final Clock clock;

  CopiesInbox(
      Runs runs,
      CopiesOfJob copies,
      Jobs jobs,
      WeighingService weighing,
      DataStatuses statuses,
      Trace trace,
      Notices notices,
      LiveEvents live,
      Clock clock) {
    this.runs = runs;
    this.copies = copies;
    this.jobs = jobs;
    this.weighing = weighing;
    this.statuses = statuses;
    this.trace = trace;
    this.notices = notices;
    this.live = live;
    this.clock = clock;
  }

  @Transactional
  public void held(UUID probeId, ToServer.CopiesHeld told) {
    Instant lately = clock.instant().minus(TOO_NEW);
    for (DriveRun run : runs.copiesOf(probeId)) {
      if (!madeSomething(run) || run.result().receivedAt().isAfter(lately)) {
        continue;
      }
      Job job = jobs.findById(run.jobId()).orElseThrow();
      boolean there = told.copies().stream().anyMatch(c -> isOf(c, job, run));
      if (there == run.isCopyMissing() && copies.isKept(run)) {
        runs.copyIs(run.id(), there);
        tell(job, run, there);
      }
    }
  }

  private static boolean madeSomething(DriveRun run) {
    if (run.finding() instanceof RescueFinding image) {
      return image.readBytes() > 0;
    }
    return run.finding() instanceof FilesFinding files
        ? files.files() > 0
        : run.finding() instanceof CarveFinding carved && carved.files() > 0;
  }

  private static boolean isOf(HeldCopy copy, Job job, DriveRun run) {
    boolean ofPlace = copy.job().equals(job.number()) && copy.driveKey().equals(run.driveKey());
    return ofPlace
        && switch (run.kind()) {
          case FILE_COPY -> copy.volumes().contains(run.order().volume());
          case CARVE -> copy.byContent();
          default -> copy.image();
        };
  }

  private void tell(Job job, DriveRun run, boolean there) {
    String what = run.kind().isRescue() ? "The image" : "The files";
    String finding =
        "%s of the %s: %s"
            .formatted(
                what,
                Sentences.lowerFirst(runs.name(run)),
                there ? "there again" : "not there any more");
    trace.save(
        new TraceEntry(
            job.id(),
            clock.instant(),
            TraceEntry.Kind.RUN,
            finding,
            there
                ? run.kind().isRescue()
                    ? "Check the image: it counts again once it was read again."
                    : "Copy the files again: they count once they were read again."
                : "It does not count as copied. Look for the disk that the copies lie on.",
            "probe"));
    weighing.reweigh(job);
    statuses.settle(
        job, "by the copies that are there; the last run is " + run.id(), run.askedBy(), "server");
    notices.tellHolders(job, "%s (%s)".formatted(finding, job.number()));
    live.changed("job:" + job.number());
    live.changed("floor");
  }
}

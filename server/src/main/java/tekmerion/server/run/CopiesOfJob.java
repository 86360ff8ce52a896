package tekmerion.server.run;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.permit.CopyEvidence;
import tekmerion.core.permit.DataStatus;
import tekmerion.link.FilesFinding;
import tekmerion.link.LinkEvent;
import tekmerion.link.RescueFinding;
import tekmerion.link.RunKind;
import tekmerion.link.SurveyFinding;
import tekmerion.server.job.Job;
import tekmerion.server.job.Trace;
import tekmerion.server.job.TraceEntry;
import tekmerion.server.part.PartPlace;
import tekmerion.server.part.PartService;
import tekmerion.server.ruling.DataStance;
import tekmerion.server.ruling.DataStances;

/** What the runs of a job show of its copies, and the stance that follows from that alone. */
@Service
public class CopiesOfJob {
  /** After the machine was handed back. */
  public static final Duration KEPT = Duration.ofDays(30);

  private final Runs runs;
  private final PartService parts;
  private final DataStances stances;
  private final Trace trace;
  private final Clock clock;

  CopiesOfJob(Runs runs, PartService parts, DataStances stances, Trace trace, Clock clock) {
    this.runs = runs;
    this.parts = parts;
    this.stances = stances;
    this.trace = trace;
    this.clock = clock;
  }

  /** Of one drive in a job. */
  @Transactional(readOnly = true)
  public CopyEvidence of(long jobId, String driveKey) {
    return of(runs.ofData(jobId).stream().filter(r -> r.driveKey().equals(driveKey)).toList());
  }

  /** What came after the copy was erased; all of it if it never was. */
  private static List<DriveRun> sinceErased(List<DriveRun> newestFirst) {
    return newestFirst.stream()
        .takeWhile(r -> r.kind() != RunKind.ERASE_COPY || !isComplete(r))
        .toList();
  }

  /** The newest run that left a copy which is there still; empty if there is none. */
  @Transactional(readOnly = true)
  public Optional<DriveRun> kept(long jobId, String driveKey) {
    return sinceErased(
            runs.ofData(jobId).stream().filter(r -> r.driveKey().equals(driveKey)).toList())
        .stream()
        .filter(
            r -> r.kind().isRescue() || r.kind() == RunKind.FILE_COPY || r.kind() == RunKind.CARVE)
        .filter(r -> r.result() != null && r.finding() != null)
        .findFirst();
  }

  /**
   * @param all of one drive, newest first
   */
  static CopyEvidence of(List<DriveRun> all) {
    List<DriveRun> newestFirst = sinceErased(all);
    Optional<DriveRun> image =
        newestFirst.stream().filter(r -> r.kind().isRescue() && isComplete(r)).findFirst();
    // Whatever writes to the image after that makes it another one; what could not run did not.
    boolean touchedSince =
        newestFirst.stream()
            .filter(r -> r.kind().isRescue() && (r.result() == null || r.finding() != null))
            .findFirst()
            .filter(r -> image.isPresent() && !r.id().equals(image.get().id()))
            .isPresent();
    Optional<Boolean> checked = image.flatMap(i -> checked(newestFirst, i));
    boolean imaged = image.isPresent() && !touchedSince && checked.orElse(true);
    return new CopyEvidence(
        imaged,
        imaged && checked.isPresent(),
        newestFirst.stream().anyMatch(r -> r.kind() == RunKind.FILE_COPY && isComplete(r)),
        filesVerified(newestFirst));
  }

  private static boolean isComplete(DriveRun run) {
    return run.result() != null
        && run.result().end() == LinkEvent.End.COMPLETE
        && run.finding() != null;
  }

  /** By the newest check of this image; empty if there was none. */
  private static Optional<Boolean> checked(List<DriveRun> newestFirst, DriveRun image) {
    String sums = ((RescueFinding) image.finding()).sums();
    return newestFirst.stream()
        .filter(r -> r.kind() == RunKind.VERIFY_IMAGE && isComplete(r))
        .filter(r -> r.askedAt().isAfter(image.askedAt()))
        .map(r -> (RescueFinding) r.finding())
        .filter(f -> f.sums().equals(sums))
        .map(f -> Boolean.TRUE.equals(f.verified()))
        .findFirst();
  }

  /** Every folder that the newest survey proposed is in a copy of which nothing failed. */
  private static boolean filesVerified(List<DriveRun> newestFirst) {
    Optional<SurveyFinding> survey =
        newestFirst.stream()
            .filter(r -> r.finding() instanceof SurveyFinding)
            .map(r -> (SurveyFinding) r.finding())
            .findFirst();
    Map<Integer, Set<String>> had = new HashMap<>();
    for (DriveRun run : newestFirst) {
      if (run.finding() instanceof FilesFinding files
          && isComplete(run)
          && files.files() > 0
          && files.verifiedFiles() == files.files()) {
        had.computeIfAbsent(run.order().volume(), v -> new HashSet<>()).addAll(files.folders());
      }
    }
    List<SurveyFinding.VolumeNote> volumes = survey.map(SurveyFinding::volumes).orElse(List.of());
    boolean anyProposed =
        volumes.stream().flatMap(v -> v.folders().stream()).anyMatch(f -> f.proposed());
    return anyProposed
        && volumes.stream()
            .allMatch(
                v ->
                    v.folders().stream()
                        .filter(SurveyFinding.FolderNote::proposed)
                        .allMatch(f -> covers(had.getOrDefault(v.number(), Set.of()), f.path())));
  }

  private static boolean covers(Set<String> folders, String path) {
    return folders.contains(path)
        || folders.stream().anyMatch(f -> !f.isEmpty() && path.startsWith(f + "/"));
  }

  /**
   * Keeps the stance that the runs of the job show by now, if it is another one.
   *
   * @param by the run that ended
   */
  @Transactional
  public void settle(Job job, DriveRun by) {
    if (job.endedAt() != null) {
      return; // what is erased after the hand-back changes nothing about what was ruled
    }
    List<DriveRun> all = runs.ofData(job.id());
    Set<String> keys = new HashSet<>();
    parts.inMachine(job.machine().id()).stream().map(PartPlace::driveKey).forEach(keys::add);
    keys.add(by.driveKey());
    List<CopyEvidence> drives =
        keys.stream()
            .map(k -> of(all.stream().filter(r -> r.driveKey().equals(k)).toList()))
            .toList();
    DataStatus stance = CopyEvidence.stance(job.stance(), drives);
    if (stance == job.stance()) {
      return;
    }
    Instant now = clock.instant();
    String rests =
        "by the runs of %s; the last one is %s".formatted(String.join(", ", keys), by.id());
    job.stance(stance);
    stances.save(new DataStance(job.id(), stance, null, rests, by.askedBy(), now));
    trace.save(
        new TraceEntry(
            job.id(),
            now,
            TraceEntry.Kind.STANCE,
            "Data " + stance.words(),
            stance.meaning(),
            "probe"));
  }
}

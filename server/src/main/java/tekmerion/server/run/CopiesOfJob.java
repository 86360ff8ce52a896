package tekmerion.server.run;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.link.CopyErasedFinding;
import tekmerion.link.RunKind;

/** The copies of a job's drives that lie with a probe. What they show is core's to say. */
@Service
public class CopiesOfJob {
  /** After the machine was handed back. */
  public static final Duration KEPT = Duration.ofDays(30);

  private final DataRuns runs;

  CopiesOfJob(DataRuns runs) {
    this.runs = runs;
  }

  /**
   * The newest run that left a copy which is there still; empty if there is none. One that came
   * with an archive left none here.
   */
  @Transactional(readOnly = true)
  public Optional<DriveRun> kept(long jobId, String driveKey) {
    List<DriveRun> newestFirst =
        runs.ofJob(jobId).stream()
            .filter(r -> !r.fromElsewhere() && r.driveKey().equals(driveKey))
            .toList();
    return newestFirst.stream()
        .takeWhile(r -> !isErased(r))
        .filter(
            r -> r.kind().isRescue() || r.kind() == RunKind.FILE_COPY || r.kind() == RunKind.CARVE)
        .filter(r -> r.result() != null && r.finding() != null)
        .findFirst();
  }

  /** Whether a copy of any of its drives is there still. */
  @Transactional(readOnly = true)
  public boolean anyKept(long jobId) {
    return runs.ofJob(jobId).stream()
        .map(DriveRun::driveKey)
        .distinct()
        .anyMatch(key -> kept(jobId, key).isPresent());
  }

  /** Whether nobody erased the copies since this run made its own. */
  @Transactional(readOnly = true)
  public boolean isKept(DriveRun run) {
    return runs.ofJob(run.jobId()).stream()
        .filter(r -> r.driveKey().equals(run.driveKey()) && isErased(r))
        .noneMatch(r -> r.askedAt().isAfter(run.askedAt()));
  }

  private static boolean isErased(DriveRun run) {
    return run.finding() instanceof CopyErasedFinding gone && gone.left() == 0;
  }
}

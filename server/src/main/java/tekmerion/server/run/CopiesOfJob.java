package tekmerion.server.run;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.link.CopyErasedResult;

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
  public Optional<Run> kept(long jobId, String partKey) {
    List<Run> newestFirst =
        runs.ofJob(jobId).stream()
            .filter(r -> !r.fromElsewhere() && r.partKey().equals(partKey))
            .toList();
    return newestFirst.stream()
        .takeWhile(r -> !isErased(r))
        .filter(r -> r.kind().makesCopies())
        .filter(r -> r.ending() != null && r.result() != null)
        .findFirst();
  }

  /** Whether a copy of any of its drives is there still. */
  @Transactional(readOnly = true)
  public boolean anyKept(long jobId) {
    return runs.ofJob(jobId).stream()
        .map(Run::partKey)
        .distinct()
        .anyMatch(key -> kept(jobId, key).isPresent());
  }

  /** Whether nobody erased the copies since this run made its own. */
  @Transactional(readOnly = true)
  public boolean isKept(Run run) {
    return runs.ofJob(run.jobId()).stream()
        .filter(r -> r.partKey().equals(run.partKey()) && isErased(r))
        .noneMatch(r -> r.askedAt().isAfter(run.askedAt()));
  }

  private static boolean isErased(Run run) {
    return run.result() instanceof CopyErasedResult gone && gone.left() == 0;
  }
}

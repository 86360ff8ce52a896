package tekmerion.server.run;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.permit.PartIdentity;
import tekmerion.link.CopyOrder;
import tekmerion.link.LinkEvent;
import tekmerion.link.RunKind;
import tekmerion.link.RunResult;

/**
 * A run as it is stored.
 *
 * @param partId null until the drive has told who it is
 * @param order what a copy is of; null for runs that copy nothing
 * @param named the drive that somebody named who wants it written to, or whose copies are erased;
 *     empty for runs that only read
 * @param dataStatus of the data on it, as it stands now
 * @param share 0 to 1; null before the probe told anything
 * @param secondsLeft negative while it cannot be told
 * @param partKey of the drive; "board" and "battery" for runs on those
 * @param result what it found so far or at its end; null if nothing
 * @param waits what it waits for, in a sentence; null if it does not wait
 * @param ending null while it goes on
 * @param copyMissingAt when the copy that it made was last found to be gone; null if it never was
 * @param copyFoundAt when it was there again after that; null if it was not
 * @param fromElsewhere whether it came with an archive: then it shows nothing of copies here
 */
public record Run(
    UUID id,
    long jobId,
    Long partId,
    UUID probeId,
    String partKey,
    RunKind kind,
    boolean gentle,
    CopyOrder order,
    Optional<PartIdentity> named,
    long askedBy,
    DataStatus dataStatus,
    State state,
    Instant askedAt,
    Instant toldAt,
    Double share,
    Double secondsLeft,
    Double secondsSpread,
    Long atByte,
    RunResult result,
    String waits,
    Ending ending,
    Instant copyMissingAt,
    Instant copyFoundAt,
    boolean fromElsewhere) {
  /** Whether the copy that it made is not where it was made. */
  public boolean isCopyMissing() {
    return copyMissingAt != null && copyFoundAt == null;
  }

  /** Whether it goes on. */
  public enum State {
    RUNNING,
    PAUSED,
    /** A technician wants its end; the probe has still to say what it found until then. */
    ENDING,
    ENDED
  }

  /**
   * How it ended.
   *
   * @param receivedAt by the server's clock; the others are the probe's
   * @param drive which one it was, at its beginning and its end; empty if it did not tell
   */
  public record Ending(
      Instant startedAt,
      Instant endedAt,
      LinkEvent.End end,
      String why,
      Instant receivedAt,
      Optional<PartIdentity> drive) {}
}

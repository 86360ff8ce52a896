package tekmerion.core.permit;

import java.util.List;
import java.util.Optional;

/**
 * One drive of a machine, as far as permission depends on it.
 *
 * @param partKey of its place
 * @param name in a sentence, such as "drive A"
 * @param identity empty until it told who it is
 * @param said what its owner said of the data in this job, without a signature
 * @param evidence what the job's runs on this very drive show
 * @param waivers in force for this very drive
 * @param otherJobs open jobs beside this one that the same drive is in
 * @param failing why it must be spared, in a sentence; empty if nothing says so
 * @param offLimits why it must never be written to where it is now; empty text if nothing speaks
 *     against it, empty if no probe that could write sees it
 */
public record DriveState(
    String partKey,
    String name,
    Optional<PartIdentity> identity,
    DataStatus said,
    DataEvidence evidence,
    List<Waiver> waivers,
    List<InOtherJob> otherJobs,
    Optional<String> failing,
    Optional<String> offLimits) {

  /**
   * The same drive in another open job.
   *
   * @param status of its data there
   * @param givenUp whether its owner signed all of it away there
   */
  public record InOtherJob(String job, DataStatus status, boolean givenUp) {}

  public DriveState {
    waivers = waivers.stream().filter(w -> identity.filter(w.drive()::equals).isPresent()).toList();
    otherJobs = List.copyOf(otherJobs);
  }

  /** Of a drive that nobody knows anything of. */
  static DriveState unknown(String partKey) {
    return new DriveState(
        partKey,
        partKey,
        Optional.empty(),
        DataStatus.NOT_ASKED,
        DataEvidence.NONE,
        List.of(),
        List.of(),
        Optional.empty(),
        Optional.empty());
  }

  /** What would be lost: in no verified copy, and not given up by name. */
  public List<Holding> open() {
    if (isGivenUp()) {
      return List.of();
    }
    return evidence.missing().stream()
        .filter(h -> waivers.stream().flatMap(w -> w.holdings().stream()).noneMatch(h::isGivenUpBy))
        .toList();
  }

  /** Whether its owner signed all of it away. */
  public boolean isGivenUp() {
    return has(WaiverScope.ALL_DATA);
  }

  /**
   * Whether it must be looked at once more right before it is written to: it may hold more by then
   * than anybody surveyed. Not if all of it was signed away, in every open job that it is in.
   */
  public boolean mustHoldWhatWasSurveyed() {
    return !isGivenUp() || !otherJobs.stream().allMatch(InOtherJob::givenUp);
  }

  /** Whether its owner signed to have the data again. */
  boolean isReturned() {
    return has(WaiverScope.COPY_RETURNED);
  }

  private boolean has(WaiverScope scope) {
    return waivers.stream().anyMatch(w -> w.scope() == scope);
  }

  /** Nothing that is said, and nothing that is known of another drive, counts here. */
  public DataStatus status() {
    if (identity.isEmpty()) {
      return said == DataStatus.WANTED ? DataStatus.WANTED : DataStatus.NOT_ASKED;
    }
    if (isGivenUp()) {
      return DataStatus.NOT_WANTED;
    }
    if (open().isEmpty()) {
      return evidence.copied() ? DataStatus.COPY_VERIFIED : DataStatus.NOT_WANTED;
    }
    return evidence.copied()
        ? DataStatus.COPIED
        : said == DataStatus.WANTED ? DataStatus.WANTED : DataStatus.NOT_ASKED;
  }
}

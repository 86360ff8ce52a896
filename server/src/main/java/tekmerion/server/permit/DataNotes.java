package tekmerion.server.permit;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.permit.DriveState;
import tekmerion.core.permit.Holding;
import tekmerion.core.permit.HoldingWords;
import tekmerion.core.permit.PartIdentity;
import tekmerion.core.permit.Permissions;
import tekmerion.core.permit.WaiverScope;
import tekmerion.server.job.Job;

/** What is known of a job's data, drive by drive, and what its owner signed. */
@Service
public class DataNotes {
  private final DataStatusEntries statusEntries;
  private final Waivers waivers;

  /**
   * @param status the least safe of the drives'
   * @param saidBy who signed at the counter that it is not wanted, which names no drive and opens
   *     nothing yet; null if nobody did
   * @param setAt when it was said, or shown, last; null if never
   */
  @Schema(name = "DataNote")
  public record DataNote(
      DataStatus status,
      String words,
      String meaning,
      @Schema(nullable = true) String saidBy,
      @Schema(nullable = true) Instant setAt,
      List<DriveDataNote> drives,
      List<WaiverNote> waivers) {}

  /**
   * @param drive as it tells of itself; null while it has not
   * @param open what would be lost by erasing it: in no verified copy, and not signed away
   * @param elsewhere other open jobs that the same drive is in
   */
  @Schema(name = "DriveDataNote")
  public record DriveDataNote(
      String partKey,
      String name,
      @Schema(nullable = true) PartIdentity drive,
      DataStatus status,
      String words,
      List<HoldingNote> open,
      List<String> elsewhere) {}

  @Schema(name = "HoldingNote")
  public record HoldingNote(Holding holding, String words) {}

  /**
   * @param onScreen whether the owner signed on the screen
   * @param confirmedBy second person of the shop; null if nobody confirmed
   * @param inForce by the owner's own hand or by two people, and not revoked
   */
  @Schema(name = "WaiverNote")
  public record WaiverNote(
      long id,
      PartIdentity drive,
      WaiverScope scope,
      List<String> holdings,
      String wording,
      String signer,
      boolean onScreen,
      String recordedBy,
      Instant recordedAt,
      @Schema(nullable = true) String confirmedBy,
      @Schema(nullable = true) Instant revokedAt,
      boolean inForce) {}

  DataNotes(DataStatusEntries statusEntries, Waivers waivers) {
    this.statusEntries = statusEntries;
    this.waivers = waivers;
  }

  @Transactional(readOnly = true)
  public DataNote of(Job job, Permissions permissions) {
    DataStatus status = permissions.least();
    Optional<DataStatusEntry> said =
        statusEntries.findFirstByJobIdAndByRunFalseAndFromElsewhereFalseOrderByIdDesc(job.id());
    return new DataNote(
        status,
        status.words(),
        status.meaning(),
        said.map(DataStatusEntry::signer).orElse(null),
        statusEntries
            .findFirstByJobIdOrderByIdDesc(job.id())
            .map(DataStatusEntry::setAt)
            .orElse(null),
        permissions.at().drives().stream().map(DataNotes::note).toList(),
        waivers.ofJob(job.id()).stream().map(DataNotes::note).toList());
  }

  public static DriveDataNote note(DriveState drive) {
    return new DriveDataNote(
        drive.partKey(),
        drive.name(),
        drive.identity().orElse(null),
        drive.status(),
        drive.status().words(),
        drive.open().stream().map(h -> new HoldingNote(h, HoldingWords.of(h))).toList(),
        drive.otherJobs().stream().map(DriveState.InOtherJob::job).toList());
  }

  private static WaiverNote note(Waivers.Kept kept) {
    return new WaiverNote(
        kept.id(),
        kept.waiver().drive(),
        kept.waiver().scope(),
        kept.waiver().holdings().stream().map(HoldingWords::of).toList(),
        kept.wording(),
        kept.signer(),
        kept.onScreen(),
        kept.recordedBy(),
        kept.recordedAt(),
        kept.confirmedBy(),
        kept.revokedAt(),
        kept.isInForce());
  }
}

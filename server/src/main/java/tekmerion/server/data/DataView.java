package tekmerion.server.data;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import tekmerion.core.permit.DataStatus;
import tekmerion.link.RunKind;
import tekmerion.server.permit.DataNotes.DriveDataNote;
import tekmerion.server.run.RunView;

/**
 * The data on one drive of a job.
 *
 * @param decisive why the drive must be spared; null if nothing says so
 * @param holds what would be lost by erasing it
 * @param finding in a sentence
 * @param next what is to be done next, in a sentence
 * @param size as people write it; null if not reported
 * @param survey the newest; null if there was none
 * @param rescue the newest copy into the image, whether it goes on or not; null if there was none
 * @param check the newest check of that image; null if there was none
 * @param files newest copies of files, one for each volume
 * @param carved newest search for files by their content; null if there was none
 * @param open what goes on or is paused now; null if nothing does
 * @param copy null if there is none
 * @param copyErased what came of erasing it last; null if that was never done
 * @param erased the newest erasing; null if there was none
 * @param eraseLock null if only its name is wanted
 * @param version of the job
 * @param steps what can be started, in the order in which it makes sense
 */
record DataView(
    String job,
    String machine,
    String partKey,
    String slot,
    @Schema(nullable = true) String model,
    @Schema(nullable = true) String serial,
    @Schema(nullable = true) String decisive,
    DataStatus dataStatus,
    String dataStatusWords,
    DriveDataNote holds,
    String finding,
    String next,
    boolean probeOnline,
    @Schema(nullable = true) RunView survey,
    @Schema(nullable = true) RunView rescue,
    @Schema(nullable = true) RunView check,
    List<FilesOfVolume> files,
    @Schema(nullable = true) RunView carved,
    @Schema(nullable = true) RunView open,
    List<DataStep> steps,
    @Schema(nullable = true) KeptCopy copy,
    @Schema(nullable = true) String copyErased,
    @Schema(nullable = true) RunView erased,
    @Schema(nullable = true) WriteLock eraseLock,
    Mending mending,
    long version) {

  /**
   * A copy that is there.
   *
   * @param keptUntil when it is due to be erased; null while the job goes on
   * @param missingSince when it was found to be gone from where it was made; null if it is there
   * @param lockedWhy null if it can be erased now
   */
  record KeptCopy(
      @Schema(nullable = true) Instant keptUntil,
      @Schema(nullable = true) Instant missingSince,
      @Schema(nullable = true) String lockedWhy) {}

  /**
   * Putting damaged pieces back from their copies.
   *
   * @param pieces what the newest survey found damaged that has an intact copy; none once mended
   * @param lock null if only its name is wanted
   * @param last newest mending, or taking back of one; null if there was none
   * @param canTakeBack whether the last one that wrote something was a mending
   */
  @Schema(name = "MendingOfDrive")
  record Mending(
      List<String> pieces,
      @Schema(nullable = true) WriteLock lock,
      @Schema(nullable = true) RunView last,
      boolean canTakeBack) {}

  /** Why the drive cannot be written to now, and what opens that. */
  record WriteLock(String reason, String opens) {}

  /** The newest copy of files of a volume. */
  record FilesOfVolume(int volume, RunView run) {}

  /**
   * @param lockedWhy null if it can be started
   */
  record DataStep(
      RunKind kind,
      String name,
      String about,
      boolean next,
      @Schema(nullable = true) String lockedWhy) {}
}

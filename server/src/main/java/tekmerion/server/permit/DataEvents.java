package tekmerion.server.permit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import tekmerion.core.permit.DataEvent;
import tekmerion.core.permit.DriveContent;
import tekmerion.core.permit.PartIdentity;
import tekmerion.core.survey.Content;
import tekmerion.link.CopyErasedFinding;
import tekmerion.link.EraseFinding;
import tekmerion.link.FilesFinding;
import tekmerion.link.LinkEvent;
import tekmerion.link.MendFinding;
import tekmerion.link.RescueFinding;
import tekmerion.link.RunKind;
import tekmerion.link.SurveyFinding;
import tekmerion.server.run.DriveRun;

/**
 * What the runs of a job show of the data on one physical drive. A run counts for the drive that
 * its probe saw in its place at its beginning and at its end, and for no other.
 */
final class DataEvents {
  private static final Comparator<DriveRun> BY_RECEIPT =
      Comparator.comparing(r -> r.result() == null ? r.askedAt() : r.result().receivedAt());

  private DataEvents() {}

  /**
   * @param runs about data, of one job, that were asked for here
   * @param drive whose data
   * @param partKey where it sits: a run that has not ended there may be changing its copies
   */
  static List<DataEvent> of(List<DriveRun> runs, PartIdentity drive, String partKey) {
    List<DataEvent> events = new ArrayList<>();
    runs.stream()
        .filter(r -> r.result() != null)
        .sorted(BY_RECEIPT)
        .forEach(
            r -> {
              if (isOf(r, drive)) {
                ended(r, drive).ifPresent(events::add);
              } else if (isImageOfNobody(r, partKey)) {
                events.add(DataEvent.Imaged.BEGUN);
              }
            });
    runs.stream()
        .filter(r -> r.result() == null && isUnderWayOn(r, drive, partKey))
        .sorted(BY_RECEIPT)
        .forEach(r -> underWay(r).ifPresent(events::add));
    return events;
  }

  /** Of which drive it is was not told; what lies in the folder of this place was begun by it. */
  private static boolean isImageOfNobody(DriveRun run, String partKey) {
    return run.kind().isRescue()
        && run.finding() != null
        && run.result().drive().isEmpty()
        && run.driveKey().equals(partKey);
  }

  private static boolean isOf(DriveRun run, PartIdentity drive) {
    return run.kind() == RunKind.ERASE_COPY
        ? Optional.of(drive).equals(run.named())
        : Optional.of(drive).equals(run.result().drive());
  }

  private static boolean isUnderWayOn(DriveRun run, PartIdentity drive, String partKey) {
    return run.named().isPresent()
        ? run.named().get().equals(drive)
        : run.driveKey().equals(partKey);
  }

  private static Optional<DataEvent> ended(DriveRun run, PartIdentity drive) {
    boolean complete = run.result().end() == LinkEvent.End.COMPLETE;
    if (run.finding() instanceof SurveyFinding survey) {
      return complete && survey.sizeBytes() == drive.sizeBytes()
          ? Optional.of(new DataEvent.Surveyed(content(survey), survey.contentSha()))
          : Optional.empty();
    }
    if (run.finding() instanceof RescueFinding found) {
      return run.kind() == RunKind.VERIFY_IMAGE
          ? Optional.of(
              new DataEvent.ImageChecked(
                  found.sums(), complete && Boolean.TRUE.equals(found.verified())))
          : Optional.of(image(found, complete, drive));
    }
    if (run.finding() instanceof FilesFinding files) {
      // The folders that were asked for here, not those that the answer claims.
      return Optional.of(
          new DataEvent.FilesCopied(
              complete,
              run.order().volume(),
              new HashSet<>(run.order().folders()),
              files.files(),
              files.verifiedFiles()));
    }
    if (run.finding() instanceof EraseFinding erased && erased.writtenBytes() > 0) {
      return Optional.of(new DataEvent.Erased(complete && erased.allZero()));
    }
    if (run.finding() instanceof MendFinding mended && mended.written() > 0) {
      return Optional.of(
          new DataEvent.Mended(mended.contentAfter() == null ? "" : mended.contentAfter()));
    }
    return run.finding() instanceof CopyErasedFinding gone && gone.files() > gone.left()
        ? Optional.of(new DataEvent.CopyErased())
        : Optional.empty();
  }

  private static DataEvent image(RescueFinding found, boolean complete, PartIdentity drive) {
    boolean whole =
        complete
            && found.sizeBytes() == drive.sizeBytes()
            && found.openBytes() == 0
            && found.readBytes() + found.lostBytes() >= found.wantedBytes()
            && (found.inUseOnly() || found.wantedBytes() == found.sizeBytes());
    return new DataEvent.Imaged(
        whole,
        found.inUseOnly(),
        found.sums(),
        found.readBytes(),
        found.lostBytes(),
        found.lostFilesInAll());
  }

  private static Optional<DataEvent> underWay(DriveRun run) {
    if (run.kind().isRescue()) {
      return Optional.of(DataEvent.Imaged.BEGUN);
    }
    if (run.kind() == RunKind.ERASE_COPY) {
      return Optional.of(new DataEvent.CopyErased());
    }
    return run.kind().needsRelease() ? Optional.of(new DataEvent.Erased(false)) : Optional.empty();
  }

  private static DriveContent content(SurveyFinding survey) {
    return new DriveContent(survey.volumes().stream().map(DataEvents::volume).toList());
  }

  private static DriveContent.Volume volume(SurveyFinding.VolumeNote v) {
    Set<String> paths = new HashSet<>();
    return new DriveContent.Volume(
        v.number(),
        v.startByte(),
        v.bytes(),
        v.content(),
        v.uuid(),
        v.usedBytes(),
        v.content().equals(Content.SWAP.words()),
        v.listed(),
        !v.troubles().isEmpty(),
        v.files(),
        v.filesBytes(),
        v.folders().stream()
            .filter(f -> paths.add(f.path()))
            .map(f -> new DriveContent.Folder(f.path(), f.files(), f.bytes()))
            .toList());
  }
}

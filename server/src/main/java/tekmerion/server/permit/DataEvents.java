package tekmerion.server.permit;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import tekmerion.core.permit.DataEvent;
import tekmerion.core.permit.DriveContent;
import tekmerion.core.permit.PartIdentity;
import tekmerion.core.survey.Content;
import tekmerion.link.CopyErasedResult;
import tekmerion.link.EraseResult;
import tekmerion.link.FileCopyResult;
import tekmerion.link.LinkEvent;
import tekmerion.link.MendResult;
import tekmerion.link.RescueResult;
import tekmerion.link.RunKind;
import tekmerion.link.SurveyResult;
import tekmerion.server.run.Run;

/**
 * What the runs of a job show of the data on one physical drive. A run counts for the drive that
 * its probe saw in its place at its beginning and at its end, and for no other.
 */
final class DataEvents {
  /** What happened, in the order in which it became known here; what still goes on comes last. */
  private record At(boolean open, Instant when, DataEvent event) {
    static final Comparator<At> ORDER = Comparator.comparing(At::open).thenComparing(At::when);
  }

  private DataEvents() {}

  /**
   * @param jobId whose copies are meant
   * @param runs about data of that job, and on this drive in any other, that were asked for here
   * @param drive whose data
   * @param partKey where it sits: a run that has not ended there may be changing its copies
   */
  static List<DataEvent> of(long jobId, List<Run> runs, PartIdentity drive, String partKey) {
    return runs.stream()
        .flatMap(
            r ->
                r.jobId() == jobId
                    ? here(r, drive, partKey).stream()
                    : elsewhere(r, drive).stream())
        .sorted(At.ORDER)
        .map(At::event)
        .collect(Collectors.toCollection(ArrayList::new));
  }

  private static List<At> here(Run run, PartIdentity drive, String partKey) {
    List<At> events = new ArrayList<>();
    if (run.ending() == null) {
      if (isUnderWayOn(run, drive, partKey)) {
        underWay(run).ifPresent(e -> events.add(new At(true, run.askedAt(), e)));
      }
    } else if (isOf(run, drive)) {
      Instant when = run.ending().receivedAt();
      ended(run, drive).ifPresent(e -> events.add(new At(false, when, e)));
      if (run.copyMissingAt() != null) {
        Integer volume = run.kind() == RunKind.FILE_COPY ? run.order().volume() : null;
        events.add(new At(false, run.copyMissingAt(), new DataEvent.CopyMissing(volume)));
      }
    } else if (isImageOfNobody(run, partKey)) {
      events.add(new At(false, run.ending().receivedAt(), DataEvent.Imaged.BEGUN));
    }
    return events;
  }

  private static Optional<At> elsewhere(Run run, PartIdentity drive) {
    boolean open = run.ending() == null;
    boolean ofIt = open ? Optional.of(drive).equals(run.named()) : isOf(run, drive);
    return (ofIt ? open ? underWay(run) : ended(run, drive) : Optional.<DataEvent>empty())
        .filter(DataEvent.Elsewhere::concernsTheDrive)
        .map(
            event ->
                new At(
                    open,
                    open ? run.askedAt() : run.ending().receivedAt(),
                    new DataEvent.Elsewhere(event)));
  }

  /** Of which drive it is was not told; what lies in the folder of this place was begun by it. */
  private static boolean isImageOfNobody(Run run, String partKey) {
    return run.kind().isRescue()
        && run.result() != null
        && run.ending().drive().isEmpty()
        && run.partKey().equals(partKey);
  }

  private static boolean isOf(Run run, PartIdentity drive) {
    return run.kind() == RunKind.ERASE_COPY
        ? Optional.of(drive).equals(run.named())
        : Optional.of(drive).equals(run.ending().drive());
  }

  private static boolean isUnderWayOn(Run run, PartIdentity drive, String partKey) {
    return run.named().isPresent()
        ? run.named().get().equals(drive)
        : run.partKey().equals(partKey);
  }

  private static Optional<DataEvent> ended(Run run, PartIdentity drive) {
    boolean complete = run.ending().end() == LinkEvent.End.COMPLETE;
    if (run.result() instanceof SurveyResult survey) {
      return complete && survey.sizeBytes() == drive.sizeBytes()
          ? Optional.of(new DataEvent.Surveyed(content(survey), survey.contentSha()))
          : Optional.empty();
    }
    if (run.result() instanceof RescueResult found) {
      return run.kind() == RunKind.VERIFY_IMAGE
          ? Optional.of(
              new DataEvent.ImageChecked(
                  found.sums(), complete && Boolean.TRUE.equals(found.verified())))
          : Optional.of(image(found, complete, drive));
    }
    if (run.result() instanceof FileCopyResult files) {
      // The folders that were asked for here, not those that the answer claims.
      return Optional.of(
          new DataEvent.FilesCopied(
              complete,
              run.order().volume(),
              new HashSet<>(run.order().folders()),
              files.files(),
              files.verifiedFiles()));
    }
    if (run.result() instanceof EraseResult erased && erased.writtenBytes() > 0) {
      return Optional.of(new DataEvent.Erased(complete && erased.allZero()));
    }
    if (run.result() instanceof MendResult mended && mended.written() > 0) {
      return Optional.of(
          new DataEvent.Mended(mended.contentAfter() == null ? "" : mended.contentAfter()));
    }
    return run.result() instanceof CopyErasedResult gone && gone.files() > gone.left()
        ? Optional.of(new DataEvent.CopyErased())
        : Optional.empty();
  }

  private static DataEvent image(RescueResult found, boolean complete, PartIdentity drive) {
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

  private static Optional<DataEvent> underWay(Run run) {
    if (run.kind().isRescue()) {
      return Optional.of(DataEvent.Imaged.BEGUN);
    }
    if (run.kind() == RunKind.ERASE_COPY) {
      return Optional.of(new DataEvent.CopyErased());
    }
    return run.kind().needsRelease() ? Optional.of(new DataEvent.Erased(false)) : Optional.empty();
  }

  private static DriveContent content(SurveyResult survey) {
    return new DriveContent(survey.volumes().stream().map(DataEvents::volume).toList());
  }

  private static DriveContent.Volume volume(SurveyResult.VolumeNote v) {
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

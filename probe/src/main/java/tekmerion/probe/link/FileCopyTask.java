package tekmerion.probe.link;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import tekmerion.core.files.FileCopy;
import tekmerion.core.files.Folders;
import tekmerion.core.files.FoundFile;
import tekmerion.core.files.InUse;
import tekmerion.core.files.Piece;
import tekmerion.core.port.ByteSource;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.rescue.KeptRescue;
import tekmerion.core.rescue.RescuedBytes;
import tekmerion.link.CopyOrder;
import tekmerion.link.FileCopyResult;
import tekmerion.link.FileCopyResult.FailedFile;
import tekmerion.link.LinkEvent.End;
import tekmerion.probe.copy.CopyFolder;
import tekmerion.probe.copy.FilesOnDisk;
import tekmerion.probe.copy.Room;
import tekmerion.probe.linux.RawFile;

/**
 * Copies chosen files: out of the image where there is one that came to its end, else the drive.
 */
final class FileCopyTask extends CopyTask {
  private final MachineUnderTest.BytesOpener drive;
  private final CopyOrder order;
  private final List<FailedFile> failed = new ArrayList<>();
  private boolean fromImage;
  private long files;
  private long bytes;
  private long verifiedFiles;
  private long verifiedBytes;
  private long failedInAll;
  private long doneBytes;

  FileCopyTask(Job job, MachineUnderTest.BytesOpener drive, Where where) {
    super(job, where);
    this.drive = drive;
    this.order = job.command().copy();
  }

  @Override
  Outcome copy(CopyFolder folder) throws IOException {
    Optional<KeptRescue> rescued = folder.rescued();
    fromImage = rescued.isPresent();
    try (ByteSource source =
        fromImage
            ? new RescuedBytes(RawFile.open(folder.image()), rescued.get().map(), Optional.empty())
            : drive.open()) {
      Optional<InUse.Volume> volume =
          InUse.of(source).volumes().stream()
              .filter(v -> v.part().number() == order.volume())
              .findFirst();
      if (volume.isEmpty()) {
        return new Outcome(End.COULD_NOT_RUN, say("probe.the-files-cannot-be-listed"), null);
      }
      List<FoundFile> chosen =
          volume.get().list().files().stream()
              .filter(f -> !f.folder() && Folders.isChosen(f.path(), order.folders()))
              .sorted(Comparator.comparingLong(FileCopyTask::place))
              .toList();
      files = chosen.size();
      bytes = chosen.stream().mapToLong(FoundFile::bytes).sum();
      FilesOnDisk to = new FilesOnDisk(folder.files(order.volume()));
      List<FoundFile> open = chosen.stream().filter(f -> !isDone(to, f)).toList();
      Room.check(folder.path(), open.stream().mapToLong(FoundFile::bytes).sum());
      boolean through =
          FileCopy.run(source, open, to, copied -> took(copied, to, folder), this::isStopped);
      FileCopyResult note = note(folder, "");
      return through ? new Outcome(End.COMPLETE, "", note) : stopped(note);
    }
  }

  /** In the order in which they lie, so that a disk need not seek more than it must. */
  private static long place(FoundFile file) {
    return file.pieces().stream()
        .filter(p -> !p.isHole())
        .mapToLong(Piece::offset)
        .findFirst()
        .orElse(0);
  }

  private boolean isDone(FilesOnDisk to, FoundFile file) {
    boolean done = to.isDone(file);
    if (done) {
      verifiedFiles++;
      verifiedBytes += file.bytes();
      doneBytes += file.bytes();
    }
    return done;
  }

  private void took(FileCopy.Copied copied, FilesOnDisk to, CopyFolder folder) {
    FoundFile file = copied.file();
    doneBytes += file.bytes();
    if (copied.outcome() == FileCopy.Outcome.VERIFIED) {
      verifiedFiles++;
      verifiedBytes += file.bytes();
      to.done(file, copied.sha256());
    } else {
      failedInAll++;
      if (failed.size() < FileCopyResult.MAX_FAILED) {
        failed.add(
            new FailedFile(
                DataNotes.path(file.path()),
                file.bytes(),
                copied.outcome() == FileCopy.Outcome.PARTLY,
                copied.why()));
      }
    }
    if (isTimeToTell()) {
      double share = bytes == 0 ? 0 : (double) doneBytes / bytes;
      tell(share, note(folder, DataNotes.path(file.path())));
    }
  }

  private FileCopyResult note(CopyFolder folder, String current) {
    return new FileCopyResult(
        fromImage,
        order.folders(),
        files,
        bytes,
        verifiedFiles,
        verifiedBytes,
        failed,
        failedInAll,
        current,
        folder.shown());
  }
}

package tekmerion.probe.link;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import tekmerion.link.CopyErasedFinding;
import tekmerion.link.LinkEvent.End;
import tekmerion.probe.copy.CopyFolder;

/** Erases the copies of a drive; the drive itself need not be there any more. */
final class EraseCopyTask extends PartTask {
  private final Path copies;

  EraseCopyTask(Job job, Path copies) {
    super(job);
    this.copies = copies;
  }

  @Override
  Outcome carryOut() {
    if (command().copy() == null) {
      return new Outcome(End.COULD_NOT_RUN, "the server did not say which copy", null);
    }
    try {
      Optional<CopyFolder> folder =
          CopyFolder.existing(copies, command().copy().job(), command().driveKey());
      if (folder.isEmpty()) {
        return new Outcome(End.COULD_NOT_RUN, "there is no copy of it here", null);
      }
      CopyFolder.Erased erased = folder.get().erase();
      return new Outcome(
          End.COMPLETE,
          "",
          new CopyErasedFinding(
              folder.get().shown(), erased.files(), erased.bytes(), erased.left()));
    } catch (IOException e) {
      return new Outcome(End.COULD_NOT_RUN, e.getMessage(), null);
    }
  }
}

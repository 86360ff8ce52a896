package tekmerion.probe.link;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import tekmerion.link.CopyErasedResult;
import tekmerion.link.DriveSeen;
import tekmerion.link.LinkEvent.End;
import tekmerion.probe.copy.CopyFolder;

/** Erases the copies of a drive; the drive itself need not be there any more. */
final class EraseCopyTask extends PartTask {
  private final Path copies;
  private final Releases releases;

  EraseCopyTask(Job job, Path copies, Releases releases) {
    super(job);
    this.copies = copies;
    this.releases = releases;
  }

  @Override
  Outcome carryOut() throws InterruptedException {
    if (command().copy() == null) {
      return new Outcome(End.COULD_NOT_RUN, say("probe.the-server-did-not-say-which-copy"), null);
    }
    try {
      Optional<CopyFolder> folder =
          CopyFolder.existing(copies, command().copy().job(), command().partKey());
      if (folder.isEmpty()) {
        return new Outcome(End.COULD_NOT_RUN, say("probe.there-is-no-copy-of-it-here"), null);
      }
      Optional<DriveSeen> of = folder.get().owner();
      if (of.isEmpty()) {
        return new Outcome(End.COULD_NOT_RUN, say("probe.a-copy-of-no-known-drive"), null);
      }
      Releases.Lease lease = releases.toEraseCopies(command(), of.get());
      CopyFolder.Erased erased = folder.get().erase(() -> holds(lease));
      return new Outcome(
          erased.stopped() ? End.CANCELLED : End.COMPLETE,
          erased.stopped() ? say("probe.it-may-not-be-erased-any-more") : "",
          new CopyErasedResult(
              folder.get().shown(), erased.files(), erased.bytes(), erased.left()));
    } catch (NoReleaseException e) {
      return new Outcome(End.COULD_NOT_RUN, say("probe.refused", "why", Why.of(e)), null);
    } catch (IOException e) {
      return new Outcome(End.COULD_NOT_RUN, e.getMessage(), null);
    }
  }

  private static boolean holds(Releases.Lease lease) {
    try {
      lease.mustHold();
      return true;
    } catch (NoReleaseException e) {
      return false;
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return false;
    }
  }
}

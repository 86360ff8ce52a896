package tekmerion.probe.link;

import java.io.IOException;
import java.time.Instant;
import java.util.Optional;
import tekmerion.core.drive.DriveIdentity;
import tekmerion.core.permit.Gate;
import tekmerion.core.permit.Permission;
import tekmerion.core.permit.Touch;
import tekmerion.core.port.ByteSource;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.link.Release;
import tekmerion.link.ToProbe;

/**
 * Everything that the server checked before it released a drive to be written to, checked here
 * again with the drive's own answers of this moment.
 */
final class ReleaseCheck {
  private ReleaseCheck() {}

  /**
   * @param key of this probe and the server; empty if it is not enrolled
   * @return why nothing is written; empty if everything holds
   */
  static Optional<String> refused(
      ToProbe.StartRun command,
      MachineUnderTest.Drive drive,
      byte[] key,
      Touch touch,
      Instant now) {
    Release release = command.release();
    if (release == null || !release.holds(key)) {
      return Optional.of("there is no release of the server's for it");
    }
    if (!release.run().equals(command.requestId())
        || release.kind() != command.run()
        || !release.driveKey().equals(drive.key())) {
      return Optional.of("the release is for something else");
    }
    if (now.isAfter(release.until())) {
      return Optional.of("the release has run out");
    }
    if (Gate.ofData(touch, release.stance()) instanceof Permission.Locked locked) {
      return Optional.of(locked.reason());
    }
    if (drive.writer().isEmpty() || drive.bytes().isEmpty()) {
      return Optional.of("this drive is never written to from here");
    }
    Optional<String> offLimits = drive.writer().get().offLimits();
    return offLimits.isPresent() ? offLimits : otherDrive(release, drive);
  }

  private static Optional<String> otherDrive(Release release, MachineUnderTest.Drive drive) {
    Optional<DriveIdentity> told = WhoIsIt.ask(drive);
    if (told.isEmpty()) {
      return Optional.of("the drive does not tell who it is");
    }
    DriveIdentity id = told.get();
    boolean same =
        id.model().equals(release.model())
            && id.serial().equals(release.serial())
            && id.capacityBytes().orElse(-1) == release.sizeBytes();
    if (!same) {
      return Optional.of("another drive is there now: %s %s".formatted(id.model(), id.serial()));
    }
    try (ByteSource bytes = drive.bytes().orElseThrow().open()) {
      return bytes.sizeBytes() == release.sizeBytes()
          ? Optional.empty()
          : Optional.of("what would be written to has another size than the drive tells");
    } catch (IOException e) {
      return Optional.of("it cannot be opened: " + e.getMessage());
    }
  }
}

package tekmerion.probe.link;

import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import tekmerion.core.drive.DriveIdentity;
import tekmerion.core.drive.PartReading;
import tekmerion.core.permit.PartIdentity;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.link.DriveSeen;

/** Asks a drive who it is, at this moment. */
final class WhoIsIt {
  private WhoIsIt() {}

  /** Empty if it does not tell, or not in a sound page. */
  static Optional<DriveIdentity> ask(MachineUnderTest.Drive drive) {
    Map<PageKind, PageAnswer> answers = new EnumMap<>(PageKind.class);
    drive.pages().kinds().stream()
        .filter(PageKind::isIdentity)
        .forEach(k -> answers.put(k, drive.pages().read(k)));
    return DriveIdentity.of(new PartReading(answers));
  }

  /** The same as it travels; empty unless it tells model, serial and size. */
  static Optional<DriveSeen> seen(MachineUnderTest.Drive drive) {
    return ask(drive).flatMap(PartIdentity::of).map(DriveSeen::of);
  }
}

package tekmerion.probe.link;

import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import tekmerion.core.drive.DriveFindings;
import tekmerion.core.drive.PartReading;
import tekmerion.core.knowhow.Hazards;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.permit.Action;
import tekmerion.core.permit.Permission;
import tekmerion.core.permit.Permissions;
import tekmerion.core.permit.Situation;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.link.ToProbe;

/** Whether a run may begin, asked again at the machine. */
final class PermitHere {
  private PermitHere() {}

  /**
   * The gate, asked again here of what the drive tells of itself at this moment: the server may
   * know an older reading only.
   */
  static Permission of(ToProbe.StartRun command, MachineUnderTest.Drive drive) {
    if (command.run().effects().loads().isEmpty() || command.dataStatus().allowsWriting()) {
      return Permission.OPEN;
    }
    Map<PageKind, PageAnswer> answers = new EnumMap<>(PageKind.class);
    for (PageKind kind : drive.pages().kinds()) {
      answers.put(kind, drive.pages().read(kind));
    }
    Optional<String> failing =
        Hazards.of(KnowHow.shipped(), DriveFindings.of(drive.key(), new PartReading(answers)))
            .decisive(drive.key());
    return Permissions.of(Situation.assumed(command.dataStatus(), failing))
        .of(new Action.Make(command.run().effects(), Action.WHOLE_MACHINE));
  }
}

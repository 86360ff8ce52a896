package tekmerion.link;

import java.util.List;
import tekmerion.core.port.MachineUnderTest;

/** A machine as its probe describes it; an empty text is "not reported". */
public record MachineNote(
    String maker, String model, String serial, String probeHost, List<DriveNote> drives) {
  public MachineNote {
    drives = List.copyOf(drives);
  }

  /** A drive by the key under which it can be asked, and where it sits. */
  public record DriveNote(String key, String slot) {}

  public static MachineNote of(MachineUnderTest machine) {
    MachineUnderTest.Description d = machine.describe();
    return new MachineNote(
        d.maker(),
        d.model(),
        d.serial(),
        d.probeHost(),
        machine.drives().stream().map(drive -> new DriveNote(drive.key(), drive.slot())).toList());
  }
}

package tekmerion.link;

import java.util.List;
import tekmerion.core.port.MachineUnderTest;

/** A machine as its probe describes it; an empty text is "not reported". */
public record MachineNote(
    String maker, String model, String serial, String probeHost, List<DriveNote> drives) {
  /** Together the texts of a machine fit well into a column of 64 KiB. */
  private static final int MOST_CHARS = 200;

  private static final int MOST_DRIVES = 100;

  /**
   * @throws IllegalArgumentException if a text or the list is too long
   */
  public MachineNote {
    maker = checked(maker);
    model = checked(model);
    serial = checked(serial);
    probeHost = checked(probeHost);
    drives = List.copyOf(drives);
    if (drives.size() > MOST_DRIVES) {
      throw new IllegalArgumentException(
          "%d drives, most are %d".formatted(drives.size(), MOST_DRIVES));
    }
  }

  private static String checked(String text) {
    if (text != null && text.length() > MOST_CHARS) {
      throw new IllegalArgumentException(
          "a text of %d characters, most are %d".formatted(text.length(), MOST_CHARS));
    }
    return text == null ? "" : text;
  }

  /** A drive by the key under which it can be asked, and where it sits. */
  public record DriveNote(String key, String slot) {
    public DriveNote {
      if (key == null || key.isBlank()) {
        throw new IllegalArgumentException("a drive without a key");
      }
      key = checked(key);
      slot = checked(slot);
    }
  }

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

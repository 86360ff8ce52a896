package tekmerion.link;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import tekmerion.core.port.MachineUnderTest;

/**
 * A machine as its probe describes it; an empty text is "not reported".
 *
 * @param others what else can be asked or run there: {@link RunKind#BOARD}, {@link
 *     RunKind#BATTERY}, {@link #MEMORY}, {@link #DISCHARGE}, {@link #CHARGE}, {@link #LOAD}
 * @param simulated whether there is no such machine: only a demo shop takes it
 */
public record MachineNote(
    String maker,
    String model,
    String serial,
    String probeHost,
    List<DriveNote> drives,
    List<String> others,
    boolean simulated) {
  /** Its work can be looked at. */
  public static final String LOAD = "load";

  /** Its memory can be tested. */
  public static final String MEMORY = "memory";

  /** Its battery can be run down. */
  public static final String DISCHARGE = "discharge";

  /** Its battery can be watched while it charges. */
  public static final String CHARGE = "charge";

  /** Together the texts of a machine fit well into a column of 64 KiB. */
  private static final int MAX_CHARS = 200;

  private static final int MAX_DRIVES = 100;
  private static final int MAX_OTHERS = 20;

  /** Of a part, in one machine. */
  private static final Pattern KEY = Pattern.compile("[A-Za-z0-9][A-Za-z0-9._:-]{0,59}");

  /** A real one. */
  public MachineNote(
      String maker,
      String model,
      String serial,
      String probeHost,
      List<DriveNote> drives,
      List<String> others) {
    this(maker, model, serial, probeHost, drives, others, false);
  }

  /**
   * @throws IllegalArgumentException if a text or the list is too long
   */
  public MachineNote {
    maker = checked(maker);
    model = checked(model);
    serial = checked(serial);
    probeHost = checked(probeHost);
    drives = List.copyOf(drives);
    others = others == null ? List.of() : List.copyOf(others);
    if (others.size() > MAX_OTHERS) {
      throw new IllegalArgumentException("too many others");
    }
    others.forEach(MachineNote::checked);
    if (drives.stream().map(DriveNote::key).distinct().count() != drives.size()) {
      throw new IllegalArgumentException("two drives of one key");
    }
    if (drives.size() > MAX_DRIVES) {
      throw new IllegalArgumentException(
          "%d drives, most are %d".formatted(drives.size(), MAX_DRIVES));
    }
  }

  private static String checked(String text) {
    if (text != null && text.length() > MAX_CHARS) {
      throw new IllegalArgumentException(
          "a text of %d characters, most are %d".formatted(text.length(), MAX_CHARS));
    }
    return text == null ? "" : text;
  }

  /**
   * A drive by the key under which it can be asked, and where it sits.
   *
   * @param offLimits why it must never be written to; empty if nothing speaks against it, null if
   *     it can never be written to here
   */
  public record DriveNote(String key, String slot, String offLimits) {
    /** One that is never written to. */
    public DriveNote(String key, String slot) {
      this(key, slot, null);
    }

    public DriveNote {
      if (key == null || !KEY.matcher(key).matches()) {
        throw new IllegalArgumentException("a drive without a key, or with one that is none");
      }
      slot = checked(slot);
      offLimits = offLimits == null ? null : checked(offLimits);
    }
  }

  public static MachineNote of(MachineUnderTest machine) {
    MachineUnderTest.Description d = machine.describe();
    return new MachineNote(
        d.maker(),
        d.model(),
        d.serial(),
        d.probeHost(),
        machine.drives().stream()
            .map(
                drive ->
                    new DriveNote(
                        drive.key(),
                        drive.slot(),
                        drive.writer().map(w -> w.offLimits().orElse("")).orElse(null)))
            .toList(),
        others(machine),
        d.simulated());
  }

  private static List<String> others(MachineUnderTest machine) {
    List<String> others = new ArrayList<>();
    machine
        .board()
        .ifPresent(
            board -> {
              others.add(RunKind.BOARD);
              board.memory().ifPresent(m -> others.add(MEMORY));
            });
    machine
        .battery()
        .ifPresent(
            battery -> {
              others.add(RunKind.BATTERY);
              battery.discharge().ifPresent(d -> others.add(DISCHARGE));
              battery.charge().ifPresent(d -> others.add(CHARGE));
            });
    machine.load().ifPresent(l -> others.add(LOAD));
    return others;
  }
}

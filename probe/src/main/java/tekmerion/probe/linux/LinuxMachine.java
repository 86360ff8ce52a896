package tekmerion.probe.linux;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import tekmerion.core.port.LoadSource;
import tekmerion.core.port.MachineProvider;
import tekmerion.core.port.MachineUnderTest;

/** The computer that the probe runs on: {@code this:drives}. */
public final class LinuxMachine implements MachineProvider, MachineUnderTest {
  private static final Path DMI = Path.of("/sys/class/dmi/id");

  @Override
  public Optional<MachineUnderTest> open(String address) {
    return address.equals("this:drives") ? Optional.of(this) : Optional.empty();
  }

  @Override
  public Description describe() {
    return new Description(
        dmi("sys_vendor"), dmi("product_name"), dmi("product_serial"), "Linux " + release());
  }

  @Override
  public List<Drive> drives() {
    return LocalDrives.byKey().entrySet().stream()
        .map(e -> drive(e.getKey(), e.getValue()))
        .toList();
  }

  @Override
  public Optional<Board> board() {
    return Optional.of(
        new Board(
            new LinuxBoard(Path.of("/sys"), LocalDrives.RING), Optional.of(SpareMemory::take)));
  }

  @Override
  public Optional<Battery> battery() {
    return LinuxBattery.find(Path.of("/sys/class/power_supply"))
        .map(
            battery ->
                new Battery(
                    battery, Optional.of(battery::discharge), Optional.of(battery::charge)));
  }

  @Override
  public Optional<LoadSource> load() {
    return Optional.of(new LinuxLoad(Path.of("/proc")));
  }

  /** Its name of now, and what it says of itself: two of one model are told apart by it. */
  private static String slot(SysDrive drive) {
    String serial = drive.serial().isEmpty() ? "serial not reported" : drive.serial();
    return "%s, %s, %s".formatted(drive.name(), drive.bus().words(), serial);
  }

  private static Drive drive(String key, SysDrive drive) {
    return new Drive(
        key,
        slot(drive),
        Optional.of(drive.name()),
        LocalDrives.pages(drive),
        Optional.of(() -> RawFile.direct(drive.device())),
        drive.canBeAsked() ? Optional.of(new LinuxSelfTests(drive)) : Optional.empty(),
        Optional.of(() -> RawFile.direct(drive.device())),
        Optional.of(RawWriter.of(drive)));
  }

  /** Empty if not reported, or not to be read without being root. */
  private static String dmi(String file) {
    try {
      return Files.readString(DMI.resolve(file)).strip();
    } catch (IOException e) {
      return "";
    }
  }

  private static String release() {
    return System.getProperty("os.version", "");
  }
}

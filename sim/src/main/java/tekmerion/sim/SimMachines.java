package tekmerion.sim;

import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import tekmerion.core.port.MachineProvider;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.port.PageSource;
import tekmerion.sim.AtaPages.Identity;
import tekmerion.sim.SimDrive.Fate;

/**
 * Machines by name: {@code sim:worn-disk}, {@code sim:sound-drive}, {@code sim:bad-bridge}. A
 * number after a comma is the time that a page takes, in milliseconds: {@code sim:worn-disk,500}.
 */
public final class SimMachines implements MachineProvider {
  private static final String SCHEME = "sim:";
  private static final long SECTORS_1_TB = 1_953_525_168L; // IDEMA LBA1-03 for 1,000 GB
  private static final long SECTORS_500_GB = 976_773_168L; // the same for 500 GB
  private static final long SECTORS_240_GB = 468_862_128L; // the same for 240 GB
  private static final int NEVER_TESTED = 0x00;
  private static final int READ_ELEMENT_FAILED = 0x70;

  private final Clock clock;

  /** For {@link java.util.ServiceLoader}. */
  public SimMachines() {
    this(Clock.systemUTC());
  }

  public SimMachines(Clock clock) {
    this.clock = clock;
  }

  @Override
  public Optional<MachineUnderTest> open(String address) {
    if (!address.startsWith(SCHEME)) {
      return Optional.empty();
    }
    String[] parts = address.substring(SCHEME.length()).split(",", 2);
    Duration perPage = Duration.ofMillis(parts.length == 2 ? Long.parseLong(parts[1]) : 120);
    return switch (parts[0]) {
      case "worn-disk" -> Optional.of(wornDisk(perPage));
      case "sound-drive" -> Optional.of(soundDrive(perPage));
      case "bad-bridge" -> Optional.of(badBridge(perPage));
      default -> Optional.empty();
    };
  }

  private MachineUnderTest wornDisk(Duration perPage) {
    Identity who =
        new Identity(
            "HELM-1000S", "OS7K-44019-B", "HS04", SECTORS_1_TB, 5400, 3, 0x5F1D_0A44_0190_000BL);
    Fate fate = new Fate(44_019, 1_140, 940, 17, 0, READ_ELEMENT_FAILED);
    return new SimMachine(
        "Ostrel", "17", "OST17-2207-118", "Drive A", slow(new SimDrive(who, fate, clock), perPage));
  }

  private MachineUnderTest soundDrive(Duration perPage) {
    Identity who =
        new Identity(
            "QUAY-240F", "Q24F-90311-K", "1.07", SECTORS_240_GB, 1, 3, 0x5F1D_0B90_3110_000CL);
    Fate fate = new Fate(90_311, 3_212, Double.POSITIVE_INFINITY, 12, 0, NEVER_TESTED);
    return new SimMachine(
        "Tarnwick",
        "all-in-one 24",
        "TWA24-0456",
        "Drive A",
        slow(new SimDrive(who, fate, clock), perPage));
  }

  private MachineUnderTest badBridge(Duration perPage) {
    Identity who =
        new Identity(
            "HELM-500P", "OS5P-10277-D", "HP11", SECTORS_500_GB, 7200, 2, 0x5F1D_0A10_2770_000DL);
    Fate fate = new Fate(10_277, 21_870, Double.POSITIVE_INFINITY, 15, 3, NEVER_TESTED);
    PageSource garbled = new GarblingBridge(new SimDrive(who, fate, clock), 10_277);
    return new SimMachine("Norrvik", "mini", "NVM-7731", "Drive A", slow(garbled, perPage));
  }

  private static PageSource slow(PageSource source, Duration perPage) {
    return new SlowSource(source, perPage);
  }

  private record SimMachine(
      String maker, String model, String serial, String slot, PageSource drive)
      implements MachineUnderTest {
    @Override
    public Description describe() {
      return new Description(maker, model, serial, "simulated bench");
    }

    @Override
    public List<Drive> drives() {
      return List.of(new Drive("drive-a", slot, drive));
    }
  }
}

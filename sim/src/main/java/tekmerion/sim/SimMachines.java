package tekmerion.sim;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tekmerion.core.port.MachineProvider;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.port.PageKind;
import tekmerion.core.port.PageSource;
import tekmerion.sim.AtaPages.Identity;
import tekmerion.sim.SimDrive.Fate;

/**
 * Machines by name: {@code sim:worn-disk}, {@code sim:sound-drive}, {@code sim:bad-bridge}, {@code
 * sim:worn-flash}. A number after a comma is the time that a page takes, in milliseconds; one after
 * that, how many times faster than a real drive its surface is read: {@code sim:worn-disk,500,60}.
 */
public final class SimMachines implements MachineProvider {
  private static final String SCHEME = "sim:";
  private static final long SECTORS_1_TB = 1_953_525_168L; // IDEMA LBA1-03 for 1,000 GB
  private static final long SECTORS_500_GB = 976_773_168L; // the same for 500 GB
  private static final long SECTORS_240_GB = 468_862_128L; // the same for 240 GB
  private static final long SECTORS_512_GB = 1_000_215_216L; // the same for 512 GB
  private static final int NEVER_TESTED = 0x00;
  private static final int READ_ELEMENT_FAILED = 0x70;

  static final Identity WORN_DISK =
      new Identity(
          "HELM-1000S", "OS7K-44019-B", "HS04", SECTORS_1_TB, 5400, 3, 0x5F1D_0A44_0190_000BL);

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
    String[] parts = address.substring(SCHEME.length()).split(",", 3);
    Duration perPage = Duration.ofMillis(parts.length >= 2 ? Long.parseLong(parts[1]) : 120);
    double speedUp = parts.length == 3 ? Double.parseDouble(parts[2]) : 60;
    return switch (parts[0]) {
      case "worn-disk" -> Optional.of(wornDisk(perPage, speedUp));
      case "sound-drive" -> Optional.of(soundDrive(perPage, speedUp));
      case "bad-bridge" -> Optional.of(badBridge(perPage, speedUp));
      case "worn-flash" -> Optional.of(wornFlash(perPage, speedUp));
      default -> Optional.empty();
    };
  }

  private MachineUnderTest wornDisk(Duration perPage, double speedUp) {
    SimDrive drive = wornDisk(1_140, READ_ELEMENT_FAILED, clock, speedUp);
    return machine("Ostrel", "17", "OST17-2207-118", drive, slow(drive, perPage));
  }

  private static SimDrive wornDisk(double hours, int selfTest, Clock clock, double speedUp) {
    Fate fate = new Fate(44_019, hours, 940, 17, 0, selfTest);
    Ageing ageing = new Ageing(fate.seed(), fate.onsetHour(), 0.9, 1_140 + 10_000);
    return new SimDrive(WORN_DISK, fate, ageing, clock, speedUp);
  }

  /** What the worn disk said of itself when it was younger, by wire name, in base64. */
  static Map<String, String> wornDiskPages(double hours) {
    SimDrive drive = wornDisk(hours, NEVER_TESTED, Clock.fixed(Instant.EPOCH, ZoneOffset.UTC), 0);
    Map<String, String> pages = new LinkedHashMap<>();
    for (PageKind kind : HistoryDrive.KEPT) {
      drive
          .read(kind)
          .bytes()
          .ifPresent(
              raw -> pages.put(kind.wireName(), Base64.getEncoder().encodeToString(raw.bytes())));
    }
    return pages;
  }

  private MachineUnderTest soundDrive(Duration perPage, double speedUp) {
    Identity who =
        new Identity(
            "QUAY-240F", "Q24F-90311-K", "1.07", SECTORS_240_GB, 1, 3, 0x5F1D_0B90_3110_000CL);
    Fate fate = new Fate(90_311, 3_212, Double.POSITIVE_INFINITY, 12, 0, NEVER_TESTED);
    SimDrive drive = new SimDrive(who, fate, clock, speedUp);
    return machine("Tarnwick", "all-in-one 24", "TWA24-0456", drive, slow(drive, perPage));
  }

  private MachineUnderTest badBridge(Duration perPage, double speedUp) {
    Identity who =
        new Identity(
            "HELM-500P", "OS5P-10277-D", "HP11", SECTORS_500_GB, 7200, 2, 0x5F1D_0A10_2770_000DL);
    Fate fate = new Fate(10_277, 21_870, Double.POSITIVE_INFINITY, 15, 3, NEVER_TESTED);
    SimDrive drive = new SimDrive(who, fate, clock, speedUp);
    PageSource garbled = new GarblingBridge(drive, 10_277);
    return machine("Norrvik", "mini", "NVM-7731", drive, slow(garbled, perPage));
  }

  private MachineUnderTest wornFlash(Duration perPage, double speedUp) {
    SimFlash flash =
        new SimFlash(
            "PIER-512N",
            "PR-0042-7781",
            SECTORS_512_GB,
            new SimFlash.Life(9_870, 640, 2_140, 310, 46),
            clock);
    return new SimMachine(
        "Skerra",
        "13",
        "SKR13-0098",
        new MachineUnderTest.Drive(
            "drive-a",
            "Drive A",
            slow(flash, perPage),
            Optional.of(
                () ->
                    new SimSurface(
                        flash.serial(), flash.sectors(), 1, 512, flash.unreadable(), speedUp)),
            Optional.empty()));
  }

  private static PageSource slow(PageSource source, Duration perPage) {
    return new SlowSource(source, perPage);
  }

  private static MachineUnderTest machine(
      String maker, String model, String serial, SimDrive drive, PageSource pages) {
    return new SimMachine(
        maker,
        model,
        serial,
        new MachineUnderTest.Drive(
            "drive-a",
            "Drive A",
            pages,
            Optional.of(drive::surface),
            Optional.of(drive.selfTests())));
  }

  private record SimMachine(String maker, String model, String serial, MachineUnderTest.Drive drive)
      implements MachineUnderTest {
    @Override
    public Description describe() {
      return new Description(maker, model, serial, "simulated bench");
    }

    @Override
    public List<Drive> drives() {
      return List.of(drive);
    }
  }
}

package tekmerion.sim;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Base64;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tekmerion.core.port.LoadSource;
import tekmerion.core.port.MachineProvider;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.port.PageKind;
import tekmerion.core.port.PageSource;
import tekmerion.sim.AtaPages.Identity;
import tekmerion.sim.SimDrive.Fate;
import tekmerion.sim.battery.SimBattery;
import tekmerion.sim.board.SimBoard;
import tekmerion.sim.board.SimLoad;
import tekmerion.sim.board.SimModule;
import tekmerion.sim.disk.DiskContent;

/**
 * Machines by name: {@code sim:worn-disk}, {@code sim:sound-drive}, {@code sim:bad-bridge}, {@code
 * sim:worn-flash}. A number after a comma is the time that a page takes, in milliseconds; one after
 * that, how many times faster than a real drive its surface is read: {@code sim:worn-disk,500,60}.
 *
 * <p>{@code sim:bad-module} has two memory modules, A and B, of which B is bad; what sits in its
 * two slots is said after a third comma, as {@code AB}, {@code -B} or {@code B-}. {@code
 * sim:tired-battery} has a worn pack. {@code sim:busy-drive} is at work, and calm after a third
 * comma with {@code calm}. {@code sim:stuck-update} is sound in all its parts. {@code
 * sim:worn-disk} has its drive replaced with {@code new}. {@code sim:outside-disk} is a bench
 * machine with a customer's disk docked to it, whose first sectors were written over.
 */
public final class SimMachines implements MachineProvider {
  private static final String SCHEME = "sim:";
  private static final long SECTORS_2_TB = 3_907_029_168L; // the same for 2,000 GB
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
    this(SimClock.shown());
  }

  public SimMachines(Clock clock) {
    this.clock = clock;
  }

  @Override
  public Optional<MachineUnderTest> open(String address) {
    if (!address.startsWith(SCHEME)) {
      return Optional.empty();
    }
    String[] parts = address.substring(SCHEME.length()).split(",", 4);
    Duration perPage = Duration.ofMillis(parts.length >= 2 ? Long.parseLong(parts[1]) : 120);
    double speedUp = parts.length >= 3 ? Double.parseDouble(parts[2]) : 60;
    String setting = parts.length == 4 ? parts[3] : "";
    return switch (parts[0]) {
      case "worn-disk" -> Optional.of(wornDisk(perPage, speedUp, setting));
      case "sound-drive" -> Optional.of(soundDrive(perPage, speedUp));
      case "bad-bridge" -> Optional.of(badBridge(perPage, speedUp));
      case "worn-flash" -> Optional.of(wornFlash(perPage, speedUp));
      case "bad-module" -> Optional.of(badModule(perPage, speedUp, setting));
      case "tired-battery" -> Optional.of(tiredBattery(perPage, speedUp));
      case "stuck-update" -> Optional.of(stuckUpdate(perPage, speedUp));
      case "busy-drive" -> Optional.of(busyDrive(perPage, speedUp, setting));
      case "outside-disk" -> Optional.of(outsideDisk(perPage, speedUp));
      default -> Optional.empty();
    };
  }

  private MachineUnderTest wornDisk(Duration perPage, double speedUp, String setting) {
    if (setting.equals("new")) {
      SimDrive fresh = drive("QUAY-960F", "Q96F-00218-M", SECTORS_1_TB, 218, 3, speedUp);
      return machine("Ostrel", "17", "OST17-2207-118", fresh, slow(fresh, perPage));
    }
    SimDrive drive = wornDisk(1_140, READ_ELEMENT_FAILED, clock, speedUp);
    return machine(
        "Ostrel",
        "17",
        "OST17-2207-118",
        drive,
        slow(drive, perPage),
        Contents.bakery(SECTORS_1_TB, drive.unreadable()));
  }

  private MachineUnderTest outsideDisk(Duration perPage, double speedUp) {
    Identity who =
        new Identity("HX2T", "HX2T-55120-C", "OD02", SECTORS_2_TB, 5400, 3, 0x5F1D_0A55_1200_000CL);
    Fate fate = new Fate(55_120, 2_870, Double.POSITIVE_INFINITY, 13, 0, NEVER_TESTED);
    SimDrive drive = new SimDrive(who, fate, clock, speedUp);
    return machine(
        "", "bench machine", "", drive, slow(drive, perPage), Contents.choirLibrary(SECTORS_2_TB));
  }

  private static SimDrive wornDisk(double hours, int selfTest, Clock clock, double speedUp) {
    Fate fate = new Fate(44_019, hours, 940, 17, 0, selfTest);
    Ageing ageing = new Ageing(fate.seed(), fate.onsetHour(), 0.9, 1_140 + 10_000);
    return new SimDrive(WORN_DISK, fate, ageing, clock, speedUp);
  }

  /** What the worn disk said of itself when it was younger, by wire name, in base64. */
  static Map<String, String> wornDiskPages(double hours) {
    SimDrive drive = wornDisk(hours, NEVER_TESTED, Clock.fixed(Instant.EPOCH, ZoneOffset.UTC), 0);
    return pages(drive, HistoryDrive.KEPT);
  }

  /** What the tired pack said of itself when it was younger, likewise. */
  static Map<String, String> tiredPackPages(double gaugeAh, long cycles) {
    return pages(tiredPack(gaugeAh, cycles, 1), List.of(PageKind.BATTERY_SUPPLY));
  }

  private static Map<String, String> pages(PageSource source, Collection<PageKind> kinds) {
    Map<String, String> pages = new LinkedHashMap<>();
    for (PageKind kind : kinds) {
      source
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
            Optional.of(() -> surface(flash, speedUp)),
            Optional.empty(),
            Optional.of(
                () -> new SimBytes(surface(flash, speedUp), Contents.anyOwner(flash.sectors()))),
            Optional.empty()));
  }

  private static SimSurface surface(SimFlash flash, double speedUp) {
    return new SimSurface(flash.serial(), flash.sectors(), 1, 512, flash.unreadable(), speedUp);
  }

  private MachineUnderTest badModule(Duration perPage, double speedUp, String setting) {
    SimModule a = new SimModule("Sound & Sons", "SND-8G-3200", "5D01A7C2", 8192, List.of());
    SimModule b =
        new SimModule(
            "Sound & Sons",
            "SND-8G-3200",
            "5D01A7F9",
            8192,
            List.of(
                "stuck-at word=20481 bit=19 state=1",
                "transition word=20737 bit=19 state=0",
                "coupling-inversion word=21002 bit=20 by-word=21003 by-bit=3 by-state=1"));
    List<Optional<SimModule>> slots = new ArrayList<>();
    for (char module : (setting.isEmpty() ? "AB" : setting).toCharArray()) {
      slots.add(module == '-' ? Optional.empty() : Optional.of(module == 'A' ? a : b));
    }
    SimDrive drive = drive("QUAY-480F", "Q48F-20117-C", SECTORS_500_GB, 20_117, 9_410, speedUp);
    SimBoard board = new SimBoard("Tarnwick", "desk tower", "TWD-1180-31", false, slots, speedUp);
    return machine("Tarnwick", "desk tower", "TWD-1180-31", drive, slow(drive, perPage))
        .with(Optional.of(board.board(slow(board, perPage))), Optional.empty(), Optional.empty());
  }

  private MachineUnderTest tiredBattery(Duration perPage, double speedUp) {
    SimDrive drive = drive("QUAY-240F", "Q24F-71120-A", SECTORS_240_GB, 71_120, 5_120, speedUp);
    SimModule only = new SimModule("Sound & Sons", "SND-8G-3200", "5D01B210", 8192, List.of());
    SimBoard board =
        new SimBoard(
            "Norrvik", "13 laptop", "NV13-0921-07", true, List.of(Optional.of(only)), speedUp);
    SimBattery battery = tiredPack(2.05, 731, speedUp);
    return machine("Norrvik", "13 laptop", "NV13-0921-07", drive, slow(drive, perPage))
        .with(
            Optional.of(board.board(slow(board, perPage))),
            Optional.of(battery.battery(slow(battery, perPage))),
            Optional.of(new SimLoad(SimLoad.Work.CALM, speedUp / 6, 31)));
  }

  private static SimBattery tiredPack(double gaugeAh, long cycles, double speedUp) {
    return new SimBattery(
        new SimBattery.Life(
            "Lodestar", "PM-3", "LS-00417", 4.4, 1.93, gaugeAh, cycles, 0.154, 2 * speedUp));
  }

  /** Sound in all its parts; what is wrong with it is its system. */
  private MachineUnderTest stuckUpdate(Duration perPage, double speedUp) {
    SimDrive drive = drive("QUAY-240F", "Q24F-55013-B", SECTORS_240_GB, 55_013, 6_830, speedUp);
    return machine("Tarnwick", "desk tower", "TWD-31880", drive, slow(drive, perPage));
  }

  private MachineUnderTest busyDrive(Duration perPage, double speedUp, String setting) {
    SimDrive drive = drive("HELM-500P", "OS5P-30871-K", SECTORS_500_GB, 30_871, 14_300, speedUp);
    SimModule only = new SimModule("Sound & Sons", "SND-8G-3200", "5D01C004", 8192, List.of());
    SimBoard board =
        new SimBoard(
            "Ostrel", "14 laptop", "OST14-1907-552", true, List.of(Optional.of(only)), speedUp);
    SimLoad.Work work = setting.equals("calm") ? SimLoad.Work.CALM : SimLoad.Work.INDEXING;
    return machine("Ostrel", "14 laptop", "OST14-1907-552", drive, slow(drive, perPage))
        .with(
            Optional.of(board.board(slow(board, perPage))),
            Optional.empty(),
            Optional.of(new SimLoad(work, speedUp / 6, 47)));
  }

  private SimDrive drive(
      String model, String serial, long sectors, long seed, double hours, double speedUp) {
    Identity who =
        new Identity(model, serial, "1.07", sectors, 1, 3, 0x5F1D_0B00_0000_0000L + seed);
    Fate fate = new Fate(seed, hours, Double.POSITIVE_INFINITY, 12, 0, NEVER_TESTED);
    return new SimDrive(who, fate, clock, speedUp);
  }

  private static PageSource slow(PageSource source, Duration perPage) {
    return new SlowSource(source, perPage);
  }

  private static SimMachine machine(
      String maker, String model, String serial, SimDrive drive, PageSource pages) {
    return machine(maker, model, serial, drive, pages, Contents.anyOwner(drive.sectors()));
  }

  private static SimMachine machine(
      String maker,
      String model,
      String serial,
      SimDrive drive,
      PageSource pages,
      DiskContent content) {
    return new SimMachine(
        maker,
        model,
        serial,
        new MachineUnderTest.Drive(
            "drive-a",
            "Drive A",
            pages,
            Optional.of(drive::surface),
            Optional.of(drive.selfTests()),
            Optional.of(() -> new SimBytes(drive.surface(), content)),
            Optional.of(SimWriter.of(drive::surface, content, Optional.empty()))));
  }

  private record SimMachine(
      String maker,
      String model,
      String serial,
      MachineUnderTest.Drive drive,
      Optional<Board> board,
      Optional<Battery> battery,
      Optional<LoadSource> load)
      implements MachineUnderTest {
    SimMachine(String maker, String model, String serial, MachineUnderTest.Drive drive) {
      this(maker, model, serial, drive, Optional.empty(), Optional.empty(), Optional.empty());
    }

    SimMachine with(Optional<Board> board, Optional<Battery> battery, Optional<LoadSource> load) {
      return new SimMachine(maker, model, serial, drive, board, battery, load);
    }

    @Override
    public Optional<InstantSource> clock() {
      return Optional.of(SimClock.shown());
    }

    @Override
    public Description describe() {
      return new Description(maker, model, serial, "simulated bench", true);
    }

    @Override
    public List<Drive> drives() {
      return List.of(drive);
    }
  }
}

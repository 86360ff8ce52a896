package tekmerion.sim.parts;

import java.util.HashSet;
import java.util.Set;
import tekmerion.sim.ShopDrive;

/** What a machine is made of, each number as a meter or a listing would show it. */
final class State implements Cloneable {
  /** What lies on the drive that the complaint is about. */
  enum Volume {
    SOUND,
    BLANK,
    FOREIGN,
    LOCKED,
    TABLE_LOST,
    DAMAGED
  }

  boolean laptop;
  double ageYears;

  // Adapter, socket, charging.
  double adapterVolts = 19.5;
  double adapterOhms = 0.15;
  boolean adapterKnown = true;

  /** It is not the one that came with the machine, and gives less than it asks for. */
  boolean adapterUnfit;

  /** Share of the time that the plug has no contact, at rest; six times that when it is moved. */
  double socketBreaks;

  boolean chargerWorks = true;

  /** Whether the board starts from the adapter alone when nothing charges. */
  boolean startsUncharged = true;

  // Pack.
  double packShare = 1;
  double packOhmsTimes = 1;
  double gaugeTimes = 1;
  double swellingMm;
  double packCycles;
  boolean packOfOthers;

  /** From 0 to 1, as it came in. */
  double packCharge = 0.7;

  // Desk supply, switch, coin cell, charge that holds the board off.
  double supplyShare = 1;
  double supplyLostLoaded = 0.02;
  double switchMakes = 1;
  double coinVolts = 3.1;
  boolean latched;

  // Board and picture.
  boolean railDead;
  boolean picturelessBoard;
  double boardStopsPerHour;
  double damageMm2;
  double graphicsStopsPerHour;
  boolean graphicsDead;
  double tornShare;
  boolean panelDead;
  boolean panelLightDead;
  double panelCableBreaks;

  // Air.
  double airShare = 0.9;
  double fanShare = 1;
  boolean fanChecked;
  double roomCelsius = 22;

  // Memory: two modules in two slots.
  double[] cellErrorsPerHour = {0, 0};
  boolean[] cellsDead = {false, false};
  double[] contactOpen = {0, 0};
  double[] slotErrorsPerHour = {0, 0};
  double mismatchErrorsPerHour;
  boolean labelsDiffer;
  double memoryNeeds = 0.6;

  // Drive and its way to the board.
  ShopDrive drive;
  boolean outside;
  double driveAnswers = 1;
  boolean stuckMotor;

  /** Whether a technician has taken it out and put it into a dock. */
  boolean docked;

  /** How often a program asked it something in its place, and how often it answered. */
  int asked;

  int answered;
  boolean badInSystem;
  double cableBreaks;
  double caseBreaks;
  double portVolts = 4.95;
  boolean portOn = true;
  boolean modeRight = true;
  boolean secondClashes;
  boolean driveIsNew;

  /** It was copied whole from another drive that is in the machine too. */
  boolean twin;

  // What is on it.
  Volume volume = Volume.SOUND;
  boolean keyKept = true;
  boolean nameTaken;
  double freeShare = 0.5;
  double scatter = 0.1;

  /** Share of the time that a disk past its years keeps people waiting, beside others. */
  double oldDiskShare;

  // System.
  int filesDamaged;
  boolean startFilesDamaged;
  boolean storeDamaged;
  boolean updateHalf;
  boolean bootRecordsLost;
  boolean orderWrong;
  double firmwareStopsPerHour;
  Stop stopsAt = Stop.LOADER;

  /** Where damage of the system stops a start: it differs by what is damaged. */
  enum Stop {
    LOADER,
    RECOVERY
  }

  // Drivers: stops an hour, what they hold the processor for, whether the system flags them.
  double driverStopsPerHour;
  boolean driverStopsAtStart;
  double driverHoldsMs;
  double graphicsDriverStopsPerHour;
  double graphicsHoldsMs;
  double soundHoldsMs;
  double networkHoldsMs;
  double profileHoldsMs;
  double timersHoldMs;
  double storageDriverFails;
  boolean flagged;

  // Programs: share of the processor each takes.
  int startItems = 8;
  double thirdShare;
  double thirdHoldsMs;
  double thirdStopsPerHour;
  boolean thirdHooksDrives;
  boolean serviceHangs;
  double recentShare;
  double recentStopsPerHour;
  double unwantedShare;
  double serviceShare;
  boolean indexing;

  // Outside things.
  double outsideStopsPerHour;
  boolean outsideHoldsStart;
  boolean outsideHangsLists;

  // Nothing in the machine: what the tables know no cause for.
  double homeMainsDips;
  boolean farServerSlow;
  boolean ownerExpects;

  boolean dataWanted;

  /** What its owner remembers of the days before, by the options of the question. */
  Set<String> changed = new HashSet<>();

  State copy() {
    try {
      State copy = (State) clone();
      copy.cellErrorsPerHour = cellErrorsPerHour.clone();
      copy.cellsDead = cellsDead.clone();
      copy.contactOpen = contactOpen.clone();
      copy.slotErrorsPerHour = slotErrorsPerHour.clone();
      copy.changed = new HashSet<>(changed);
      return copy;
    } catch (CloneNotSupportedException e) {
      throw new IllegalStateException(e);
    }
  }

  /** Of the processor after ten minutes of load [°C]; it slows itself down at 95, stops at 110. */
  double loadedCelsius() {
    double carried = Math.max(0.02, airShare * fanShare);
    return roomCelsius + 44 / Math.pow(carried, 0.5);
  }

  /** Volts that the adapter gives at three amperes; 0 if it is dead. */
  double adapterLoadedVolts() {
    return Math.max(0, adapterVolts - 3 * adapterOhms);
  }

  boolean adapterGives() {
    return adapterLoadedVolts() > 15;
  }

  double errorsPerHour(int module, double celsius) {
    return cellErrorsPerHour[module] * Math.pow(2, (celsius - 40) / 10);
  }

  /** Whether a technician who tries both would leave out the first. */
  boolean firstModuleIsBad() {
    return cellErrorsPerHour[0] > 0 || cellsDead[0] || contactOpen[0] > 0;
  }

  boolean portGives() {
    return portVolts > 4.6;
  }

  boolean driveGoing() {
    return drive.badSectors() > 0 || drive.health() == ShopDrive.Health.HEADS;
  }
}

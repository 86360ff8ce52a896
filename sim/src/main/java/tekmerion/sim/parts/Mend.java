package tekmerion.sim.parts;

import java.util.Random;
import tekmerion.sim.ShopDrive;
import tekmerion.sim.ShopDrive.Health;
import tekmerion.sim.parts.State.Volume;

/** What a remedy does to the parts, whatever is wrong with them. */
final class Mend {
  private final State s;
  private final Random random;

  Mend(State state, Random random) {
    this.s = state;
    this.random = random;
  }

  private boolean chance(double p) {
    return random.nextDouble() < p;
  }

  /**
   * @param remedy id of the know-how
   * @throws IllegalArgumentException if nobody knows how to do it
   */
  void by(String remedy) {
    switch (remedy) {
      case "recover-data" -> {
        // reads only
      }
      case "replace-drive" -> newDrive();
      case "replace-cable" -> {
        s.cableBreaks = 0;
        s.caseBreaks = 0;
      }
      case "powered-port" -> s.portVolts = 5;
      case "replace-memory", "good-modules" -> newMemory();
      case "more-memory" -> s.memoryNeeds = 0.6;
      case "clean-contacts" -> contacts(0.94);
      case "good-slot" -> s.slotErrorsPerHour = new double[] {0, 0};
      case "replace-battery" -> {
        s.packShare = 1;
        s.packOhmsTimes = 1;
        s.gaugeTimes = 1;
        s.swellingMm = 0;
        s.packCharge = 0.7;
      }
      case "learn-gauge" -> s.gaugeTimes = chance(0.88) ? 1 : s.gaugeTimes;
      case "replace-adapter" -> {
        s.adapterVolts = 19.5;
        s.adapterOhms = 0.15;
        s.adapterKnown = true;
        s.packCharge = 0.7;
      }
      case "replace-socket" -> {
        s.socketBreaks = 0;
        s.packCharge = 0.7;
      }
      case "replace-supply" -> {
        s.supplyShare = 1;
        s.supplyLostLoaded = 0.02;
      }
      case "drain" -> s.latched &= !chance(0.95);
      case "new-coin-cell" -> {
        s.coinVolts = 3.2;
        s.orderWrong = false; // the clock and the settings are set anew with it
      }
      case "replace-switch" -> s.switchMakes = 1;
      case "clean-cooling" -> s.airShare = Math.max(s.airShare, chance(0.95) ? 0.9 : 0.4);
      case "replace-fan" -> {
        s.fanShare = 1;
        s.airShare = Math.max(s.airShare, 0.7);
      }
      case "reseat-panel" -> s.panelCableBreaks = chance(0.9) ? 0 : s.panelCableBreaks;
      case "replace-panel" -> {
        s.panelDead = false;
        s.panelLightDead = false;
        s.panelCableBreaks = chance(0.7) ? 0 : s.panelCableBreaks;
      }
      case "replace-board", "refer-out" -> newBoard();
      case "set-ports" -> {
        s.portOn = true;
        s.modeRight = true;
        s.orderWrong = s.coinVolts < 2.4 && s.orderWrong; // lost again at the next stop
      }
      case "renew-firmware" -> s.firmwareStopsPerHour = 0;
      case "part-drives" -> s.secondClashes = false;
      case "leave-device" -> noStick();
      case "name-volume" -> s.nameTaken = false;
      case "unlock-volume" ->
          s.volume = s.volume == Volume.LOCKED && s.keyKept ? Volume.SOUND : s.volume;
      case "read-foreign" -> s.volume = s.volume == Volume.FOREIGN ? Volume.SOUND : s.volume;
      case "new-volume" -> s.volume = Volume.SOUND;
      case "restore-table" ->
          s.volume = s.volume == Volume.TABLE_LOST && chance(0.85) ? Volume.SOUND : s.volume;
      case "repair-file-system" ->
          s.volume = s.volume == Volume.DAMAGED && chance(0.88) ? Volume.SOUND : s.volume;
      default -> system(remedy);
    }
  }

  private void system(String remedy) {
    switch (remedy) {
      case "repair-system-files" -> {
        files(0.9);
        updateEnds(0.5);
      }
      case "verify-files" -> files(s.storeDamaged ? 0.05 : 0.85);
      case "repair-store" -> {
        s.storeDamaged = false;
        files(0.6);
        updateEnds(0.45);
      }
      case "rebuild-boot" -> s.bootRecordsLost = false;
      case "roll-back" -> {
        driver(0.85);
        graphics(0.6);
        recentProgram(0.8);
        updateEnds(0.5);
        s.storageDriverFails = chance(0.5) ? 0 : s.storageDriverFails;
      }
      case "take-back-update" -> {
        driver(0.5);
        updateEnds(0.6);
      }
      case "renew-drivers" -> {
        driver(s.flagged ? 0.92 : 0.8);
        graphics(0.93);
        s.soundHoldsMs = 0;
        s.networkHoldsMs = 0;
        s.storageDriverFails = chance(0.92) ? 0 : s.storageDriverFails;
        s.flagged = false;
      }
      case "remove-program" -> {
        recentProgram(0.95);
        third(0.9);
        s.serviceShare =
            chance(0.5) ? 0 : s.serviceShare; // it is one of a program, or of the system
      }
      case "take-out-found" -> {
        recentProgram(0.92);
        third(0.92);
        s.serviceShare = chance(0.45) ? 0 : s.serviceShare;
        s.unwantedShare = chance(0.35) ? 0 : s.unwantedShare;
      }
      case "trim-start" -> {
        s.startItems = Math.min(s.startItems, 12);
        s.serviceShare = chance(0.85) ? 0 : s.serviceShare;
      }
      case "stop-indexing" -> s.indexing = false;
      case "set-profile" -> {
        s.profileHoldsMs = 0;
        s.timersHoldMs = 0;
      }
      case "restart-service" -> s.serviceHangs &= !chance(0.85);
      case "make-room" -> s.freeShare = Math.max(s.freeShare, 0.3);
      case "order-files" -> s.scatter = Math.min(s.scatter, 0.1);
      case "clean-unwanted" -> s.unwantedShare = chance(0.85) ? 0 : s.unwantedShare;
      case "put-over" -> {
        s.storeDamaged = false;
        files(0.95);
        updateEnds(0.93);
        driver(0.4);
        s.serviceHangs &= !chance(0.7);
      }
      case "reset-keeping", "reset-erasing", "clean-install" -> newSystem(remedy);
      default -> throw new IllegalArgumentException("nobody knows how to do " + remedy);
    }
  }

  private void newDrive() {
    s.drive = new ShopDrive(new Random(1), Health.SOUND, false, 2, 0, 10);
    s.driveAnswers = 1;
    s.stuckMotor = false;
    s.oldDiskShare = 0;
    s.badInSystem = false;
    s.scatter = 0;
    s.freeShare = Math.max(s.freeShare, 0.5);
    if (s.volume == Volume.BLANK || s.volume == Volume.TABLE_LOST || s.volume == Volume.DAMAGED) {
      s.volume = Volume.SOUND;
    }
    if (s.startFilesDamaged || s.bootRecordsLost || s.updateHalf) {
      // What was copied over did not start, so the system was set up anew on the new drive.
      newSystem("clean-install");
    }
  }

  private void newMemory() {
    s.cellErrorsPerHour = new double[] {0, 0};
    s.cellsDead = new boolean[] {false, false};
    s.mismatchErrorsPerHour = 0;
    contacts(0.5);
  }

  private void contacts(double p) {
    if (chance(p)) {
      s.contactOpen = new double[] {0, 0};
    }
  }

  private void newBoard() {
    s.railDead = false;
    s.picturelessBoard = false;
    s.boardStopsPerHour = 0;
    s.damageMm2 = 0;
    s.graphicsStopsPerHour = 0;
    s.graphicsDead = false;
    s.tornShare = 0;
    s.chargerWorks = true;
    s.slotErrorsPerHour = new double[] {0, 0};
    s.socketBreaks = 0;
    s.latched = false;
    s.packCharge = 0.7;
    s.firmwareStopsPerHour = 0;
    s.portOn = true;
    s.modeRight = true;
    s.orderWrong = false;
  }

  void noStick() {
    s.outsideStopsPerHour = 0;
    s.outsideHoldsStart = false;
    s.outsideHangsLists = false;
  }

  private void newSystem(String remedy) {
    boolean erases = !remedy.equals("reset-keeping");
    s.filesDamaged = 0;
    s.startFilesDamaged = false;
    s.storeDamaged = false;
    s.updateHalf = false;
    driver(0.9);
    recentProgram(1);
    third(1);
    s.startItems = 6;
    s.serviceShare = 0;
    s.unwantedShare = erases || chance(0.85) ? 0 : s.unwantedShare;
    s.serviceHangs = false;
    graphics(0.7);
    if (erases) {
      s.bootRecordsLost = false;
      s.volume = s.outside ? s.volume : Volume.SOUND;
    }
  }

  private void files(double p) {
    if (chance(p)) {
      s.filesDamaged = 0;
      s.startFilesDamaged = false;
    }
  }

  private void updateEnds(double p) {
    s.updateHalf &= !chance(p);
  }

  private void driver(double p) {
    if (chance(p)) {
      s.driverStopsPerHour = 0;
      s.driverStopsAtStart = false;
      s.driverHoldsMs = 0;
    }
  }

  private void graphics(double p) {
    if (chance(p)) {
      s.graphicsDriverStopsPerHour = 0;
      s.graphicsHoldsMs = 0.4;
    }
  }

  private void recentProgram(double p) {
    if (chance(p)) {
      s.recentShare = 0;
      s.recentStopsPerHour = 0;
    }
  }

  private void third(double p) {
    if (chance(p)) {
      s.thirdShare = 0;
      s.thirdHoldsMs = 0;
      s.thirdStopsPerHour = 0;
      s.thirdHooksDrives = false;
    }
  }
}

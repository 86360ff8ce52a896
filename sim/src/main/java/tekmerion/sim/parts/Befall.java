package tekmerion.sim.parts;

import java.util.Random;
import tekmerion.sim.parts.State.Stop;
import tekmerion.sim.parts.State.Volume;

/** What years and what befell it do to a machine's parts. */
final class Befall {
  private final State s;
  private final Random random;

  Befall(State state, Random random) {
    this.s = state;
    this.random = random;
  }

  private boolean chance(double p) {
    return random.nextDouble() < p;
  }

  private double between(double low, double high) {
    return low + (high - low) * random.nextDouble();
  }

  private void remembers(double p, String change) {
    if (chance(p)) {
      s.changed.add(change);
    }
  }

  /** What every machine of that age has. */
  void years(double years) {
    s.ageYears = years;
    s.airShare = Math.max(0.3, 1 - years * between(0, 0.075));
    s.packCycles = years * between(30, 200);
    s.packShare = Math.max(0.42, 1 - 0.00034 * s.packCycles - years * between(0, 0.022));
    s.packOhmsTimes = 1 + years * between(0.03, 0.13);
    s.gaugeTimes = 1 + 0.05 * random.nextGaussian();
    s.packOfOthers = chance(0.05 + 0.02 * years);
    s.coinVolts = Math.max(2.55, 3.2 - between(0.02, 0.06) * years);
    s.supplyLostLoaded = between(0, 0.03);
    s.supplyShare = 1 + 0.012 * random.nextGaussian();
    s.memoryNeeds = between(0.3, 0.85);
    s.freeShare = chance(0.08) ? between(0.06, 0.1) : between(0.12, 0.85);
    s.scatter = between(0, 0.35);
    s.startItems = 4 + random.nextInt(14);
    s.filesDamaged = chance(0.04) ? 1 : 0;
    s.flagged = chance(0.07);
    s.labelsDiffer = chance(0.13);
    s.stopsAt = chance(0.5) ? Stop.LOADER : Stop.RECOVERY;
    s.damageMm2 = chance(0.02) ? between(1, 5) : 0;
    s.slotErrorsPerHour[0] = 0;
    s.graphicsHoldsMs = between(0.1, 0.7);
    for (String change :
        new String[] {"program", "update", "part", "plugged", "drop", "power-cut"}) {
      remembers(change.equals("update") ? 0.13 : 0.04, change);
    }
  }

  /** Of the origins that are of the drive alone nothing is done here: it was made so. */
  void befall(Origin what) {
    switch (what) {
      case SURFACE_WORE -> s.badInSystem = !s.outside && chance(0.55);
      case HEADS_WORE -> remembers(0.25, "drop");
      case MOTOR_STUCK -> {
        s.stuckMotor = true;
        s.driveAnswers = between(0, 0.25);
        remembers(0.3, "drop");
      }
      case DRIVE_BOARD_BURNT -> {
        s.driveAnswers = between(0, 0.6);
        remembers(0.2, "power-cut");
      }
      case CABLE_WORE -> {
        s.cableBreaks = between(0.15, 1);
        remembers(0.2, "drop");
      }
      case CASE_BROKE -> s.caseBreaks = between(0.4, 1);
      case PORT_SWITCHED_OFF -> {
        s.portOn = false;
        remembers(0.4, "part");
      }
      case MODE_CHANGED -> {
        s.modeRight = false;
        remembers(0.35, "part");
      }
      case SECOND_DRIVE_ADDED -> {
        s.secondClashes = true;
        s.twin = chance(0.45);
        s.driveIsNew = chance(0.6);
        remembers(0.8, "part");
      }
      case LONG_CABLE_OR_HUB -> {
        s.portVolts = between(4.1, 4.55);
        remembers(0.5, "plugged");
      }
      case ORDER_CHANGED -> {
        s.orderWrong = true;
        remembers(0.35, "part");
      }
      case FIRMWARE_BUG -> s.firmwareStopsPerHour = between(0.5, 3);
      case STICK_LEFT_IN -> stick();
      case NEW_DRIVE_BOUGHT -> {
        s.volume = Volume.BLANK;
        s.driveIsNew = true;
        remembers(0.6, "part");
      }
      case DRIVE_OF_OTHER_SYSTEM -> s.volume = Volume.FOREIGN;
      case PULLED_WHILE_WRITING -> {
        s.volume = Volume.DAMAGED;
        remembers(0.35, "power-cut");
      }
      case TABLE_OVERWRITTEN -> {
        s.volume = Volume.TABLE_LOST;
        remembers(0.25, "power-cut");
      }
      case ENCRYPTED -> {
        s.volume = Volume.LOCKED;
        s.keyKept = chance(0.85);
        remembers(0.3, "update");
      }
      case NAME_TAKEN -> {
        s.nameTaken = true;
        s.twin = chance(0.25);
        remembers(0.5, "plugged");
      }
      default -> system(what);
    }
  }

  private void stick() {
    switch (random.nextInt(3)) {
      case 0 -> s.outsideStopsPerHour = between(0.8, 5);
      case 1 -> s.outsideHoldsStart = true;
      default -> s.outsideHangsLists = true;
    }
    remembers(0.6, "plugged");
  }

  private void system(Origin what) {
    switch (what) {
      case FILES_CUT_SHORT -> {
        s.filesDamaged = 2 + random.nextInt(150);
        s.startFilesDamaged = chance(0.55);
        s.storeDamaged = chance(0.35);
        remembers(0.3, "power-cut");
      }
      case BOOT_CHANGED -> {
        s.bootRecordsLost = true;
        remembers(0.3, "update");
      }
      case UPDATE_CUT_OFF -> {
        s.updateHalf = true;
        s.filesDamaged = chance(0.5) ? 3 + random.nextInt(60) : 0;
        s.storeDamaged = chance(0.45);
        remembers(0.8, "update");
        remembers(0.3, "power-cut");
      }
      case DRIVER_CAME -> {
        s.driverStopsPerHour = between(0.5, 5);
        s.driverStopsAtStart = chance(0.3);
        s.driverHoldsMs = chance(0.4) ? between(9, 30) : 1;
        s.flagged = chance(0.5) || s.flagged;
        remembers(0.55, chance(0.7) ? "update" : "program");
      }
      case STORAGE_DRIVER_CAME -> {
        s.storageDriverFails = between(0.4, 1);
        s.flagged = chance(0.55) || s.flagged;
        remembers(0.45, "update");
      }
      case SERVICE_STUCK -> s.serviceHangs = true;
      case SECURITY_DOUBLED -> {
        switch (random.nextInt(3)) {
          case 0 -> s.thirdShare = between(0.5, 0.9);
          case 1 -> s.thirdStopsPerHour = between(0.6, 3);
          default -> s.thirdHooksDrives = true;
        }
        s.thirdHoldsMs = chance(0.5) ? between(9, 25) : 0;
        remembers(0.45, "program");
      }
      case PROGRAM_CAME -> {
        if (chance(0.6)) {
          s.recentStopsPerHour = between(0.6, 4);
        } else {
          s.recentShare = between(0.5, 0.9);
        }
        remembers(0.85, "program");
      }
      case GRAPHICS_DRIVER_CAME -> {
        s.graphicsDriverStopsPerHour = chance(0.6) ? between(0.4, 2.5) : 0;
        s.graphicsHoldsMs = between(9, 35);
        s.flagged = chance(0.3) || s.flagged;
        remembers(0.45, "update");
      }
      case SOUND_DRIVER_CAME -> {
        s.soundHoldsMs = between(9, 25);
        remembers(0.4, "update");
      }
      case NETWORK_DRIVER_OLD -> s.networkHoldsMs = between(9, 40);
      case PROFILE_SAVES -> s.profileHoldsMs = between(9, 25);
      case TIMERS_SET -> s.timersHoldMs = between(9, 20);
      case ITEMS_GATHERED -> {
        s.startItems = 45 + random.nextInt(30);
        remembers(0.25, "program");
      }
      case INDEX_REBUILT -> {
        s.indexing = true;
        s.scatter += 0.1;
        remembers(0.3, "update");
      }
      case SERVICE_BUSY -> s.serviceShare = between(0.55, 0.95);
      case FILES_SCATTERED -> s.scatter = between(0.85, 1);
      case FILLED_UP -> s.freeShare = between(0.005, 0.05);
      case OLD_DISK -> s.oldDiskShare = between(0.4, 0.6);
      case ADVERTS_CAME -> {
        s.unwantedShare = between(0.45, 0.9);
        remembers(0.35, "program");
      }
      case WORK_GREW -> s.memoryNeeds = between(1.2, 1.6);
      default -> hardware(what);
    }
  }

  private void hardware(Origin what) {
    switch (what) {
      case MODULE_WEAK -> {
        int module = random.nextInt(2);
        s.cellsDead[module] = chance(0.22);
        s.cellErrorsPerHour[module] = 18 * Math.exp(1.9 * random.nextGaussian());
      }
      case SLOT_WORE -> {
        s.slotErrorsPerHour[random.nextInt(2)] = 10 * Math.exp(1.2 * random.nextGaussian());
      }
      case CONTACTS_DULL -> {
        s.contactOpen[random.nextInt(2)] = between(0.15, 1);
        remembers(0.15, "drop");
      }
      case MODULE_ADDED -> {
        s.mismatchErrorsPerHour = between(2, 14);
        s.labelsDiffer = true;
        remembers(0.8, "part");
      }
      case DUST -> s.airShare = between(0.05, 0.26);
      case FAN_WORE -> {
        s.fanShare = chance(0.55) ? 0.02 : between(0.1, 0.35);
        s.fanChecked = chance(0.3);
      }
      case ADAPTER_BROKE -> {
        switch (random.nextInt(3)) {
          case 0 -> s.adapterVolts = 0;
          case 1 -> s.adapterOhms = between(1.6, 4);
          default -> {
            s.adapterKnown = false;
            s.adapterUnfit = chance(0.6);
          }
        }
        s.packCharge = s.adapterGives() ? 0.7 : chance(0.6) ? 0 : 0.4;
      }
      case SOCKET_LOOSE -> {
        s.socketBreaks = between(0.25, 1);
        s.packCharge = chance(0.4) ? 0 : between(0.2, 0.9);
        remembers(0.2, "drop");
      }
      case CHARGER_DIED -> {
        s.chargerWorks = false;
        s.startsUncharged = chance(0.7);
        s.damageMm2 = chance(0.4) ? between(6, 15) : s.damageMm2;
        s.packCharge = chance(0.5) ? 0 : 0.3;
      }
      case CELLS_AGED -> {
        s.packShare = between(0.1, 0.52);
        s.packCycles = between(350, 1100);
        s.packOhmsTimes = between(1.4, 2.2);
        s.swellingMm = chance(0.22) ? between(2, 6) : 0;
      }
      case CELLS_RESIST -> {
        s.packOhmsTimes = between(3.2, 5);
        s.packCycles = between(200, 800);
        s.packShare = between(0.7, 0.95);
      }
      case GAUGE_DRIFTED -> {
        s.gaugeTimes = chance(0.5) ? between(0.4, 0.53) : between(1.3, 1.6);
        s.packShare = between(0.82, 0.97);
      }
      case SUPPLY_AGED -> {
        int way = random.nextInt(3);
        s.supplyShare = way == 0 ? 0 : way == 1 ? between(0.8, 0.89) : s.supplyShare;
        s.supplyLostLoaded = between(0.1, 0.2);
      }
      case CHARGE_HELD -> {
        s.latched = true;
        remembers(0.2, "power-cut");
      }
      case SWITCH_WORE -> s.switchMakes = between(0.02, 0.25);
      case COIN_EMPTY -> {
        s.coinVolts = between(0.3, 2.4);
        s.orderWrong = true;
      }
      case PANEL_HIT -> {
        s.panelLightDead = chance(0.4);
        s.panelDead = !s.panelLightDead;
        remembers(0.3, "drop");
      }
      case PANEL_CABLE_WORE -> {
        s.panelCableBreaks = between(0.4, 1);
        remembers(0.2, "drop");
      }
      case SPILL -> {
        s.damageMm2 = between(7, 30);
        switch (random.nextInt(4)) {
          case 0 -> s.railDead = true;
          case 1 -> s.picturelessBoard = true;
          case 2 -> s.chargerWorks = false;
          default -> s.boardStopsPerHour = between(1, 6);
        }
        remembers(0.6, "liquid");
      }
      case BOARD_AGED -> {
        s.damageMm2 = chance(0.35) ? between(6, 12) : s.damageMm2;
        switch (random.nextInt(3)) {
          case 0 -> s.railDead = true;
          case 1 -> s.picturelessBoard = true;
          default -> s.boardStopsPerHour = between(1, 6);
        }
      }
      case GRAPHICS_AGED -> {
        s.graphicsDead = chance(0.4);
        s.graphicsStopsPerHour = between(1, 5);
        s.tornShare = between(0.3, 0.9);
      }
      case HOME_MAINS_DIPS -> s.homeMainsDips = between(0.4, 1.5);
      case FAR_SERVER_SLOW -> s.farServerSlow = true;
      case OWNER_EXPECTS -> s.ownerExpects = true;
      default -> throw new IllegalStateException("nothing befalls a machine by " + what);
    }
  }
}

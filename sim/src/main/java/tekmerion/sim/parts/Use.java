package tekmerion.sim.parts;

import java.util.EnumSet;
import java.util.Random;
import java.util.Set;
import tekmerion.sim.ShopDrive;
import tekmerion.sim.parts.State.Volume;
import tekmerion.sim.shop.Complaint;
import tekmerion.sim.shop.Rung;

/** What a machine does when somebody starts it and works with it. */
final class Use {
  private static final double SLOW_FROM = 0.62;
  private static final double STUTTERS_FROM_MS = 8;

  private final State s;
  private final Random random;

  Use(State state, Random random) {
    this.s = state;
    this.random = random;
  }

  private boolean chance(double p) {
    return random.nextDouble() < p;
  }

  Trial trial(Set<Swap> with, double minutes) {
    Rung at = start(with);
    if (at.compareTo(Rung.FIRMWARE) < 0) {
      return new Trial(at, Set.of(Complaint.DEAD), "");
    }
    if (with.contains(Swap.OUR_MEDIUM)) {
      return run(with, minutes, EnumSet.noneOf(Complaint.class));
    }
    Rung loaded = load(with);
    return switch (loaded) {
      case FIRMWARE -> new Trial(loaded, Set.of(Complaint.MOUNT_FAILURE), "boot");
      case LOADER, RECOVERY ->
          new Trial(
              loaded,
              chance(0.6) || s.updateHalf
                  ? Set.of(Complaint.RESTART_LOOP)
                  : Set.of(Complaint.MOUNT_FAILURE),
              s.updateHalf ? "update" : s.startFilesDamaged ? "system" : "");
      case LIMITED -> new Trial(loaded, Set.of(Complaint.ERROR_SCREEN), "driver");
      default -> run(with, minutes, EnumSet.noneOf(Complaint.class));
    };
  }

  /** Up to its firmware. */
  Rung start(Set<Swap> with) {
    if (!hasPower(with)) {
      return Rung.NOTHING;
    }
    boolean pressed = with.contains(Swap.PAST_SWITCH) || chance(s.switchMakes);
    if (s.latched || s.railDead || !pressed) {
      return Rung.NOTHING;
    }
    if (s.picturelessBoard
        || !s.laptop && !with.contains(Swap.GOOD_SUPPLY) && s.supplyShare < 0.9
        || s.fanChecked && s.fanShare < 0.1
        || s.airShare * s.fanShare < 0.06 && s.fanShare > 0.1
        || !remembers(with)
        || s.graphicsDead) {
      return Rung.POWER;
    }
    boolean picture = with.contains(Swap.OUTSIDE_SCREEN) || ownScreenShows(with);
    return picture ? Rung.FIRMWARE : Rung.POWER;
  }

  boolean ownScreenShows(Set<Swap> with) {
    double breaks = s.panelCableBreaks * (with.contains(Swap.MOVED) ? 2 : 1);
    boolean panel = with.contains(Swap.GOOD_PANEL) || !s.panelDead && !s.panelLightDead;
    return panel && !chance(breaks);
  }

  boolean hasPower(Set<Swap> with) {
    if (!s.laptop) {
      return with.contains(Swap.GOOD_SUPPLY) || s.supplyShare > 0.1;
    }
    boolean adapter = with.contains(Swap.GOOD_ADAPTER) || s.adapterGives();
    boolean contact = !chance(Math.min(1, s.socketBreaks * (with.contains(Swap.MOVED) ? 6 : 1)));
    boolean pack =
        with.contains(Swap.GOOD_PACK)
            || !with.contains(Swap.NO_PACK) && s.packShare * s.packCharge > 0.04;
    return adapter && contact && (s.chargerWorks || pack || s.startsUncharged) || pack;
  }

  /** Whether the firmware finds memory it can start with. */
  private boolean remembers(Set<Swap> with) {
    if (with.contains(Swap.GOOD_MODULES)) {
      return !chance(s.contactOpen[0] * 0.5);
    }
    boolean first = with.contains(Swap.WITHOUT_FIRST_MODULE);
    boolean second = with.contains(Swap.WITHOUT_SECOND_MODULE);
    return (first || isFound(0)) && (second || isFound(1)) && !(first && second);
  }

  private boolean isFound(int module) {
    return !s.cellsDead[module] && !chance(s.contactOpen[module]);
  }

  /** From the firmware to a desktop: what is read from the start drive. */
  private Rung load(Set<Swap> with) {
    boolean other = with.contains(Swap.OTHER_DRIVE);
    if (!s.outside) {
      if (!s.portOn && !with.contains(Swap.OTHER_PORT) || s.orderWrong && !other) {
        return Rung.FIRMWARE;
      }
      if (!s.modeRight && !other) {
        return Rung.LOADER;
      }
      if (!other && !answers(with)) {
        return Rung.FIRMWARE;
      }
      if (other && breaks(with)) {
        return Rung.FIRMWARE;
      }
    }
    if (s.outsideHoldsStart && !with.contains(Swap.NOTHING_OUTSIDE)) {
      return Rung.LOADER;
    }
    if (other) {
      return Rung.DESKTOP;
    }
    if (s.bootRecordsLost) {
      return Rung.FIRMWARE;
    }
    if (!s.outside) {
      switch (s.volume) {
        case TABLE_LOST, BLANK -> {
          return Rung.FIRMWARE;
        }
        case LOCKED -> {
          return Rung.RECOVERY;
        }
        case DAMAGED -> {
          return stop();
        }
        default -> {
          // it is read
        }
      }
      if (s.badInSystem && chance(0.8)) {
        return stop();
      }
    }
    if (s.startFilesDamaged || s.updateHalf && chance(0.9)) {
      return stop();
    }
    return s.driverStopsAtStart && !with.contains(Swap.LIMITED_START) ? Rung.LIMITED : Rung.DESKTOP;
  }

  private Rung stop() {
    return s.stopsAt == State.Stop.LOADER ? Rung.LOADER : Rung.RECOVERY;
  }

  /** Whether the drive is there for the machine, this time. */
  boolean answers(Set<Swap> with) {
    boolean port = s.portOn || with.contains(Swap.OTHER_PORT);
    boolean power =
        s.portGives() || with.contains(Swap.OWN_POWER) || with.contains(Swap.OTHER_PORT);
    boolean alone = !s.secondClashes || with.contains(Swap.ONLY_THIS_DRIVE);
    return chance(s.driveAnswers) && port && (power || chance(0.15)) && alone && !breaks(with);
  }

  boolean breaks(Set<Swap> with) {
    double cable =
        with.contains(Swap.GOOD_CABLE) || with.contains(Swap.GOOD_CASE) ? 0 : s.cableBreaks;
    double box = with.contains(Swap.GOOD_CASE) ? 0 : s.caseBreaks;
    return chance(Math.min(1, (cable + box) * (with.contains(Swap.MOVED) ? 1.5 : 1)));
  }

  /** Some minutes of work; ours or theirs. */
  private Trial run(Set<Swap> with, double minutes, Set<Complaint> seen) {
    boolean ours = with.contains(Swap.OUR_MEDIUM);
    boolean other = ours || with.contains(Swap.OTHER_DRIVE);
    boolean limited = with.contains(Swap.LIMITED_START);
    boolean hot = s.loadedCelsius() > 95;
    String named = stops(with, minutes, other, limited);
    if (!named.isEmpty()) {
      seen.add(Complaint.ERROR_SCREEN);
      if (named.equals("memory") && chance(0.35)) {
        seen.add(Complaint.MEMORY_ERRORS);
      }
      if (chance(0.15)) {
        seen.add(Complaint.RESTART_LOOP);
      }
    }
    double noise = 0.06 * random.nextGaussian();
    if (load(other, limited, with) + disk(other, limited) + (hot ? 0.45 : 0) + noise > SLOW_FROM) {
      seen.add(Complaint.SLOW);
    }
    if (holdsMs(other, limited, with) > STUTTERS_FROM_MS
        || hot && chance(0.3)
        || !other && load(other, limited, with) > 0.8 && chance(0.4)) {
      seen.add(Complaint.STUTTER);
    }
    if (s.laptop && !with.contains(Swap.NO_PACK)) {
      boolean good = with.contains(Swap.GOOD_PACK);
      double lasts =
          good ? 1 : s.packShare / Math.max(1, s.packOhmsTimes / 2) * Math.min(1, s.gaugeTimes);
      boolean charges =
          s.chargerWorks
              && (s.adapterGives() && s.adapterKnown || with.contains(Swap.GOOD_ADAPTER))
              && !chance(s.socketBreaks);
      if (lasts < 0.55 || !good && s.gaugeTimes > 1.25 || !charges) {
        seen.add(Complaint.BATTERY);
      }
    }
    if (hot || s.fanShare < 0.5 || s.drive.health() == ShopDrive.Health.HEADS && chance(0.2)) {
      seen.add(Complaint.NOISE_HEAT);
    }
    if (s.outside) {
      outsideDrive(with, ours, seen);
    }
    if (!other && !limited && isHangingLists(with)) {
      seen.add(Complaint.MANAGEMENT_HANGS);
    }
    return new Trial(Rung.DESKTOP, seen, named);
  }

  private boolean isHangingLists(Set<Swap> with) {
    return s.serviceHangs
        || s.thirdHooksDrives && !with.contains(Swap.SECURITY_OFF) && chance(0.7)
        || chance(s.storageDriverFails * 0.6)
        || s.outsideHangsLists && !with.contains(Swap.NOTHING_OUTSIDE)
        || s.driveGoing() && s.outside && chance(0.3);
  }

  private void outsideDrive(Set<Swap> with, boolean ours, Set<Complaint> seen) {
    if (with.contains(Swap.OTHER_DRIVE)) {
      if (!s.portOn || breaks(with) || chance(s.storageDriverFails)) {
        seen.add(Complaint.NOT_SEEN);
      }
      return;
    }
    boolean known = ours || !chance(s.storageDriverFails) && s.modeRight && !s.nameTaken;
    if (!answers(with) || !known || s.volume == Volume.BLANK) {
      seen.add(Complaint.NOT_SEEN);
    } else if (s.volume != Volume.SOUND || s.driveGoing() && chance(0.6)) {
      seen.add(Complaint.NOT_READABLE);
    }
  }

  /** What stopped it in these minutes, by its name on the screen; empty if nothing did. */
  private String stops(Set<Swap> with, double minutes, boolean other, boolean limited) {
    double warm = with.contains(Swap.WARM) || with.contains(Swap.LOADED) ? 12 : 0;
    double celsius = 34 + 0.25 * (s.loadedCelsius() - 66) + warm;
    double load = with.contains(Swap.LOADED) ? 3 : 1;
    double memory = 0;
    if (!with.contains(Swap.GOOD_MODULES)) {
      memory =
          0.15 * (with.contains(Swap.WITHOUT_FIRST_MODULE) ? 0 : errors(0, celsius))
              + 0.15 * (with.contains(Swap.WITHOUT_SECOND_MODULE) ? 0 : errors(1, celsius));
      boolean both =
          !with.contains(Swap.WITHOUT_FIRST_MODULE) && !with.contains(Swap.WITHOUT_SECOND_MODULE);
      memory += both ? 0.3 * s.mismatchErrorsPerHour : 0;
    } else {
      memory = 0.15 * s.slotErrorsPerHour[0];
    }
    String named = hit(memory, minutes) ? chance(0.5) ? "memory" : "mixed" : "";
    if (s.loadedCelsius() > 110 && hit(2 * load, minutes)) {
      named = chance(0.2) ? "heat" : "cut";
    }
    double supply =
        s.laptop || with.contains(Swap.GOOD_SUPPLY) ? 0 : Math.max(0, s.supplyLostLoaded - 0.06);
    if (hit(25 * supply * load, minutes)) {
      named = "cut";
    }
    if (hit(s.boardStopsPerHour * (1 + warm / 12), minutes)) {
      named = chance(0.3) ? "mixed" : "cut";
    }
    if (hit(s.graphicsStopsPerHour * load, minutes)) {
      named = "graphics";
    }
    if (!with.contains(Swap.NOTHING_OUTSIDE) && hit(s.outsideStopsPerHour, minutes)) {
      named = "driver";
    }
    if (hit(s.firmwareStopsPerHour, minutes)) {
      named = "mixed";
    }
    if (hit(with.contains(Swap.IN_THE_SHOP) ? 0 : s.homeMainsDips, minutes)) {
      named = "cut";
    }
    if (!other) {
      named = systemStops(minutes, limited, load, with, named);
    }
    return named;
  }

  private String systemStops(
      double minutes, boolean limited, double load, Set<Swap> with, String before) {
    if (!limited && hit(s.driverStopsPerHour, minutes)) {
      return "driver";
    }
    if (!limited && hit(s.graphicsDriverStopsPerHour * load, minutes)) {
      return "graphics";
    }
    if (!limited && !with.contains(Swap.SECURITY_OFF) && hit(s.thirdStopsPerHour, minutes)) {
      return "driver";
    }
    if (!limited && hit(s.recentStopsPerHour, minutes)) {
      return "program";
    }
    if (hit(0.25 * s.storageDriverFails, minutes)) {
      return "storage";
    }
    if (hit(0.02 * Math.min(60, s.filesDamaged), minutes)) {
      return "system";
    }
    if (!s.outside && hit((s.badInSystem ? 1.2 : 0) + (s.driveGoing() ? 0.3 : 0), minutes)) {
      return "drive";
    }
    if (!s.outside && hit(2.5 * (with.contains(Swap.GOOD_CABLE) ? 0 : s.cableBreaks), minutes)) {
      return "drive";
    }
    return before;
  }

  private double errors(int module, double celsius) {
    return s.errorsPerHour(module, celsius)
        + s.slotErrorsPerHour[module]
        + 6 * s.contactOpen[module];
  }

  private boolean hit(double perHour, double minutes) {
    return perHour > 0 && chance(1 - Math.exp(-perHour * minutes / 60));
  }

  /** Share of the processor that others take from the owner. */
  double load(boolean other, boolean limited, Set<Swap> with) {
    if (other || limited) {
      return 0.05;
    }
    double third = with.contains(Swap.SECURITY_OFF) ? 0 : s.thirdShare;
    return 0.012 * s.startItems
        + third
        + s.recentShare
        + s.unwantedShare
        + s.serviceShare
        + (s.updateHalf ? 0.4 : 0);
  }

  /** Share of the time that the drive keeps people waiting. */
  double disk(boolean other, boolean limited) {
    if (other) {
      return 0.05;
    }
    boolean spins = s.drive.spins() && !s.outside;
    double going = s.outside ? 0 : Math.min(0.9, 0.15 * s.drive.badSectors());
    double heads = !s.outside && s.drive.health() == ShopDrive.Health.HEADS ? 0.6 : 0;
    return (spins ? spinning() : 0.04)
        + (s.indexing && !limited ? spins ? 0.4 : 0.1 : 0)
        + Math.max(0, s.memoryNeeds - 0.95) * (spins ? 3 : 2.4)
        + (s.freeShare < 0.06 ? 0.35 : 0)
        + (s.outside ? 0 : 0.7 * s.cableBreaks)
        + 0.3 * s.storageDriverFails
        + going
        + heads;
  }

  private double spinning() {
    double torn = s.scatter > 0.5 ? s.scatter - 0.5 : 0;
    return 0.15 + 0.005 * s.startItems + 0.2 * s.scatter + 0.9 * torn + s.oldDiskShare;
  }

  /** The longest that anything holds the processor [ms]. */
  double holdsMs(boolean other, boolean limited, Set<Swap> with) {
    if (other) {
      return 0.4;
    }
    double most = Math.max(s.profileHoldsMs, s.timersHoldMs);
    if (!limited) {
      most = Math.max(most, Math.max(s.graphicsHoldsMs, s.soundHoldsMs));
      most = Math.max(most, s.driverHoldsMs);
      most = Math.max(most, with.contains(Swap.NETWORK_OFF) ? 0 : s.networkHoldsMs);
      most = Math.max(most, with.contains(Swap.SECURITY_OFF) ? 0 : s.thirdHoldsMs);
    }
    return Math.max(0.3, most);
  }
}

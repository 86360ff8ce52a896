package tekmerion.sim.parts;

import tekmerion.sim.ShopDrive;
import tekmerion.sim.ShopDrive.Health;
import tekmerion.sim.parts.State.Volume;

/** Work on drives, their cables and what is on them. */
final class DriveHands {
  private static final int SAMPLED_PLACES = 4000;

  private final Hands h;
  private final State s;
  private final ShopDrive drive;

  DriveHands(Hands hands) {
    this.h = hands;
    this.s = hands.state();
    this.drive = s.drive;
  }

  boolean make(String move) {
    return tests(move) || swaps(move) || volumes(move) || busy(move);
  }

  /** A test of a drive that does not answer could not run: that is not a failure. */
  private boolean answers() {
    return h.driveAnswers();
  }

  private boolean tests(String move) {
    boolean heads = drive.health() == Health.HEADS;
    boolean burnt = drive.health() == Health.ELECTRONICS;
    switch (move) {
      case "surface-sample" -> {
        if (answers()) {
          double found = 1 - Math.pow(1 - drive.troubledShare(), SAMPLED_PLACES);
          h.look(
              "drive.sample",
              "clean",
              "troubled",
              h.chance(found) || h.chance(s.cableBreaks * 0.2));
        }
      }
      case "surface-scan" -> {
        if (answers()) {
          long bad = drive.badSectors();
          boolean slow = heads || h.chance(0.3 * s.cableBreaks) || h.chance(0.03);
          h.note(
              "drive.surface",
              bad >= 10
                  ? "many-unreadable"
                  : bad > 0 ? "some-unreadable" : slow ? "slow" : "clean");
        }
      }
      case "self-test-short" -> {
        if (answers()) {
          boolean fails =
              heads && h.chance(0.6)
                  || drive.badSectors() > 30 && h.chance(0.5)
                  || burnt && h.chance(0.3);
          h.look("drive.self-test", "passed", "failed", fails);
        }
      }
      case "self-test-extended" -> {
        if (answers()) {
          boolean fails =
              drive.badSectors() > 0 || heads && h.chance(0.8) || burnt && h.chance(0.3);
          h.look("drive.self-test", "passed", "failed", fails);
        }
      }
      case "drive-listen" -> {
        boolean starved = s.portVolts < 4.6 && drive.spins();
        boolean clicks = heads && h.chance(0.5) || s.stuckMotor && h.chance(0.25);
        boolean tries = s.stuckMotor && h.chance(0.75) || starved && h.chance(0.4);
        boolean still = s.stuckMotor || burnt && h.chance(0.5) || starved && h.chance(0.2);
        h.note("drive.sound", clicks ? "clicks" : tries ? "tries" : still ? "no-spin" : "normal");
        h.look("drive.hand-warm", "warm", "hot", burnt && h.chance(0.2));
      }
      case "drive-current" ->
          h.note(
              "drive.current",
              s.stuckMotor && drive.spins()
                  ? "surges"
                  : burnt ? h.chance(0.45) ? "none" : h.chance(0.4) ? "high" : "normal" : "normal");
      case "rescue-copy" -> {
        if (h.answersInDock()) {
          boolean errors =
              drive.badSectors() > 0 || heads && h.chance(0.7) || h.chance(0.3 * s.cableBreaks);
          h.look("copy.errors", "clean", "errors", errors);
        }
      }
      default -> {
        return false;
      }
    }
    return true;
  }

  private boolean swaps(String move) {
    switch (move) {
      case "cable-other" -> h.tried("cable-other.after", "same", "gone", Swap.GOOD_CABLE);
      case "port-other" -> {
        if (h.chance(0.5)) {
          h.tried("port-other.after", "same", "gone", Swap.OTHER_PORT);
        } else {
          h.tried("port-other.after", "same", "gone", Swap.OTHER_PORT, Swap.OWN_POWER);
        }
      }
      case "adapter-dock-other" ->
          h.tried(
              "dock-other.after",
              "same",
              "gone",
              Swap.GOOD_CASE,
              Swap.GOOD_CABLE,
              Swap.OWN_POWER,
              Swap.OTHER_PORT);
      case "own-power" -> h.tried("own-power.after", "same", "gone", Swap.OWN_POWER);
      case "only-this-drive" -> h.tried("only-this.after", "same", "gone", Swap.ONLY_THIS_DRIVE);
      case "controller-look" ->
          h.look("controller.mode", "right", "wrong", !s.portOn || !s.modeRight);
      case "settings-right" -> {
        new Mend(s, h.random()).by("set-ports");
        h.tried("cure.settings", "same", "gone");
      }
      case "start-order-look" -> h.look("start.order", "right", "wrong", s.orderWrong);
      case "seen-by-firmware" -> {
        boolean there = h.use().answers(Hands.how());
        boolean wrong = drive.health() == Health.ELECTRONICS && h.chance(0.3);
        h.note("firmware.sees", !there ? "not" : wrong ? "wrong" : "sees");
      }
      case "dock-bench" -> {
        boolean dead = !h.answersInDock();
        boolean errors = s.driveGoing() && h.chance(0.85) || drive.health() == Health.ELECTRONICS;
        h.note("elsewhere.drive", dead ? "fails" : errors ? "slow" : "works");
      }
      case "other-drive-here" -> h.tried("here.other-drive", "fails", "works", Swap.OTHER_DRIVE);
      default -> {
        return false;
      }
    }
    return true;
  }

  private boolean volumes(String move) {
    switch (move) {
      case "volume-survey" -> {
        if (h.answersInDock()) {
          h.note("volume.found", volume());
          boolean copied = s.twin && (s.nameTaken || s.secondClashes);
          h.look("volume.twin", "own", "twin", copied);
        }
      }
      case "volume-key" -> {
        h.note(
            "key.opens", s.volume != Volume.LOCKED ? "not-asked" : s.keyKept ? "opens" : "refused");
        new Mend(s, h.random()).by("unlock-volume");
      }
      case "management-look" -> h.note("list.shows", list());
      case "mount-name-set" -> h.mended("cure.mount-name", "same", "gone", "name-volume");
      case "file-system-check-read" -> {
        if (answers()) {
          boolean hurt = s.volume == Volume.DAMAGED || drive.badSectors() > 5 && h.chance(0.5);
          h.look("file-system.damage", "none", "some", hurt || h.chance(0.03));
          boolean bad = h.chance(1 - Math.pow(0.96, drive.badSectors()));
          h.look("file-system.bad-sectors", "none", "some", bad);
        }
      }
      case "file-system-repair" ->
          h.mended("cure.file-system", "same", "gone", "repair-file-system");
      case "table-restore" -> h.mended("cure.table", "same", "gone", "restore-table");
      case "format-drive" -> h.mended("cure.format", "same", "gone", "new-volume");
      default -> {
        return false;
      }
    }
    return true;
  }

  private String volume() {
    boolean torn = drive.badSectors() > 3 && h.chance(0.3);
    return switch (s.volume) {
      case LOCKED -> "encrypted";
      case FOREIGN -> "foreign";
      case BLANK -> "blank";
      case TABLE_LOST -> "table-damaged";
      case DAMAGED -> h.chance(0.95) ? "volume-damaged" : "sound";
      case SOUND -> torn ? h.chance(0.3) ? "table-damaged" : "volume-damaged" : "sound";
    };
  }

  private String list() {
    boolean hangs =
        s.serviceHangs
            || s.thirdHooksDrives && h.chance(0.8)
            || h.chance(0.5 * s.storageDriverFails)
            || s.outsideHangsLists
            || s.driveGoing() && h.chance(0.3);
    if (hangs) {
      return "hangs";
    }
    if (!h.use().answers(Hands.how()) || h.chance(0.5 * s.storageDriverFails) || !s.modeRight) {
      return "not";
    }
    return switch (s.volume) {
      case BLANK, TABLE_LOST -> h.chance(0.8) ? "empty" : "no-name";
      case FOREIGN -> h.chance(0.8) ? "no-name" : "with-name";
      case LOCKED, DAMAGED -> h.chance(0.45) ? "no-name" : "with-name";
      case SOUND -> s.nameTaken ? "no-name" : "with-name";
    };
  }

  private boolean busy(String move) {
    switch (move) {
      case "defragment" -> h.mended("cure.defragment", "same", "gone", "order-files");
      case "scatter-look" ->
          h.look(
              "files.scatter",
              "few",
              "many",
              h.measured(s.scatter) > 0.6 || s.freeShare < 0.06 && h.chance(0.4));
      case "trim" -> h.look("cure.trim", "same", "gone", false);
      case "drive-busy-sample" -> {
        double share = h.use().disk(false, false);
        h.look("drive.busy-share", "low", "high", h.measured(share) > 0.5);
        boolean spins = drive.spins();
        double answerMs =
            (spins ? 9 : 0.4) * (1 + 2 * share)
                + 3 * Math.min(60, drive.badSectors())
                + (drive.health() == Health.HEADS ? 60 : 0)
                + 40 * s.cableBreaks;
        h.look("drive.answer-time", "short", "long", answerMs > (spins ? 35 : 8));
      }
      case "drive-sort" -> h.look("drive.sort", "solid-state", "spinning", drive.spins());
      default -> {
        return false;
      }
    }
    return true;
  }
}

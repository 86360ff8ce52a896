package tekmerion.evaluation.shop;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import tekmerion.core.drive.DriveFindings;
import tekmerion.core.drive.PartReading;
import tekmerion.core.finding.Finding;
import tekmerion.sim.ShopDrive;
import tekmerion.sim.ShopDrive.Health;
import tekmerion.sim.shop.Ailment;
import tekmerion.sim.shop.Quantity;
import tekmerion.sim.shop.Thing;

/** Work on drives, their cables and what is on them. */
final class DriveWork {
  static final String PART = "drive-a";

  private static final String ANSWERS = "drive.answers";
  private static final int SAMPLED_PLACES = 4000;

  private DriveWork() {}

  static boolean make(String move, Bench b) {
    ShopDrive drive = b.machine().drive();
    switch (move) {
      case "read-drive" -> throw new IllegalStateException("its findings come from pages: read()");
      case "surface-sample" ->
          ifItAnswers(
              b,
              () ->
                  b.look(
                      "drive.sample",
                      "clean",
                      "troubled",
                      b.chance(
                          1
                              - Math.pow(1 - drive.troubledShare(), SAMPLED_PLACES)
                                  * (b.has(Ailment.CABLE_LOOSE) ? 0.9 : 1))));
      case "surface-scan" -> ifItAnswers(b, () -> b.note("drive.surface", surface(b)));
      case "self-test-short" ->
          ifItAnswers(
              b,
              () ->
                  b.look(
                      "drive.self-test",
                      "passed",
                      "failed",
                      drive.health() == Health.HEADS && b.chance(0.7)
                          || drive.health() == Health.ELECTRONICS && b.chance(0.35)
                          || drive.badSectors() > 30 && b.chance(0.4)));
      case "self-test-extended" ->
          ifItAnswers(
              b,
              () ->
                  b.look(
                      "drive.self-test",
                      "passed",
                      "failed",
                      drive.badSectors() > 0
                          || drive.health() == Health.HEADS && b.chance(0.85)
                          || drive.health() == Health.ELECTRONICS && b.chance(0.35)));
      case "drive-listen" -> {
        boolean clicks =
            drive.health() == Health.HEADS && b.chance(0.4)
                || drive.health() == Health.MOTOR && b.chance(0.35);
        // A stuck motor is heard trying; dead electronics are not heard at all.
        boolean tries =
            !clicks
                && (drive.health() == Health.MOTOR && b.chance(0.7)
                    || b.has(Ailment.PORT_STARVES) && b.chance(0.3));
        boolean still =
            drive.health() == Health.MOTOR && b.chance(0.4)
                || drive.health() == Health.ELECTRONICS && b.chance(0.4)
                || b.has(Ailment.PORT_STARVES) && b.chance(0.15);
        b.note("drive.sound", clicks ? "clicks" : tries ? "tries" : still ? "no-spin" : "normal");
        b.look(
            "drive.hand-warm",
            "warm",
            "hot",
            drive.health() == Health.ELECTRONICS && b.chance(0.15)
                || b.machine().loadedCelsius() > 95 && b.chance(0.2));
      }
      case "drive-current" -> b.note("drive.current", current(b));
      case "cable-other" -> b.tried("cable-other.after", "same", "gone", Set.of(Thing.DRIVE_CABLE));
      case "port-other" ->
          b.tried(
              "port-other.after",
              "same",
              "gone",
              b.chance(0.5) ? Set.of(Thing.PORT, Thing.PORT_POWER) : Set.of(Thing.PORT));
      case "adapter-dock-other" ->
          b.tried(
              "dock-other.after",
              "same",
              "gone",
              Set.of(Thing.DRIVE_CABLE, Thing.DRIVE_CASE, Thing.PORT_POWER, Thing.PORT));
      case "own-power" -> b.tried("own-power.after", "same", "gone", Set.of(Thing.PORT_POWER));
      case "controller-look" ->
          b.look("controller.mode", "right", "wrong", b.has(Ailment.PORT_OFF));
      case "settings-right" ->
          b.repaired(
              "cure.settings",
              "same",
              "gone",
              Map.of(Ailment.PORT_OFF, 0.9, Ailment.ORDER_WRONG, 0.85));
      case "start-order-look" ->
          b.look(
              "start.order",
              "right",
              "wrong",
              b.has(Ailment.ORDER_WRONG) || b.has(Ailment.COIN_EMPTY) && b.chance(0.5));
      case "only-this-drive" ->
          b.tried("only-this.after", "same", "gone", Set.of(Thing.SECOND_DRIVE));
      case "seen-by-firmware" -> seenByFirmware(b);
      case "dock-bench" -> {
        boolean dead =
            b.has(Ailment.MOTOR_STUCK) && b.chance(0.85)
                || b.has(Ailment.DRIVE_BOARD_BAD) && b.chance(0.7);
        boolean errors =
            drive.badSectors() > 4 && b.chance(0.85)
                || drive.badSectors() > 0 && b.chance(0.4)
                || drive.health() == Health.HEADS && b.chance(0.85)
                || drive.health() == Health.ELECTRONICS;
        b.note("elsewhere.drive", dead ? "fails" : errors ? "slow" : "works");
      }
      case "other-drive-here" -> {
        Set<Thing> out = EnumSet.copyOf(Bench.SYSTEM);
        out.add(Thing.DRIVE);
        out.add(Thing.VOLUME);
        if (b.has(Ailment.CABLE_LOOSE, Ailment.PORT_OFF) && !b.machine().isAboutOutsideDrive()) {
          b.look("here.other-drive", "works", "fails", b.chance(0.9)); // same cable, same port
        } else {
          b.tried("here.other-drive", "fails", "works", out);
        }
      }
      case "volume-survey" ->
          ifItAnswers(
              b,
              () -> {
                b.note("volume.found", volume(b));
                boolean twin =
                    b.has(Ailment.DRIVES_CONFLICT) && b.chance(0.4)
                        || b.has(Ailment.NAME_TAKEN) && b.chance(0.25);
                b.look("volume.twin", "own", "twin", twin);
              });
      case "volume-key" -> {
        boolean locked = b.has(Ailment.VOLUME_LOCKED);
        boolean opens = locked && b.chance(0.85);
        b.note("key.opens", !locked ? "not-asked" : opens ? "opens" : "refused");
        if (opens) {
          b.machine().mend(Ailment.VOLUME_LOCKED);
        }
      }
      case "management-look" -> b.note("list.shows", list(b));
      case "mount-name-set" ->
          b.repaired("cure.mount-name", "same", "gone", Map.of(Ailment.NAME_TAKEN, 0.97));
      case "file-system-check-read" ->
          ifItAnswers(
              b,
              () -> {
                b.look(
                    "file-system.damage",
                    "none",
                    "some",
                    b.has(Ailment.VOLUME_DAMAGED) && b.chance(0.95)
                        || drive.badSectors() > 5 && b.chance(0.45)
                        || b.chance(0.04));
                b.look(
                    "file-system.bad-sectors",
                    "none",
                    "some",
                    b.chance(1 - Math.pow(0.97, drive.badSectors())));
              });
      case "file-system-repair" ->
          b.repaired("cure.file-system", "same", "gone", Map.of(Ailment.VOLUME_DAMAGED, 0.88));
      case "table-restore" ->
          b.repaired("cure.table", "same", "gone", Map.of(Ailment.TABLE_LOST, 0.8));
      case "format-drive" ->
          b.repaired(
              "cure.format",
              "same",
              "gone",
              Map.of(
                  Ailment.VOLUME_NONE, 0.98,
                  Ailment.VOLUME_FOREIGN, 0.98,
                  Ailment.TABLE_LOST, 0.98,
                  Ailment.VOLUME_DAMAGED, 0.98));
      case "rescue-copy" ->
          ifItAnswers(
              b,
              () ->
                  b.look(
                      "copy.errors",
                      "clean",
                      "errors",
                      drive.badSectors() > 0
                          || drive.health() == Health.HEADS && b.chance(0.7)
                          || b.has(Ailment.CABLE_LOOSE) && b.chance(0.25)));
      case "defragment" ->
          b.repaired("cure.defragment", "same", "gone", Map.of(Ailment.FILES_SCATTERED, 0.85));
      case "scatter-look" ->
          b.look(
              "files.scatter",
              "few",
              "many",
              b.has(Ailment.FILES_SCATTERED) && b.chance(0.95)
                  || b.has(Ailment.VOLUME_FULL) && b.chance(0.4)
                  || b.chance(0.1));
      case "trim" ->
          b.look("cure.trim", "same", "gone", b.has(Ailment.VOLUME_FULL) && b.chance(0.2));
      case "drive-busy-sample" -> {
        b.look("drive.busy-share", "low", "high", b.measured(Quantity.BUSY_SHARE) > 0.6);
        b.look("drive.answer-time", "short", "long", b.measured(Quantity.ANSWER_TIMES) > 8);
      }
      case "drive-sort" -> b.look("drive.sort", "solid-state", "spinning", drive.spins());
      default -> {
        return false;
      }
    }
    return true;
  }

  /** What the drive says of itself: its bytes, decoded and judged by the product itself. */
  static List<Finding> read(Bench b) {
    boolean silent =
        b.has(Ailment.MOTOR_STUCK) && b.chance(0.8)
            || b.has(Ailment.DRIVE_BOARD_BAD) && b.chance(0.5)
            || b.machine().isAboutOutsideDrive() && b.chance(0.12); // cases that pass nothing on
    return silent
        ? List.of(new Finding(ANSWERS, PART, "never", ANSWERS, Finding.Basis.run()))
        : DriveFindings.of(PART, new PartReading(b.machine().drive().pages()));
  }

  /** A test of a drive that does not answer could not run: that is not a failure. */
  static void ifItAnswers(Bench b, Runnable test) {
    boolean silent =
        b.has(Ailment.MOTOR_STUCK) && b.chance(0.8)
            || b.has(Ailment.DRIVE_BOARD_BAD) && b.chance(0.6);
    b.note(ANSWERS, silent ? "never" : "always");
    if (!silent) {
      test.run();
    }
  }

  private static String surface(Bench b) {
    ShopDrive drive = b.machine().drive();
    long bad = drive.badSectors();
    if (bad >= 10) {
      return "many-unreadable";
    }
    if (bad > 0 || drive.health() == Health.HEADS && b.chance(0.4)) {
      return "some-unreadable";
    }
    boolean slow = drive.health() == Health.HEADS || b.has(Ailment.CABLE_LOOSE) && b.chance(0.2);
    return slow || b.chance(0.03) ? "slow" : "clean";
  }

  private static void seenByFirmware(Bench b) {
    double notSeen =
        b.has(Ailment.MOTOR_STUCK)
            ? 0.75
            : b.has(Ailment.DRIVE_BOARD_BAD)
                ? 0.65
                : b.has(Ailment.PORT_OFF)
                    ? 0.85
                    : b.has(Ailment.CABLE_LOOSE, Ailment.CASE_BRIDGE_BAD)
                        ? b.machine().rate(Ailment.CABLE_LOOSE) * 0.7
                            + b.machine().rate(Ailment.CASE_BRIDGE_BAD) * 0.7
                        : b.has(Ailment.PORT_STARVES) ? 0.5 : 0.02;
    boolean wrong = b.has(Ailment.DRIVE_BOARD_BAD) && b.chance(0.4) || b.chance(0.005);
    b.note("firmware.sees", b.chance(notSeen) ? "not" : wrong ? "wrong" : "sees");
  }

  private static String volume(Bench b) {
    boolean torn = b.machine().drive().badSectors() > 3;
    if (b.has(Ailment.VOLUME_LOCKED)) {
      return "encrypted";
    }
    if (b.has(Ailment.VOLUME_FOREIGN)) {
      return "foreign";
    }
    if (b.has(Ailment.VOLUME_NONE)) {
      return "blank";
    }
    if (b.has(Ailment.TABLE_LOST) || torn && b.chance(0.12)) {
      return "table-damaged";
    }
    if (b.has(Ailment.VOLUME_DAMAGED) && b.chance(0.93) || torn && b.chance(0.25)) {
      return "volume-damaged";
    }
    return "sound";
  }

  /** Of the drive alone, on a bench supply with a meter. */
  private static String current(Bench b) {
    if (b.has(Ailment.MOTOR_STUCK)) {
      return b.machine().drive().spins() && b.chance(0.85) ? "surges" : "normal";
    }
    if (b.has(Ailment.DRIVE_BOARD_BAD)) {
      return b.chance(0.45) ? "none" : b.chance(0.45) ? "high" : "normal";
    }
    return b.has(Ailment.HEADS_WEAK) && b.chance(0.2) ? "surges" : "normal";
  }

  private static String list(Bench b) {
    if (b.has(Ailment.STORAGE_SERVICE_HANGS) && b.chance(0.9)
        || b.has(Ailment.STORAGE_DRIVER_BAD) && b.chance(0.35)
        || b.has(Ailment.SECURITY_IN_WAY) && b.chance(0.35)
        || b.has(Ailment.OUTSIDE_DISTURBS) && b.chance(0.3)
        || b.has(Ailment.SURFACE_GOING, Ailment.HEADS_WEAK) && b.chance(0.35)) {
      return "hangs";
    }
    if (b.has(Ailment.PORT_OFF) && b.chance(0.95)
        || b.has(Ailment.MOTOR_STUCK, Ailment.DRIVE_BOARD_BAD) && b.chance(0.75)
        || b.has(Ailment.CABLE_LOOSE, Ailment.CASE_BRIDGE_BAD, Ailment.PORT_STARVES)
            && b.chance(0.6)
        || b.has(Ailment.STORAGE_DRIVER_BAD, Ailment.DRIVES_CONFLICT) && b.chance(0.5)) {
      return "not";
    }
    if (b.has(Ailment.VOLUME_NONE, Ailment.TABLE_LOST)) {
      return b.chance(0.8) ? "empty" : "no-name";
    }
    if (b.has(Ailment.NAME_TAKEN) || b.has(Ailment.VOLUME_FOREIGN) && b.chance(0.8)) {
      return "no-name";
    }
    if (b.has(Ailment.VOLUME_LOCKED, Ailment.VOLUME_DAMAGED, Ailment.DRIVES_CONFLICT)
        && b.chance(0.4)) {
      return "no-name";
    }
    return "with-name";
  }
}

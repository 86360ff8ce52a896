package tekmerion.evaluation.shop;

import java.util.Set;
import java.util.stream.IntStream;
import tekmerion.sim.shop.Ailment;
import tekmerion.sim.shop.Complaint;
import tekmerion.sim.shop.Quantity;
import tekmerion.sim.shop.Rung;
import tekmerion.sim.shop.Thing;

/** What is seen before anything is opened, and what the firmware's own tests say. */
final class FirstLook {
  private FirstLook() {}

  /** Whether it knows this move. */
  static boolean make(String move, Bench b) {
    switch (move) {
      case "restart-once" -> b.look("restart.after", "gone", "same", b.showsOnce());
      case "complaint-again" ->
          b.look(
              "complaint.shows",
              "quiet",
              "shows",
              IntStream.range(0, 10).anyMatch(i -> b.showsOnce()));
      case "unplug-outside" ->
          b.tried(
              "unplug.after",
              "same",
              "gone",
              b.machine().isAboutOutsideDrive()
                  ? Set.of()
                  : Set.of(Thing.OUTSIDE, Thing.PORT_POWER));
      case "plug-back" ->
          b.look(
              "plug-back.found",
              "none",
              "one",
              b.has(Ailment.OUTSIDE_DISTURBS, Ailment.PORT_STARVES) && b.chance(0.85));
      case "firmware-reached" -> {
        Rung at = b.start();
        boolean freezes = b.has(Ailment.FINS_BLOCKED, Ailment.MODULE_BAD) && b.chance(0.15);
        b.note(
            "firmware.opens",
            at.compareTo(Rung.FIRMWARE) < 0 ? "not" : freezes ? "freezes" : "opens");
      }
      case "error-code" -> code(b);
      case "stop-records" -> records(b);
      case "clock-look" ->
          b.look("clock.kept", "right", "wrong", b.value(Quantity.COIN_VOLTS) < 2.5);
      case "ask-owner-again" -> {
        boolean program =
            b.has(
                Ailment.PROGRAM_BAD,
                Ailment.SECURITY_IN_WAY,
                Ailment.UNWANTED_RUNS,
                Ailment.START_CROWDED,
                Ailment.DRIVER_BAD);
        b.look("owner.program", "no", "yes", b.chance(program ? 0.5 : 0.1));
        boolean idle =
            b.has(
                Ailment.INDEXING_BUSY,
                Ailment.UNWANTED_RUNS,
                Ailment.BACKGROUND_BUSY,
                Ailment.SURFACE_GOING,
                Ailment.FAN_BAD);
        b.look("owner.idle", "no", "yes", b.chance(idle ? 0.6 : 0.35));
      }
      case "built-in-tests" -> builtIn(b);
      default -> {
        return false;
      }
    }
    return true;
  }

  private static boolean stops(Bench b) {
    return b.machine().noticed().stream()
        .anyMatch(
            ill ->
                ill.complaints().contains(Complaint.ERROR_SCREEN)
                    || ill.complaints().contains(Complaint.RESTART_LOOP));
  }

  /** What stands on the screen when it stops; nothing is known where it does not stop. */
  private static void code(Bench b) {
    if (!stops(b) || !b.showsOnce()) {
      return;
    }
    String stands = "nothing";
    if (b.chance(0.7)) {
      if (b.has(Ailment.GRAPHICS_DRIVER_BAD, Ailment.GRAPHICS_BAD)) {
        stands = "graphics";
      } else if (b.has(
          Ailment.STORAGE_DRIVER_BAD,
          Ailment.SURFACE_GOING,
          Ailment.HEADS_WEAK,
          Ailment.CABLE_LOOSE,
          Ailment.PORT_OFF,
          Ailment.VOLUME_DAMAGED)) {
        stands = "storage";
      } else if (b.has(Ailment.DRIVER_BAD, Ailment.SECURITY_IN_WAY)) {
        stands = "driver";
      } else if (b.has(Ailment.UPDATE_HALF)) {
        stands = b.chance(0.7) ? "update" : "system";
      } else if (b.has(Ailment.FILES_DAMAGED)) {
        stands = "system";
      } else if (b.has(
          Ailment.MODULE_BAD, Ailment.CONTACTS_DIRTY, Ailment.SLOT_BAD, Ailment.MODULES_DIFFER)) {
        stands = b.chance(0.5) ? "memory" : "driver";
      }
    }
    b.note("code.stands", stands);
  }

  private static void records(Bench b) {
    String names = "nothing";
    if (b.has(Ailment.SURFACE_GOING, Ailment.HEADS_WEAK) && b.chance(0.6)) {
      names = "drive";
    } else if (stops(b)) {
      if (b.has(Ailment.GRAPHICS_DRIVER_BAD, Ailment.GRAPHICS_BAD)) {
        names = b.chance(0.7) ? "graphics" : "nothing";
      } else if (b.has(Ailment.STORAGE_DRIVER_BAD)) {
        names = b.chance(0.6) ? "storage" : b.chance(0.3) ? "drive" : "nothing";
      } else if (b.has(Ailment.DRIVER_BAD, Ailment.SECURITY_IN_WAY)) {
        names = b.chance(0.75) ? "one-driver" : "nothing";
      } else if (b.has(
          Ailment.MODULE_BAD,
          Ailment.CONTACTS_DIRTY,
          Ailment.SLOT_BAD,
          Ailment.MODULES_DIFFER,
          Ailment.SUPPLY_BAD)) {
        names = b.chance(0.5) ? "mixed" : b.chance(0.5) ? "memory" : "nothing";
      } else if (b.has(Ailment.FINS_BLOCKED, Ailment.FAN_BAD, Ailment.BOARD_BAD)) {
        names = b.chance(0.3) ? "memory" : "nothing";
      } else {
        names = b.chance(0.15) ? "mixed" : "nothing";
      }
    }
    b.note("records.name", names);
  }

  private static void builtIn(Bench b) {
    DriveWork.ifItAnswers(
        b,
        () ->
            b.look(
                "built-in.drive",
                "passed",
                "failed",
                b.machine().drive().badSectors() > 20 && b.chance(0.6)
                    || b.has(Ailment.HEADS_WEAK, Ailment.MOTOR_STUCK, Ailment.DRIVE_BOARD_BAD)
                        && b.chance(0.6)));
    if (b.machine().isLaptop()) {
      b.look("built-in.battery", "passed", "failed", b.measured(Quantity.CAPACITY_SHARE) < 0.5);
      b.look(
          "built-in.adapter",
          "passed",
          "failed",
          b.has(Ailment.SOCKET_LOOSE) && b.chance(0.5)
              || b.value(Quantity.ADAPTER_LOADED_SHARE) < 0.85);
    }
    b.look(
        "built-in.fan",
        "passed",
        "failed",
        b.has(Ailment.FAN_BAD) && b.value(Quantity.FAN_SHARE) < 0.25);
    b.look(
        "built-in.screen",
        "passed",
        "failed",
        b.has(Ailment.PANEL_BAD, Ailment.PANEL_CABLE_BAD, Ailment.GRAPHICS_BAD) && b.chance(0.7));
    b.look("built-in.board", "passed", "failed", b.has(Ailment.BOARD_BAD) && b.chance(0.35));
    b.look("built-in.processor", "passed", "failed", b.has(Ailment.BOARD_BAD) && b.chance(0.15));
  }
}

package tekmerion.evaluation.shop;

import java.util.EnumSet;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import tekmerion.sim.shop.Ailment;
import tekmerion.sim.shop.Complaint;
import tekmerion.sim.shop.Quantity;
import tekmerion.sim.shop.Rung;
import tekmerion.sim.shop.Thing;

/** Work on the system and its programs. */
final class SystemWork {
  private static final Set<Ailment> PROGRAMS =
      EnumSet.of(
          Ailment.PROGRAM_BAD,
          Ailment.SECURITY_IN_WAY,
          Ailment.START_CROWDED,
          Ailment.UNWANTED_RUNS,
          Ailment.BACKGROUND_BUSY);

  private SystemWork() {}

  static boolean make(String move, Bench b) {
    return looks(move, b) || halves(move, b) || rungs(move, b) || small(move, b);
  }

  private static boolean looks(String move, Bench b) {
    switch (move) {
      case "bench-start" -> {
        Set<Thing> out = EnumSet.copyOf(Bench.SYSTEM);
        if (!b.machine().isAboutOutsideDrive()) {
          out.add(Thing.DRIVE);
          out.add(Thing.VOLUME);
        }
        boolean starts =
            !b.has(Ailment.BOARD_BAD, Ailment.MODULE_BAD, Ailment.SUPPLY_BAD) || b.chance(0.85);
        if (!starts) {
          b.note("bench-start.runs", "not");
        } else {
          b.tried("bench-start.runs", "same", "runs", out);
        }
      }
      case "limited-start" -> {
        if (b.start().compareTo(Rung.RECOVERY) < 0 && !b.has(Ailment.DRIVER_BAD)) {
          b.note("limited.after", "not");
        } else {
          b.tried("limited.after", "same", "gone", Bench.LIMITED_START);
        }
      }
      case "latency-sample" -> b.note("latency.longest", latency(b));
      case "load-sample" -> b.note("load.first", load(b));
      case "network-off" -> b.tried("network-off.after", "same", "gone", Set.of(Thing.NETWORK));
      case "security-off" -> b.tried("security-off.after", "same", "gone", Set.of(Thing.SECURITY));
      case "unwanted-scan" ->
          b.look(
              "unwanted.found",
              "none",
              "some",
              b.has(Ailment.UNWANTED_RUNS) && b.chance(0.9) || b.chance(0.06));
      case "free-space" ->
          b.look("volume.free", "enough", "little", b.value(Quantity.FREE_SHARE) < 0.1);
      case "update-wait" -> {
        if (b.has(Ailment.UPDATE_HALF) && b.chance(0.3)) {
          b.machine().mend(Ailment.UPDATE_HALF);
          b.note("update.ends", "ends");
        } else {
          b.note("update.ends", b.has(Ailment.UPDATE_HALF) && b.chance(0.95) ? "stuck" : "none");
        }
      }
      case "maker-refer" ->
          b.note(
              "maker.says",
              b.has(Ailment.FIRMWARE_FAULT) && b.chance(0.85)
                  ? "firmware"
                  : b.has(Ailment.BOARD_BAD) && b.chance(0.06)
                      ? "recall"
                      : b.chance(0.05) ? "firmware" : "nothing");
      default -> {
        return false;
      }
    }
    return true;
  }

  private static String latency(Bench b) {
    boolean late = b.measured(Quantity.LATENCY_MS) > 1;
    if (!late || b.chance(0.1)) {
      return "short";
    }
    if (b.has(Ailment.NETWORK_WAITS)) {
      return "network";
    }
    if (b.has(Ailment.GRAPHICS_DRIVER_BAD)) {
      return "graphics";
    }
    if (b.has(Ailment.SOUND_DRIVER_BAD)) {
      return "sound";
    }
    return b.has(Ailment.PROFILE_SAVES) ? "power" : "other";
  }

  private static String load(Bench b) {
    if (b.has(Ailment.INDEXING_BUSY) && b.chance(0.9)) {
      return "indexing";
    }
    if (b.has(Ailment.START_CROWDED) && b.chance(0.8)) {
      return "start-up";
    }
    if (b.has(Ailment.UNWANTED_RUNS)) {
      return b.chance(0.65) ? "unknown" : b.chance(0.5) ? "one-program" : "nothing";
    }
    if (b.has(Ailment.UPDATE_HALF) && b.chance(0.6)) {
      return "update";
    }
    if (b.has(Ailment.BACKGROUND_BUSY) && b.chance(0.7)) {
      return b.chance(0.8) ? "service" : "one-program";
    }
    if (b.has(Ailment.PROGRAM_BAD, Ailment.SECURITY_IN_WAY) && b.chance(0.7)) {
      boolean known = b.chance(0.8);
      return !known ? "one-program" : b.has(Ailment.PROGRAM_BAD) ? "new-program" : "security";
    }
    return b.chance(0.05) ? "one-program" : b.chance(0.03) ? "update" : "nothing";
  }

  private static boolean halves(String move, Bench b) {
    switch (move) {
      case "start-up-halves" -> {
        if (b.has(Ailment.START_CROWDED)) {
          b.note("start-up.found", b.chance(0.85) ? "many" : "one");
        } else {
          boolean one =
              b.has(Ailment.SECURITY_IN_WAY, Ailment.PROGRAM_BAD, Ailment.BACKGROUND_BUSY)
                      && b.chance(0.72)
                  || b.has(Ailment.UNWANTED_RUNS) && b.chance(0.5);
          b.look("start-up.found", "none", "one", one || b.chance(0.04));
        }
      }
      case "services-halves" ->
          b.look(
              "services.found",
              "none",
              "one",
              b.has(Ailment.SECURITY_IN_WAY) && b.chance(0.92)
                  || b.has(Ailment.UNWANTED_RUNS, Ailment.PROGRAM_BAD, Ailment.BACKGROUND_BUSY)
                      && b.chance(0.4)
                  || b.chance(0.03));
      default -> {
        return false;
      }
    }
    return true;
  }

  /** The ladder of system repairs. */
  private static boolean rungs(String move, Bench b) {
    boolean store = b.value(Quantity.STORE_DAMAGED) > 0;
    switch (move) {
      case "updates-pending" ->
          b.repaired(
              "cure.updates",
              "same",
              "gone",
              Map.of(
                  Ailment.UPDATE_HALF, 0.55,
                  Ailment.DRIVER_BAD, 0.3,
                  Ailment.STORAGE_DRIVER_BAD, 0.3,
                  Ailment.GRAPHICS_DRIVER_BAD, 0.3,
                  Ailment.SOUND_DRIVER_BAD, 0.3));
      case "flagged-drivers" -> {
        boolean flagged = b.value(Quantity.FLAGGED_DEVICES) > 0;
        b.look("drivers.flagged", "none", "some", flagged);
        double p = flagged ? 0.9 : 0.2;
        b.repaired(
            "cure.drivers",
            "same",
            "gone",
            Map.of(
                Ailment.DRIVER_BAD, p,
                Ailment.GRAPHICS_DRIVER_BAD, p,
                Ailment.SOUND_DRIVER_BAD, p,
                Ailment.STORAGE_DRIVER_BAD, p));
      }
      case "remove-last-update" ->
          b.repaired(
              "cure.last-update",
              "same",
              "gone",
              Map.of(Ailment.DRIVER_BAD, 0.5, Ailment.UPDATE_HALF, 0.6));
      case "system-file-verify" -> {
        double damaged = b.value(Quantity.FILES_DAMAGED);
        boolean mends = damaged > 0 && !store;
        b.note("system-files.verified", damaged == 0 ? "whole" : mends ? "mended" : "not-mended");
        b.repaired(
            "cure.system-files", "same", "gone", Map.of(Ailment.FILES_DAMAGED, store ? 0.05 : 0.8));
      }
      case "component-repair" ->
          b.repaired(
              "cure.components",
              "same",
              "gone",
              Map.of(Ailment.FILES_DAMAGED, store ? 0.8 : 0.5, Ailment.UPDATE_HALF, 0.5));
      case "boot-records-rebuild" ->
          b.repaired("cure.boot-records", "same", "gone", Map.of(Ailment.BOOT_LOST, 0.94));
      case "roll-back" ->
          b.repaired(
              "cure.roll-back",
              "same",
              "gone",
              Map.of(
                  Ailment.DRIVER_BAD, 0.8,
                  Ailment.PROGRAM_BAD, 0.8,
                  Ailment.UPDATE_HALF, 0.5,
                  Ailment.GRAPHICS_DRIVER_BAD, 0.45));
      case "in-place-repair" ->
          b.repaired(
              "cure.in-place",
              "same",
              "gone",
              Map.of(
                  Ailment.FILES_DAMAGED, 0.92,
                  Ailment.UPDATE_HALF, 0.9,
                  Ailment.STORAGE_SERVICE_HANGS, 0.7,
                  Ailment.DRIVER_BAD, 0.4));
      case "reset-keeping" -> reset("cure.reset-keeping", 0.88, b);
      case "reset-erasing" -> reset("cure.reset-erasing", 0.95, b);
      case "clean-install" -> {
        b.machine().mend(Ailment.BOOT_LOST);
        b.machine().mend(Ailment.VOLUME_DAMAGED);
        b.machine().mend(Ailment.TABLE_LOST);
        reset("cure.clean-install", 0.98, b);
      }
      default -> {
        return false;
      }
    }
    return true;
  }

  private static void reset(String finding, double mends, Bench b) {
    if (b.machine().drive().badSectors() > 5 && b.chance(0.4)) {
      b.note(finding, "failed");
      return;
    }
    Map<Ailment, Double> chances = new HashMap<>();
    for (Ailment soft : PROGRAMS) {
      chances.put(soft, mends);
    }
    for (Ailment soft :
        Set.of(
            Ailment.FILES_DAMAGED,
            Ailment.UPDATE_HALF,
            Ailment.DRIVER_BAD,
            Ailment.STORAGE_SERVICE_HANGS,
            Ailment.GRAPHICS_DRIVER_BAD)) {
      chances.put(soft, mends * 0.95);
    }
    b.repaired(finding, "same", "gone", chances);
  }

  private static boolean small(String move, Bench b) {
    switch (move) {
      case "found-program-out" ->
          b.repaired(
              "cure.found-program",
              "same",
              "gone",
              Map.of(
                  Ailment.SECURITY_IN_WAY, 0.9,
                  Ailment.PROGRAM_BAD, 0.85,
                  Ailment.UNWANTED_RUNS, 0.35,
                  Ailment.BACKGROUND_BUSY, 0.45));
      case "storage-driver-renew" ->
          cure(b, "cure.storage-driver", Ailment.STORAGE_DRIVER_BAD, 0.92);
      case "storage-service-restart" -> {
        boolean about =
            b.machine().noticed().stream()
                .anyMatch(i -> i.complaints().contains(Complaint.MANAGEMENT_HANGS));
        if (about) {
          b.repaired(
              "cure.storage-service",
              "same",
              "gone",
              Map.of(Ailment.STORAGE_SERVICE_HANGS, 0.9, Ailment.SECURITY_IN_WAY, 0.15));
        } else {
          b.note("cure.storage-service", "same");
        }
      }
      case "graphics-driver-renew" ->
          cure(b, "cure.graphics-driver", Ailment.GRAPHICS_DRIVER_BAD, 0.93);
      case "sound-driver-renew" -> cure(b, "cure.sound-driver", Ailment.SOUND_DRIVER_BAD, 0.93);
      case "power-profile-set" -> cure(b, "cure.power-profile", Ailment.PROFILE_SAVES, 0.96);
      case "timer-behaviour" -> cure(b, "cure.timers", Ailment.TIMERS_WRONG, 0.94);
      case "remove-last-program" ->
          b.repaired(
              "cure.last-program",
              "same",
              "gone",
              Map.of(Ailment.PROGRAM_BAD, 0.93, Ailment.SECURITY_IN_WAY, 0.3));
      case "indexing-off" -> cure(b, "cure.indexing", Ailment.INDEXING_BUSY, 0.95);
      case "make-room" -> cure(b, "cure.room", Ailment.VOLUME_FULL, 0.9);
      case "firmware-renew" -> cure(b, "cure.firmware", Ailment.FIRMWARE_FAULT, 0.92);
      case "move-to-solid-state" -> {
        b.machine().mend(Ailment.DISK_SLOW);
        b.machine().mend(Ailment.FILES_SCATTERED);
        b.machine().mend(Ailment.SURFACE_GOING);
        b.machine().mend(Ailment.HEADS_WEAK);
        b.tried("cure.solid-state", "same", "gone", Set.of());
      }
      default -> {
        return false;
      }
    }
    return true;
  }

  private static void cure(Bench b, String finding, Ailment ailment, double p) {
    b.repaired(finding, "same", "gone", Map.of(ailment, p));
  }
}

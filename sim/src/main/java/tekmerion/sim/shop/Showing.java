package tekmerion.sim.shop;

import static tekmerion.sim.shop.Complaint.BATTERY;
import static tekmerion.sim.shop.Complaint.DEAD;
import static tekmerion.sim.shop.Complaint.ERROR_SCREEN;
import static tekmerion.sim.shop.Complaint.MANAGEMENT_HANGS;
import static tekmerion.sim.shop.Complaint.MEMORY_ERRORS;
import static tekmerion.sim.shop.Complaint.MOUNT_FAILURE;
import static tekmerion.sim.shop.Complaint.NOISE_HEAT;
import static tekmerion.sim.shop.Complaint.NOT_READABLE;
import static tekmerion.sim.shop.Complaint.NOT_SEEN;
import static tekmerion.sim.shop.Complaint.RESTART_LOOP;
import static tekmerion.sim.shop.Complaint.SLOW;
import static tekmerion.sim.shop.Complaint.STUTTER;

import java.util.Random;
import java.util.Set;

/** How an ailment shows: how often, how far a start gets then, and what its owner says. */
final class Showing {
  private final Random random;

  Showing(Random random) {
    this.random = random;
  }

  /** How it shows: how often, how far a start gets then, and what its owner says. */
  Ill of(Ailment what, boolean outside) {
    return switch (what) {
      case SURFACE_GOING, HEADS_WEAK ->
          outside
              ? one(
                  what,
                  often(),
                  Rung.DESKTOP,
                  NOT_READABLE,
                  NOT_READABLE,
                  MANAGEMENT_HANGS,
                  NOT_SEEN,
                  NOISE_HEAT)
              : where(
                  what,
                  often(),
                  new Way(0.12, Rung.FIRMWARE, MOUNT_FAILURE),
                  new Way(0.22, Rung.LOADER, RESTART_LOOP, MOUNT_FAILURE),
                  new Way(0.16, Rung.RECOVERY, RESTART_LOOP),
                  new Way(0.08, Rung.LIMITED, ERROR_SCREEN),
                  new Way(0.3, Rung.DESKTOP, SLOW),
                  new Way(0.12, Rung.DESKTOP, ERROR_SCREEN));
      case MOTOR_STUCK, DRIVE_BOARD_BAD ->
          outside
              ? one(what, 0.9, Rung.DESKTOP, NOT_SEEN, NOT_SEEN, NOISE_HEAT, NOT_READABLE)
              : one(what, 0.9, Rung.FIRMWARE, MOUNT_FAILURE, MOUNT_FAILURE, NOT_SEEN);
      case CABLE_LOOSE ->
          outside
              ? one(what, often(), Rung.DESKTOP, NOT_SEEN, NOT_READABLE)
              : where(
                  what,
                  often(),
                  new Way(0.45, Rung.FIRMWARE, MOUNT_FAILURE, NOT_SEEN),
                  new Way(0.25, Rung.LOADER, RESTART_LOOP, MOUNT_FAILURE),
                  new Way(0.3, Rung.DESKTOP, ERROR_SCREEN, SLOW));
      case CASE_BRIDGE_BAD -> one(what, often(), Rung.DESKTOP, NOT_READABLE, NOT_SEEN, NOT_SEEN);
      case VOLUME_LOCKED ->
          outside
              ? one(what, 1, Rung.DESKTOP, NOT_READABLE)
              : one(what, 1, Rung.RECOVERY, MOUNT_FAILURE);
      case TABLE_LOST ->
          outside
              ? one(what, 1, Rung.DESKTOP, NOT_READABLE, NOT_READABLE, NOT_SEEN)
              : one(what, 1, Rung.FIRMWARE, MOUNT_FAILURE);
      case PORT_OFF ->
          chance(0.75)
              ? one(what, 1, Rung.DESKTOP, NOT_SEEN)
              : one(what, 1, Rung.FIRMWARE, MOUNT_FAILURE);
      case FILES_DAMAGED ->
          where(
              what,
              chance(0.7) ? 1 : 0.8,
              new Way(0.3, Rung.LOADER, RESTART_LOOP, MOUNT_FAILURE),
              new Way(0.3, Rung.RECOVERY, RESTART_LOOP),
              new Way(0.15, Rung.LIMITED, ERROR_SCREEN),
              new Way(0.25, Rung.DESKTOP, ERROR_SCREEN, SLOW));
      case BOOT_LOST ->
          one(what, 1, chance(0.6) ? Rung.FIRMWARE : Rung.RECOVERY, MOUNT_FAILURE, RESTART_LOOP);
      case DRIVER_BAD ->
          where(
              what,
              often(),
              new Way(0.65, Rung.DESKTOP, ERROR_SCREEN, STUTTER),
              new Way(0.25, Rung.LIMITED, ERROR_SCREEN, RESTART_LOOP),
              new Way(0.1, Rung.RECOVERY, RESTART_LOOP));
      case BACKGROUND_BUSY -> one(what, 0.95, Rung.DESKTOP, SLOW, SLOW, STUTTER);
      case MEMORY_SMALL -> one(what, 0.97, Rung.DESKTOP, SLOW, SLOW, STUTTER);
      case MODULE_BAD ->
          where(
              what,
              often(),
              new Way(0.5, Rung.DESKTOP, ERROR_SCREEN, MEMORY_ERRORS),
              new Way(0.2, Rung.LOADER, RESTART_LOOP, ERROR_SCREEN),
              new Way(0.1, Rung.PICTURE, MEMORY_ERRORS, DEAD),
              new Way(0.2, Rung.POWER, DEAD, MEMORY_ERRORS));
      case FINS_BLOCKED ->
          one(what, 0.95, Rung.DESKTOP, NOISE_HEAT, NOISE_HEAT, NOISE_HEAT, SLOW, ERROR_SCREEN);
      case FAN_BAD ->
          chance(0.8)
              ? one(what, 0.95, Rung.DESKTOP, NOISE_HEAT, NOISE_HEAT, SLOW, ERROR_SCREEN)
              : one(what, 0.95, Rung.POWER, DEAD);
      case ADAPTER_BAD ->
          chance(0.5)
              ? one(what, 0.97, Rung.DESKTOP, BATTERY)
              : one(what, 0.97, Rung.NOTHING, DEAD);
      case CELLS_WORN -> one(what, 1, chance(0.04) ? Rung.NOTHING : Rung.DESKTOP, BATTERY);
      case CELLS_RESIST, GAUGE_OFF -> one(what, 0.9, Rung.DESKTOP, BATTERY);
      case PANEL_BAD -> one(what, chance(0.7) ? 1 : 0.7, Rung.POWER, DEAD);
      case PANEL_CABLE_BAD -> one(what, chance(0.4) ? 1 : 0.6, Rung.POWER, DEAD, DEAD, STUTTER);
      case BOARD_BAD ->
          where(
              what,
              chance(0.6) ? 1 : 0.6,
              new Way(0.35, Rung.NOTHING, DEAD),
              new Way(0.35, Rung.POWER, DEAD),
              new Way(0.1, Rung.FIRMWARE, NOT_SEEN, MOUNT_FAILURE),
              new Way(0.2, Rung.DESKTOP, ERROR_SCREEN, BATTERY, NOISE_HEAT));
      case GRAPHICS_BAD ->
          chance(0.6)
              ? one(what, 0.8, Rung.DESKTOP, ERROR_SCREEN, STUTTER)
              : one(what, 1, Rung.POWER, DEAD);
      case CHARGE_HELD -> one(what, 1, chance(0.8) ? Rung.NOTHING : Rung.POWER, DEAD);
      case SOCKET_LOOSE ->
          chance(0.65)
              ? one(what, 0.8, Rung.DESKTOP, BATTERY)
              : one(what, 0.95, Rung.NOTHING, DEAD);
      case CHARGER_BAD ->
          chance(0.7) ? one(what, 1, Rung.DESKTOP, BATTERY) : one(what, 1, Rung.NOTHING, DEAD);
      case SWITCH_WORN -> one(what, 0.95, Rung.NOTHING, DEAD);
      case COIN_EMPTY ->
          chance(0.6)
              ? one(what, 1, Rung.FIRMWARE, MOUNT_FAILURE)
              : one(what, 0.8, Rung.POWER, DEAD);
      case SUPPLY_BAD ->
          where(
              what,
              chance(0.5) ? 1 : 0.7,
              new Way(0.5, Rung.NOTHING, DEAD),
              new Way(0.2, Rung.POWER, DEAD),
              new Way(0.3, Rung.DESKTOP, RESTART_LOOP, ERROR_SCREEN));
      case SLOT_BAD, CONTACTS_DIRTY ->
          where(
              what,
              often(),
              new Way(0.45, Rung.POWER, DEAD),
              new Way(0.55, Rung.DESKTOP, ERROR_SCREEN, MEMORY_ERRORS));
      case MODULES_DIFFER -> one(what, often(), Rung.DESKTOP, ERROR_SCREEN, MEMORY_ERRORS);
      case DRIVES_CONFLICT -> one(what, 0.95, Rung.DESKTOP, NOT_SEEN, NOT_SEEN, MANAGEMENT_HANGS);
      case PORT_STARVES -> one(what, 0.85, Rung.DESKTOP, NOT_SEEN, NOT_READABLE);
      case ORDER_WRONG -> one(what, 1, Rung.FIRMWARE, MOUNT_FAILURE);
      case FIRMWARE_FAULT -> one(what, 0.8, Rung.DESKTOP, ERROR_SCREEN, NOT_SEEN, BATTERY, STUTTER);
      case OUTSIDE_DISTURBS ->
          where(
              what,
              often(),
              new Way(0.5, Rung.DESKTOP, ERROR_SCREEN, STUTTER),
              new Way(0.3, Rung.LOADER, RESTART_LOOP, MOUNT_FAILURE),
              new Way(0.2, Rung.DESKTOP, MANAGEMENT_HANGS));
      case VOLUME_NONE -> one(what, 1, Rung.DESKTOP, NOT_SEEN, NOT_SEEN, NOT_SEEN, NOT_READABLE);
      case VOLUME_FOREIGN -> one(what, 1, Rung.DESKTOP, NOT_READABLE, NOT_READABLE, NOT_SEEN);
      case VOLUME_DAMAGED ->
          outside
              ? one(what, 1, Rung.DESKTOP, NOT_READABLE)
              : where(
                  what,
                  1,
                  new Way(0.5, Rung.LOADER, MOUNT_FAILURE, RESTART_LOOP),
                  new Way(0.3, Rung.RECOVERY, RESTART_LOOP, MOUNT_FAILURE),
                  new Way(0.2, Rung.DESKTOP, ERROR_SCREEN));
      case NAME_TAKEN -> one(what, 1, Rung.DESKTOP, NOT_SEEN);
      case STORAGE_DRIVER_BAD ->
          one(what, 0.8, Rung.DESKTOP, MANAGEMENT_HANGS, NOT_SEEN, ERROR_SCREEN);
      case STORAGE_SERVICE_HANGS -> one(what, 0.95, Rung.DESKTOP, MANAGEMENT_HANGS);
      case SECURITY_IN_WAY ->
          one(what, 0.9, Rung.DESKTOP, SLOW, MANAGEMENT_HANGS, STUTTER, ERROR_SCREEN);
      case UPDATE_HALF ->
          where(
              what,
              1,
              new Way(0.35, Rung.LOADER, RESTART_LOOP),
              new Way(0.4, Rung.RECOVERY, RESTART_LOOP),
              new Way(0.25, Rung.DESKTOP, SLOW, ERROR_SCREEN));
      case PROGRAM_BAD ->
          one(what, chance(0.5) ? 0.95 : 0.7, Rung.DESKTOP, ERROR_SCREEN, SLOW, STUTTER);
      case GRAPHICS_DRIVER_BAD -> one(what, often(), Rung.DESKTOP, STUTTER, STUTTER, ERROR_SCREEN);
      case SOUND_DRIVER_BAD, TIMERS_WRONG -> one(what, 0.9, Rung.DESKTOP, STUTTER);
      case NETWORK_WAITS, PROFILE_SAVES -> one(what, 0.9, Rung.DESKTOP, STUTTER, STUTTER, SLOW);
      case START_CROWDED -> one(what, 1, Rung.DESKTOP, SLOW, SLOW, SLOW, STUTTER);
      case INDEXING_BUSY, FILES_SCATTERED, VOLUME_FULL, DISK_SLOW ->
          one(what, 1, Rung.DESKTOP, SLOW);
      case UNWANTED_RUNS -> one(what, 0.95, Rung.DESKTOP, SLOW, SLOW, STUTTER);
    };
  }

  /** A place where it stops, how likely that is, and what owners say then. */
  private record Way(double share, Rung stopsAt, Complaint... said) {}

  private Ill where(Ailment what, double rate, Way... ways) {
    double luck = random.nextDouble();
    for (Way way : ways) {
      luck -= way.share();
      if (luck < 0) {
        return one(what, rate, way.stopsAt(), way.said());
      }
    }
    return one(what, rate, ways[0].stopsAt(), ways[0].said());
  }

  /**
   * @param said one of them is said; one that stands twice is likelier
   */
  private Ill one(Ailment what, double rate, Rung stopsAt, Complaint... said) {
    return new Ill(what, rate, stopsAt, Set.of(said[random.nextInt(said.length)]));
  }

  /** Always, most of the time, or now and then. */
  private double often() {
    double luck = random.nextDouble();
    return luck < 0.35 ? 1 : luck < 0.75 ? 0.75 : 0.35;
  }

  private boolean chance(double p) {
    return random.nextDouble() < p;
  }
}

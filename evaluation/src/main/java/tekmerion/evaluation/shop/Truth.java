package tekmerion.evaluation.shop;

import java.util.List;
import java.util.Set;
import tekmerion.core.knowhow.Remedy;
import tekmerion.core.weigh.Plan;
import tekmerion.sim.shop.Ailment;
import tekmerion.sim.shop.Ill;
import tekmerion.sim.shop.ShopMachine;

/** What the right answer is: the cause's name in the know-how, and what would have mended it. */
final class Truth {
  private static final Set<String> REBUILDS =
      Set.of("reset-keeping", "reset-erasing", "clean-install", "new-volume");

  private Truth() {}

  /** The id that the know-how has for it. */
  static String cause(Ailment what) {
    return switch (what) {
      case SURFACE_GOING, HEADS_WEAK, MOTOR_STUCK -> "failing-drive";
      case CABLE_LOOSE, CASE_BRIDGE_BAD -> "drive-link";
      case DRIVE_BOARD_BAD -> "drive-electronics";
      case VOLUME_LOCKED -> "locked-volume";
      case TABLE_LOST -> "partition-table";
      case PORT_OFF -> "port-setting";
      case FILES_DAMAGED -> "system-files";
      case BOOT_LOST -> "boot-records";
      case DRIVER_BAD -> "driver-or-change";
      case BACKGROUND_BUSY -> "background-load";
      case MEMORY_SMALL -> "little-memory";
      case MODULE_BAD -> "memory-module";
      case FINS_BLOCKED -> "heat-dust";
      case ADAPTER_BAD -> "power-supply";
      case CELLS_WORN -> "battery-cells";
      case PANEL_BAD -> "panel";
      case BOARD_BAD -> "board";
      case GRAPHICS_BAD -> "graphics-fault";
      case CHARGE_HELD -> "residual-charge";
      case SOCKET_LOOSE -> "charge-socket";
      case CHARGER_BAD -> "charge-circuit";
      case GAUGE_OFF -> "battery-gauge";
      case CELLS_RESIST -> "battery-resistance";
      case FAN_BAD -> "fan-failed";
      case PANEL_CABLE_BAD -> "panel-cable";
      case SWITCH_WORN -> "power-switch";
      case COIN_EMPTY -> "coin-cell";
      case SUPPLY_BAD -> "supply-unit";
      case SLOT_BAD -> "memory-slot";
      case CONTACTS_DIRTY -> "memory-contacts";
      case MODULES_DIFFER -> "memory-mismatch";
      case DRIVES_CONFLICT -> "drive-conflict";
      case PORT_STARVES -> "bus-power";
      case ORDER_WRONG -> "start-order";
      case FIRMWARE_FAULT -> "firmware-old";
      case OUTSIDE_DISTURBS -> "outside-device";
      case VOLUME_NONE -> "blank-volume";
      case VOLUME_FOREIGN -> "foreign-volume";
      case VOLUME_DAMAGED -> "file-system";
      case NAME_TAKEN -> "mount-name";
      case STORAGE_DRIVER_BAD -> "storage-driver";
      case STORAGE_SERVICE_HANGS -> "storage-service";
      case SECURITY_IN_WAY -> "third-party";
      case UPDATE_HALF -> "half-update";
      case PROGRAM_BAD -> "recent-program";
      case GRAPHICS_DRIVER_BAD -> "graphics-driver";
      case SOUND_DRIVER_BAD -> "sound-driver";
      case NETWORK_WAITS -> "network-protocol";
      case PROFILE_SAVES -> "power-profile";
      case TIMERS_WRONG -> "timer-latency";
      case START_CROWDED -> "start-up-items";
      case INDEXING_BUSY -> "indexing";
      case FILES_SCATTERED -> "fragmentation";
      case VOLUME_FULL -> "full-volume";
      case DISK_SLOW -> "slow-disk";
      case UNWANTED_RUNS -> "unwanted-software";
    };
  }

  /** Remedies that end it, by their ids in the know-how. */
  private static Set<String> endedBy(Ailment what) {
    return switch (what) {
      case SURFACE_GOING, HEADS_WEAK, MOTOR_STUCK, DRIVE_BOARD_BAD -> Set.of("replace-drive");
      case CABLE_LOOSE, CASE_BRIDGE_BAD -> Set.of("replace-cable");
      case VOLUME_LOCKED -> Set.of("unlock-volume");
      case TABLE_LOST -> Set.of("restore-table", "new-volume", "clean-install");
      case PORT_OFF, ORDER_WRONG -> Set.of("set-ports");
      case FILES_DAMAGED ->
          Set.of(
              "put-over", "reset-keeping", "reset-erasing", "clean-install", "repair-system-files");
      case UPDATE_HALF ->
          Set.of(
              "put-over", "reset-keeping", "reset-erasing", "clean-install", "repair-system-files");
      case BOOT_LOST -> Set.of("rebuild-boot", "clean-install");
      case DRIVER_BAD ->
          Set.of("roll-back", "renew-drivers", "reset-keeping", "reset-erasing", "clean-install");
      case BACKGROUND_BUSY ->
          Set.of("trim-start", "reset-keeping", "reset-erasing", "clean-install");
      case MEMORY_SMALL -> Set.of("more-memory");
      case MODULE_BAD -> Set.of("replace-memory");
      case MODULES_DIFFER -> Set.of("replace-memory");
      case FINS_BLOCKED -> Set.of("clean-cooling");
      case ADAPTER_BAD -> Set.of("replace-adapter");
      case CELLS_WORN, CELLS_RESIST -> Set.of("replace-battery");
      case GAUGE_OFF -> Set.of("learn-gauge", "replace-battery");
      case PANEL_BAD -> Set.of("replace-panel", "refer-out");
      case PANEL_CABLE_BAD -> Set.of("reseat-panel", "replace-panel");
      case BOARD_BAD, GRAPHICS_BAD, CHARGER_BAD -> Set.of("replace-board", "refer-out");
      case CHARGE_HELD -> Set.of("drain");
      case SOCKET_LOOSE -> Set.of("replace-socket");
      case FAN_BAD -> Set.of("replace-fan");
      case SWITCH_WORN -> Set.of("replace-switch");
      case COIN_EMPTY -> Set.of("new-coin-cell");
      case SUPPLY_BAD -> Set.of("replace-supply");
      case SLOT_BAD -> Set.of("good-slot", "replace-board", "refer-out");
      case CONTACTS_DIRTY -> Set.of("clean-contacts");
      case DRIVES_CONFLICT -> Set.of("part-drives");
      case PORT_STARVES -> Set.of("powered-port");
      case FIRMWARE_FAULT -> Set.of("renew-firmware");
      case OUTSIDE_DISTURBS -> Set.of("leave-device");
      case VOLUME_NONE -> Set.of("new-volume");
      case VOLUME_FOREIGN -> Set.of("read-foreign", "new-volume");
      case VOLUME_DAMAGED -> Set.of("repair-file-system", "clean-install");
      case NAME_TAKEN -> Set.of("name-volume");
      case STORAGE_DRIVER_BAD -> Set.of("renew-drivers");
      case STORAGE_SERVICE_HANGS ->
          Set.of("restart-service", "put-over", "reset-keeping", "reset-erasing", "clean-install");
      case SECURITY_IN_WAY, PROGRAM_BAD ->
          Set.of("remove-program", "reset-keeping", "reset-erasing", "clean-install");
      case GRAPHICS_DRIVER_BAD, SOUND_DRIVER_BAD -> Set.of("renew-drivers", "reset-keeping");
      case NETWORK_WAITS -> Set.of("renew-drivers");
      case PROFILE_SAVES, TIMERS_WRONG -> Set.of("set-profile");
      case START_CROWDED -> Set.of("trim-start", "reset-keeping", "reset-erasing", "clean-install");
      case INDEXING_BUSY -> Set.of("stop-indexing");
      case FILES_SCATTERED -> Set.of("order-files", "replace-drive");
      case VOLUME_FULL -> Set.of("make-room");
      case DISK_SLOW -> Set.of("replace-drive");
      case UNWANTED_RUNS ->
          Set.of("clean-unwanted", "reset-keeping", "reset-erasing", "clean-install");
    };
  }

  /** Whether the machine came in with it, noticed or not. */
  static boolean isPresent(ShopMachine machine, String cause) {
    return machine.ills().stream().anyMatch(ill -> cause(ill.what()).equals(cause));
  }

  /** Whether this is what the machine came for. */
  static boolean isBehind(ShopMachine machine, String cause) {
    return machine.noticed().stream().anyMatch(ill -> cause(ill.what()).equals(cause));
  }

  /** Whether everything that it came for, and that is not mended on the way, ends by the plan. */
  static boolean ends(ShopMachine machine, Plan plan) {
    List<Ill> open = machine.noticed().stream().filter(ill -> machine.has(ill.what())).toList();
    return open.stream()
        .allMatch(
            ill -> plan.remedies().stream().anyMatch(r -> endedBy(ill.what()).contains(r.id())));
  }

  /**
   * Whether, following the plan until the complaint is gone, a system is set up anew or a drive
   * erased although everything open then ends by something milder. What is mended on the way
   * counts.
   */
  static boolean rebuildsWithoutNeed(ShopMachine machine, Plan plan) {
    List<Ill> open = machine.noticed().stream().filter(ill -> machine.has(ill.what())).toList();
    for (Remedy remedy : plan.remedies()) {
      if (open.isEmpty() && !machine.noticed().isEmpty() && remedy != plan.remedies().get(0)) {
        return false;
      }
      if (REBUILDS.contains(remedy.id())) {
        return open.stream()
            .allMatch(ill -> endedBy(ill.what()).stream().anyMatch(id -> !REBUILDS.contains(id)));
      }
      open = open.stream().filter(ill -> !endedBy(ill.what()).contains(remedy.id())).toList();
    }
    return false;
  }
}

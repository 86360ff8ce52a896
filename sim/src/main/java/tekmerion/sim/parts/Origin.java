package tekmerion.sim.parts;

/**
 * What befell a machine. Several of these end in the same complaint, and one in several.
 *
 * <p>The last three are of no machine: what the owner meets is elsewhere.
 */
public enum Origin {
  SURFACE_WORE(70, "failing-drive"),
  HEADS_WORE(24, "failing-drive"),
  MOTOR_STUCK(12, "failing-drive"),
  DRIVE_BOARD_BURNT(12, "drive-electronics"),
  CABLE_WORE(28, "drive-link"),
  CASE_BROKE(20, "drive-link"),
  PORT_SWITCHED_OFF(9, "port-setting"),
  MODE_CHANGED(7, "port-setting"),
  SECOND_DRIVE_ADDED(6, "drive-conflict"),
  LONG_CABLE_OR_HUB(10, "bus-power"),
  ORDER_CHANGED(8, "start-order"),
  FIRMWARE_BUG(5, "firmware-old"),
  STICK_LEFT_IN(16, "outside-device"),
  NEW_DRIVE_BOUGHT(14, "blank-volume"),
  DRIVE_OF_OTHER_SYSTEM(8, "foreign-volume"),
  PULLED_WHILE_WRITING(32, "file-system"),
  TABLE_OVERWRITTEN(13, "partition-table"),
  ENCRYPTED(12, "locked-volume"),
  NAME_TAKEN(6, "mount-name"),
  FILES_CUT_SHORT(44, "system-files"),
  BOOT_CHANGED(15, "boot-records"),
  UPDATE_CUT_OFF(30, "half-update"),
  DRIVER_CAME(36, "driver-or-change"),
  STORAGE_DRIVER_CAME(9, "storage-driver"),
  SERVICE_STUCK(8, "storage-service"),
  SECURITY_DOUBLED(15, "third-party"),
  PROGRAM_CAME(20, "recent-program"),
  GRAPHICS_DRIVER_CAME(18, "graphics-driver"),
  SOUND_DRIVER_CAME(7, "sound-driver"),
  NETWORK_DRIVER_OLD(8, "network-protocol"),
  PROFILE_SAVES(8, "power-profile"),
  TIMERS_SET(3, "timer-latency"),
  ITEMS_GATHERED(24, "start-up-items"),
  INDEX_REBUILT(12, "indexing"),
  SERVICE_BUSY(20, "background-load"),
  FILES_SCATTERED(5, "fragmentation"),
  FILLED_UP(14, "full-volume"),
  OLD_DISK(16, "slow-disk"),
  ADVERTS_CAME(16, "unwanted-software"),
  WORK_GREW(16, "little-memory"),
  MODULE_WEAK(38, "memory-module"),
  SLOT_WORE(6, "memory-slot"),
  CONTACTS_DULL(16, "memory-contacts"),
  MODULE_ADDED(8, "memory-mismatch"),
  DUST(44, "heat-dust"),
  FAN_WORE(18, "fan-failed"),
  ADAPTER_BROKE(36, "power-supply"),
  SOCKET_LOOSE(13, "charge-socket"),
  CHARGER_DIED(7, "charge-circuit"),
  CELLS_AGED(56, "battery-cells"),
  CELLS_RESIST(12, "battery-resistance"),
  GAUGE_DRIFTED(8, "battery-gauge"),
  SUPPLY_AGED(13, "supply-unit"),
  CHARGE_HELD(12, "residual-charge"),
  SWITCH_WORE(3, "power-switch"),
  COIN_EMPTY(7, "coin-cell"),
  PANEL_HIT(14, "panel"),
  PANEL_CABLE_WORE(9, "panel-cable"),
  SPILL(18, "board"),
  BOARD_AGED(16, "board"),
  GRAPHICS_AGED(8, "graphics-fault"),
  HOME_MAINS_DIPS(6, ""),
  FAR_SERVER_SLOW(10, ""),
  OWNER_EXPECTS(4, "");

  private final int incidence;
  private final String cause;

  /**
   * @param incidence how many of a thousand or so bring it in; judgement
   * @param cause its name in the know-how; empty if the know-how has none
   */
  Origin(int incidence, String cause) {
    this.incidence = incidence;
    this.cause = cause;
  }

  int incidence() {
    return incidence;
  }

  /** Its id in the know-how; empty if the know-how has none. */
  public String cause() {
    return cause;
  }

  /** Whether it is of machines with a battery and a screen of their own. */
  boolean isOfLaptops() {
    return switch (this) {
      case ADAPTER_BROKE,
          SOCKET_LOOSE,
          CHARGER_DIED,
          CELLS_AGED,
          CELLS_RESIST,
          GAUGE_DRIFTED,
          PANEL_HIT,
          PANEL_CABLE_WORE ->
          true;
      default -> false;
    };
  }

  /** Whether the complaint is about a drive plugged in from outside, or a second one. */
  boolean isOfOutsideDrives() {
    return switch (this) {
      case CASE_BROKE,
          SECOND_DRIVE_ADDED,
          LONG_CABLE_OR_HUB,
          NEW_DRIVE_BOUGHT,
          DRIVE_OF_OTHER_SYSTEM,
          NAME_TAKEN ->
          true;
      default -> false;
    };
  }

  /** Whether it is met with drives inside and outside. */
  boolean canBeOutside() {
    return switch (this) {
      case SURFACE_WORE,
          HEADS_WORE,
          MOTOR_STUCK,
          DRIVE_BOARD_BURNT,
          CABLE_WORE,
          PULLED_WHILE_WRITING,
          TABLE_OVERWRITTEN,
          ENCRYPTED,
          PORT_SWITCHED_OFF,
          STORAGE_DRIVER_CAME ->
          true;
      default -> false;
    };
  }
}

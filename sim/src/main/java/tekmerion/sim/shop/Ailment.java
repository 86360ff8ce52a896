package tekmerion.sim.shop;

import java.util.EnumSet;
import java.util.Set;

/**
 * What can be wrong. An ailment shows only while everything it hangs on is in play: a bad cable
 * shows nothing where another cable is used, a bad program nothing where it is not started.
 */
public enum Ailment {
  SURFACE_GOING(76, Thing.DRIVE),
  HEADS_WEAK(26, Thing.DRIVE),
  MOTOR_STUCK(12, Thing.DRIVE),
  CABLE_LOOSE(30, Thing.DRIVE, Thing.DRIVE_CABLE),
  CASE_BRIDGE_BAD(18, Thing.DRIVE, Thing.DRIVE_CASE),
  DRIVE_BOARD_BAD(14, Thing.DRIVE),
  VOLUME_LOCKED(12, Thing.VOLUME),
  TABLE_LOST(14, Thing.VOLUME),
  PORT_OFF(12, Thing.PORT_SETTING, Thing.PORT),
  FILES_DAMAGED(48, Thing.SYSTEM),
  BOOT_LOST(16, Thing.BOOT_RECORDS),
  DRIVER_BAD(38, Thing.DRIVERS),
  BACKGROUND_BUSY(22, Thing.SERVICES),
  MEMORY_SMALL(16, Thing.LOAD),
  MODULE_BAD(40, Thing.MODULE_A),
  FINS_BLOCKED(46, Thing.COOLING),
  ADAPTER_BAD(38, Thing.ADAPTER),
  CELLS_WORN(58, Thing.BATTERY),
  PANEL_BAD(14, Thing.PANEL),
  BOARD_BAD(34, Thing.BOARD),
  GRAPHICS_BAD(7, Thing.GRAPHICS),
  CHARGE_HELD(12, Thing.CHARGE),
  SOCKET_LOOSE(12, Thing.SOCKET),
  CHARGER_BAD(6, Thing.BOARD),
  GAUGE_OFF(8, Thing.BATTERY),
  CELLS_RESIST(12, Thing.BATTERY),
  FAN_BAD(20, Thing.FAN),
  PANEL_CABLE_BAD(8, Thing.PANEL_CABLE),
  SWITCH_WORN(3, Thing.SWITCH),
  COIN_EMPTY(6, Thing.COIN_CELL),
  SUPPLY_BAD(12, Thing.SUPPLY),
  SLOT_BAD(6, Thing.SLOT_A),
  CONTACTS_DIRTY(16, Thing.CONTACTS),
  MODULES_DIFFER(8, Thing.MODULE_A, Thing.MODULE_B),
  DRIVES_CONFLICT(6, Thing.DRIVE, Thing.SECOND_DRIVE),
  PORT_STARVES(10, Thing.PORT_POWER),
  ORDER_WRONG(8, Thing.SETTINGS),
  FIRMWARE_FAULT(5, Thing.FIRMWARE),
  OUTSIDE_DISTURBS(16, Thing.OUTSIDE),
  VOLUME_NONE(14, Thing.VOLUME),
  VOLUME_FOREIGN(8, Thing.VOLUME),
  VOLUME_DAMAGED(34, Thing.VOLUME),
  NAME_TAKEN(6, Thing.SYSTEM, Thing.VOLUME),
  STORAGE_DRIVER_BAD(10, Thing.STORAGE_DRIVER),
  STORAGE_SERVICE_HANGS(8, Thing.STORAGE_SERVICE),
  SECURITY_IN_WAY(14, Thing.SECURITY),
  UPDATE_HALF(32, Thing.SYSTEM),
  PROGRAM_BAD(20, Thing.RECENT_PROGRAM),
  GRAPHICS_DRIVER_BAD(18, Thing.GRAPHICS_DRIVER),
  SOUND_DRIVER_BAD(7, Thing.SOUND_DRIVER),
  NETWORK_WAITS(8, Thing.NETWORK),
  PROFILE_SAVES(8, Thing.PROFILE),
  TIMERS_WRONG(3, Thing.TIMERS),
  START_CROWDED(24, Thing.START_ITEMS),
  INDEXING_BUSY(12, Thing.INDEXING),
  FILES_SCATTERED(5, Thing.LOAD),
  VOLUME_FULL(14, Thing.LOAD),
  DISK_SLOW(16, Thing.LOAD),
  UNWANTED_RUNS(16, Thing.UNWANTED);

  private final int incidence;
  private final Set<Thing> hangsOn;

  /**
   * @param incidence machines in a thousand or so that come in for it; judgement, made before any
   *     result was seen
   */
  Ailment(int incidence, Thing... hangsOn) {
    this.incidence = incidence;
    this.hangsOn = EnumSet.copyOf(Set.of(hangsOn));
  }

  int incidence() {
    return incidence;
  }

  Set<Thing> hangsOn() {
    return hangsOn;
  }
}

package tekmerion.sim.shop;

/** What can be measured on a machine; the unit stands beside it. */
public enum Quantity {
  /** Air that the fins let through, as a share of that of a clean machine. */
  AIR_SHARE,
  /** Turns of the fan, as a share of what it should do. */
  FAN_SHARE,
  /** Full charge as a share of the design's. */
  CAPACITY_SHARE,
  /** Full charge as the gauge believes, as a share of the real one. */
  GAUGE_SHARE,
  /** Internal resistance as a multiple of its first value. */
  RESISTANCE_TIMES,
  CYCLES,
  SWELLING_MM,
  /** Voltage of the adapter under load, as a share of its label. */
  ADAPTER_LOADED_SHARE,
  /** Worst voltage of the desk machine's supply, as a share of what it should be. */
  SUPPLY_SHARE,
  COIN_VOLTS,
  /** Memory that its work takes, as a share of what it has. */
  MEMORY_SHARE,
  /** Free space, as a share of the volume. */
  FREE_SHARE,
  /** How busy the drive is at rest, as a share of the time. */
  BUSY_SHARE,
  /** Time to answer, as a multiple of what its sort should. */
  ANSWER_TIMES,
  /** Errors of memory in one pass of a march, cold. */
  MARCH_ERRORS,
  /** The same above 60 °C. */
  MARCH_ERRORS_WARM,
  /** Longest wait for a driver [ms]. */
  LATENCY_MS,
  /** Which of the two memory slots would be the bad one; 1 or 2. */
  BAD_SLOT,
  FILES_DAMAGED,
  /** Whether the store that good files come from is damaged too; 0 or 1. */
  STORE_DAMAGED,
  FLAGGED_DEVICES,
  /** Corroded or burnt area of the board [mm²]. */
  BOARD_DAMAGE_MM2
}

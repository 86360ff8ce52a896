package tekmerion.sim.shop;

/** What an owner comes in with. */
public enum Complaint {
  ERROR_SCREEN,
  RESTART_LOOP,
  MOUNT_FAILURE,
  NOT_READABLE,
  NOT_SEEN,
  MANAGEMENT_HANGS,
  SLOW,
  STUTTER,
  MEMORY_ERRORS,
  BATTERY,
  DEAD,
  NOISE_HEAT
}

package tekmerion.sim.shop;

/** How far a start gets. */
public enum Rung {
  NOTHING,
  POWER,
  PICTURE,
  FIRMWARE,
  LOADER,
  RECOVERY,
  LIMITED,
  DESKTOP
}

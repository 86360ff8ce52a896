package tekmerion.sim.parts;

/**
 * What somebody changes for a trial: a known good one in its place, out of play, or under strain.
 */
enum Swap {
  GOOD_ADAPTER,
  NO_PACK,
  GOOD_PACK,
  GOOD_SUPPLY,
  PAST_SWITCH,
  NOTHING_OUTSIDE,
  OTHER_DRIVE,
  GOOD_CABLE,
  GOOD_CASE,
  OTHER_PORT,
  OWN_POWER,
  ONLY_THIS_DRIVE,
  WITHOUT_FIRST_MODULE,
  WITHOUT_SECOND_MODULE,
  GOOD_MODULES,
  OUTSIDE_SCREEN,
  GOOD_PANEL,
  OUR_MEDIUM,
  LIMITED_START,
  NETWORK_OFF,
  SECURITY_OFF,
  MOVED,
  LOADED,
  WARM,
  IN_THE_SHOP
}

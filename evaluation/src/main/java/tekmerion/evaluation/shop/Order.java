package tekmerion.evaluation.shop;

/** In what order the moves are made. */
enum Order {
  /** The product's advice: always its top move, until it says that nothing more is worth it. */
  ADVISED,
  /**
   * A checklist: of the moves that fit the complaint always the gentlest, then the quickest, the
   * ladder of system repairs last; until a cause is implicated.
   */
  CHECKLIST,
  RANDOM
}

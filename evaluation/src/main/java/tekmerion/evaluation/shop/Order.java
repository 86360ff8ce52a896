package tekmerion.evaluation.shop;

/** In what order the moves are made. */
enum Order {
  /** The product's advice: always its top move, until it says that nothing more is worth it. */
  ADVISED,
  /** A checklist: the same places in the same order for every machine, gentlest first. */
  CHECKLIST,
  RANDOM
}

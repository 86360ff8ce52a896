package tekmerion.core.memory.march;

/** What kind of fault a cell's mismatches speak of; what says most comes first. */
public enum FaultClass {
  /** Whole words hold what belongs to another address. */
  DECODER("an address reaches another's cells"),
  /** Every read of the one value failed. A cell that cannot leave a value looks the same. */
  STUCK_AT("stuck"),
  /** It held the value at first and failed only after it had been the other one. */
  TRANSITION("does not change in one direction"),
  /** Only after a pause. */
  RETENTION("loses its value in a pause"),
  /** In passes that were clearly warmer than those without it. */
  HEAT_RELATED("when warm"),
  /** In some passes and not in others, at the same temperature. */
  INTERMITTENT("now and then"),
  /** Another cell's doing: it depends on the order or on what its neighbours hold. */
  COUPLING("turned by another cell");

  private final String words;

  FaultClass(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }
}

package tekmerion.core.memory.march;

import static tekmerion.words.Words.say;

/** What kind of fault a cell's mismatches speak of; what says most comes first. */
public enum FaultClass {
  /** Whole words hold what belongs to another address. */
  DECODER("memory.an-address-reaches-anothers-cells"),
  /** Every read of the one value failed. A cell that cannot leave a value looks the same. */
  STUCK_AT("memory.stuck"),
  /** It held the value at first and failed only after it had been the other one. */
  TRANSITION("memory.does-not-change-in-one-direction"),
  /** Only after a pause. */
  RETENTION("memory.loses-its-value-in-a-pause"),
  /** In passes that were clearly warmer than those without it. */
  HEAT_RELATED("memory.when-warm"),
  /** In some passes and not in others, at the same temperature. */
  INTERMITTENT("memory.now-and-then"),
  /** Another cell's doing: it depends on the order or on what its neighbours hold. */
  COUPLING("memory.turned-by-another-cell");

  private final String words;

  FaultClass(String words) {
    this.words = words;
  }

  public String words() {
    return say(words);
  }
}

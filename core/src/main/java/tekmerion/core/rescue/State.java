package tekmerion.core.rescue;

/** What is known of a stretch of the source. */
public enum State {
  UNTRIED('?'),
  /** Not wanted for now: nothing that is in use is known to lie there. */
  LATER('.'),
  READ('+'),
  /** A read over it failed; its edges are not known yet. */
  FAILED('/'),
  /** Its edges are known; what lies between is not tried sector by sector yet. */
  TRIMMED('*'),
  /** Each sector was tried alone. */
  BAD('-'),
  /** No answer came in time: neither read nor known to be bad. */
  UNANSWERED('!');

  private final char symbol;

  State(char symbol) {
    this.symbol = symbol;
  }

  char symbol() {
    return symbol;
  }

  /**
   * @throws IllegalArgumentException if no state has this symbol
   */
  static State of(char symbol) {
    for (State state : values()) {
      if (state.symbol == symbol) {
        return state;
      }
    }
    throw new IllegalArgumentException("no state is called " + symbol);
  }
}

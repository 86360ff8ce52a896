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

  private final char sign;

  State(char sign) {
    this.sign = sign;
  }

  char sign() {
    return sign;
  }

  /**
   * @throws IllegalArgumentException if no state has this sign
   */
  static State of(char sign) {
    for (State state : values()) {
      if (state.sign == sign) {
        return state;
      }
    }
    throw new IllegalArgumentException("no state is called " + sign);
  }
}

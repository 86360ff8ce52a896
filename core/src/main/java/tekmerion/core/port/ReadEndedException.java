package tekmerion.core.port;

import static tekmerion.words.Words.say;

/**
 * A source gives nothing more, for a reason that says nothing about its sectors: whatever reads it
 * ends here and keeps what it has.
 */
public final class ReadEndedException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  private final transient ReadResult.Failure failure;

  /**
   * @param offset where it was read
   * @param failure anything but a medium error
   */
  public ReadEndedException(long offset, ReadResult.Failure failure) {
    super(say("port.at-byte", "offset", offset, "why", failure.why()));
    this.failure = failure;
  }

  /** Whether it may go on when the same drive is back. */
  public boolean isGone() {
    return failure instanceof ReadResult.Gone;
  }

  public ReadResult.Failure failure() {
    return failure;
  }
}

package tekmerion.probe.outbox;

/** The outbox cannot be read or written: the disk is full, not writable, or the file is damaged. */
public final class OutboxException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  OutboxException(String message, Throwable cause) {
    super(message, cause);
  }
}

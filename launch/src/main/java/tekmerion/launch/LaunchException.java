package tekmerion.launch;

/** Something could not be started. The message says what, and what to do. */
public final class LaunchException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  public LaunchException(String message) {
    super(message);
  }

  public LaunchException(String message, Throwable cause) {
    super(message, cause);
  }
}

package tekmerion.launch.stick;

/** The image could not be made: what happened, and what to do. */
public final class StickException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  StickException(String message) {
    super(message);
  }

  StickException(String message, Throwable cause) {
    super(message, cause);
  }
}

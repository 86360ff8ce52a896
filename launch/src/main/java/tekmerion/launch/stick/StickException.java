package tekmerion.launch.stick;

/** The image could not be made: what happened, and what to do. */
public final class StickException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  /** The image comes to its place in one step, when all of it is there. */
  private static final String KEPT = " No image was written.";

  StickException(String message) {
    super(message + KEPT);
  }

  StickException(String message, Throwable cause) {
    super(message + KEPT, cause);
  }
}

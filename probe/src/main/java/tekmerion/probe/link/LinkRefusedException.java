package tekmerion.probe.link;

/** The server does not take this probe. The message says what to do; trying again is no use. */
public class LinkRefusedException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  public LinkRefusedException(String message) {
    super(message);
  }
}

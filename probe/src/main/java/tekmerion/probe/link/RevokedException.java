package tekmerion.probe.link;

/** The server does not know this probe any more. */
final class RevokedException extends LinkRefusedException {
  private static final long serialVersionUID = 1L;

  RevokedException(String why) {
    super(why);
  }
}

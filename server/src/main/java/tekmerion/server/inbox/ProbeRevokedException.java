package tekmerion.server.inbox;

/** The probe was revoked while it was connected. */
public final class ProbeRevokedException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  /** At most 123 bytes: it is a close reason too. */
  static final String WORDS =
      "This probe was revoked. Ask for a new code in the bay and start it with --code CODE.";

  ProbeRevokedException() {
    super(WORDS);
  }
}

package tekmerion.server.inbox;

import static tekmerion.words.Words.say;

/** The probe was revoked while it was connected. */
public final class ProbeRevokedException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  /** At most 123 bytes: it is a close reason too. */
  static String words() {
    return say("inbox.this-probe-was-revoked-ask-for");
  }

  ProbeRevokedException() {
    super(words());
  }
}

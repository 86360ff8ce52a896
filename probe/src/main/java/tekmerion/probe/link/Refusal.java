package tekmerion.probe.link;

import tekmerion.link.LinkCodec;
import tekmerion.link.LinkFormatException;

/** The server's own words for why it refuses: problem details (RFC 9457) with our two additions. */
record Refusal(String detail, String kept, String toDo) {

  static String sentence(int status, String body) {
    try {
      Refusal refusal = LinkCodec.decode(body, Refusal.class);
      if (refusal.detail() != null) {
        return "%s %s".formatted(refusal.detail(), refusal.toDo() == null ? "" : refusal.toDo());
      }
    } catch (LinkFormatException e) {
      // Not our server's answer, or a proxy's: the status is all there is to tell.
    }
    return "The server answered with status %d. Check the address.".formatted(status);
  }
}

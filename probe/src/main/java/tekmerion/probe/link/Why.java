package tekmerion.probe.link;

import static tekmerion.words.Words.say;

import java.io.EOFException;

/** What an exception says to whoever started a run. */
final class Why {
  private Why() {}

  /** Its message; many of the system's own have none. */
  static String of(Exception e) {
    if (e.getMessage() != null) {
      return e.getMessage();
    }
    return e instanceof EOFException ? say("probe.it-ends-too-soon") : e.getClass().getSimpleName();
  }
}

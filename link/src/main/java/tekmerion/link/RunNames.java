package tekmerion.link;

import static tekmerion.words.Words.say;

import tekmerion.words.Words;

/** What runs are called and how their ends are told, in the shop and on a machine's own screen. */
public final class RunNames {
  private RunNames() {}

  /**
   * How a kind is called, on the floor where room is short, and what it does and how long it takes.
   */
  private record Called(String name, String brief, String about) {}

  private static Called of(RunKind kind) {
    return switch (kind) {
      case SURFACE_SCAN ->
          new Called(
              say("run.surface-scan"),
              say("run.surface"),
              say("run.reads-everything-a-random-sample-first"));
      case SURFACE_SAMPLE ->
          new Called(
              say("run.surface-sample"),
              say("run.sample"),
              say("run.reads-a-random-sample-what-share"));
      case SELF_TEST_SHORT ->
          new Called(
              say("run.short-self-test"),
              say("run.self-test"),
              say("run.the-drive-tests-itself-a-little"));
      case SELF_TEST_EXTENDED ->
          new Called(
              say("run.extended-self-test"),
              say("run.self-test"),
              say("run.the-drive-reads-all-of-itself"));
      case SELF_TEST_CONVEYANCE ->
          new Called(
              say("run.conveyance-self-test"),
              say("run.self-test"),
              say("run.the-drive-looks-for-damage-from"));
      case MEMORY_TEST ->
          new Called(
              say("run.memory-test"),
              say("run.memory-test"),
              say("run.stuck-cells-transitions-couplings-wrong-addresses"));
      case MEMORY_TEST_LONG ->
          new Called(
              say("run.long-memory-test"),
              say("run.memory-test"),
              say("run.also-what-shows-after-a-pause"));
      case DISCHARGE ->
          new Called(
              say("run.discharge"),
              say("run.battery"),
              say("run.runs-the-battery-down-under-load"));
      case CHARGE ->
          new Called(say("run.charge"), say("run.charge"), say("run.how-it-charges-at-rest-and"));
      case LOAD_SAMPLE ->
          new Called(
              say("run.sample-of-its-work"),
              say("run.its-work"),
              say("run.what-keeps-it-busy-every-second"));
      case SURVEY ->
          new Called(say("run.survey"), say("run.survey"), say("run.what-is-on-it-and-why"));
      case RESCUE_IN_USE ->
          new Called(
              say("run.rescue-image-of-what-is-in"),
              say("run.rescue"),
              say("run.an-image-of-what-its-files"));
      case RESCUE_WHOLE ->
          new Called(
              say("run.rescue-image-of-all-of-it"),
              say("run.rescue"),
              say("run.an-image-of-everything-also-of"));
      case VERIFY_IMAGE ->
          new Called(
              say("run.check-of-the-image"),
              say("run.check"),
              say("run.reads-the-image-again-and-compares"));
      case FILE_COPY ->
          new Called(
              say("run.copy-of-files"),
              say("run.files"),
              say("run.chosen-folders-each-file-read-again"));
      case CARVE ->
          new Called(
              say("run.files-by-their-content"),
              say("run.files"),
              say("run.looks-through-the-image-for-photos"));
      case ERASE ->
          new Called(say("run.erasing"), say("run.erasing"), say("run.writes-all-of-it-over-with"));
      case ERASE_COPY ->
          new Called(
              say("run.erasing-of-the-copy"),
              say("run.copy"),
              say("run.writes-image-and-copied-files-over"));
      case MEND ->
          new Called(
              say("run.mending-from-copies"),
              say("run.mending"),
              say("run.writes-what-is-damaged-anew-from"));
      case TAKE_BACK ->
          new Called(
              say("run.taking-the-mending-back"),
              say("run.mending"),
              say("run.writes-what-stood-there-before-the"));
    };
  }

  /** "Surface scan". */
  public static String name(RunKind kind) {
    return of(kind).name();
  }

  /** What a run does, and how long it takes. */
  public static String about(RunKind kind) {
    return of(kind).about();
  }

  /** Where room is short: "Surface". */
  public static String brief(RunKind kind) {
    return of(kind).brief();
  }

  public static String end(LinkEvent.RunEnded event) {
    return outcome(event.end(), event.run(), event.result());
  }

  /**
   * @param found null if it found nothing
   */
  public static String outcome(LinkEvent.End end, RunKind kind, RunResult found) {
    if (end == LinkEvent.End.COULD_NOT_RUN) {
      return say("run.could-not-run");
    }
    String how =
        switch (end) {
          case CANCELLED -> say("run.ended-by-hand");
          case STOPPED_BY_RULE ->
              kind.usesCopies()
                  ? say("run.stopped-for-want-of-room")
                  : kind.isOfDrive()
                      ? say("run.stopped-to-spare-the-drive")
                      : say("run.stopped-for-safety");
          default -> "";
        };
    return (found == null ? say("run.ended") : Words.read(found.outcome())) + how;
  }

  public static String detail(LinkEvent.RunEnded event) {
    if (event.why() != null && !event.why().isEmpty()) {
      return Words.read(event.why());
    }
    return event.result() == null ? "" : Words.read(event.result().detail());
  }
}

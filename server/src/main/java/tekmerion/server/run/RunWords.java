package tekmerion.server.run;

import java.time.Instant;
import tekmerion.core.words.Sentences;
import tekmerion.link.LinkEvent;
import tekmerion.link.RunKind;
import tekmerion.link.RunResult;

/** What runs are called and how their ends are told. */
public final class RunWords {
  private RunWords() {}

  /**
   * How a kind is called, on the floor where room is short, and what it does and how long it takes.
   */
  private record Words(String name, String brief, String about) {}

  private static Words of(RunKind kind) {
    return switch (kind) {
      case SURFACE_SCAN ->
          new Words(
              "Surface scan",
              "Surface",
              "reads everything, a random sample first; hours on a large disk");
      case SURFACE_SAMPLE ->
          new Words(
              "Surface sample", "Sample", "reads a random sample: what share may be bad; minutes");
      case SELF_TEST_SHORT ->
          new Words(
              "Short self-test",
              "Self-test",
              "the drive tests itself a little everywhere; about 2 minutes");
      case SELF_TEST_EXTENDED ->
          new Words("Extended self-test", "Self-test", "the drive reads all of itself; hours");
      case SELF_TEST_CONVEYANCE ->
          new Words(
              "Conveyance self-test",
              "Self-test",
              "the drive looks for damage from transport; about 5 minutes");
      case MEMORY_TEST ->
          new Words(
              "Memory test",
              "Memory test",
              "stuck cells, transitions, couplings, wrong addresses; minutes");
      case MEMORY_TEST_LONG ->
          new Words(
              "Long memory test",
              "Memory test",
              "also what shows after a pause or now and then; an hour and more");
      case DISCHARGE ->
          new Words(
              "Discharge",
              "Battery",
              "runs the battery down under load and measures what is in it; hours");
      case CHARGE ->
          new Words(
              "Charge",
              "Charge",
              "how it charges at rest, and whether the adapter carries the load; 18 minutes");
      case LOAD_SAMPLE ->
          new Words(
              "Sample of its work",
              "Its work",
              "what keeps it busy, every second for three minutes");
      case SURVEY ->
          new Words(
              "Survey",
              "Survey",
              "what is on it and why it cannot be opened; reads little, seconds");
      case RESCUE_IN_USE ->
          new Words(
              "Rescue image of what is in use",
              "Rescue",
              "an image of what its files and folders take, easy parts first");
      case RESCUE_WHOLE ->
          new Words(
              "Rescue image of all of it",
              "Rescue",
              "an image of everything, also of what is free; hours on a large disk");
      case VERIFY_IMAGE ->
          new Words(
              "Check of the image",
              "Check",
              "reads the image again and compares it with what was read");
      case FILE_COPY ->
          new Words(
              "Copy of files",
              "Files",
              "chosen folders, each file read again after it was written");
      case CARVE ->
          new Words(
              "Files by their content",
              "Files",
              "looks through the image for photos, documents, archives and databases");
      case ERASE ->
          new Words(
              "Erasing",
              "Erasing",
              "writes all of it over with zeros and reads back what came of that; for good");
      case ERASE_COPY ->
          new Words(
              "Erasing of the copy",
              "Copy",
              "writes image and copied files over with zeros and deletes them");
      case MEND ->
          new Words(
              "Mending from copies",
              "Mending",
              "writes what is damaged anew from its copies; what stood there is kept");
      case TAKE_BACK ->
          new Words(
              "Taking the mending back", "Mending", "writes what stood there before the mending");
    };
  }

  public static String name(RunKind kind) {
    return of(kind).name();
  }

  /** What a run does, and how long it takes. */
  public static String about(RunKind kind) {
    return of(kind).about();
  }

  public static String end(LinkEvent.RunEnded event) {
    return outcome(event.end(), event.run(), event.result());
  }

  /** Of one that is ended. */
  public static String outcome(Run run) {
    return outcome(run.ending().end(), run.kind(), run.result());
  }

  private static String outcome(LinkEvent.End end, RunKind kind, RunResult found) {
    if (end == LinkEvent.End.COULD_NOT_RUN) {
      return "could not run";
    }
    String how =
        switch (end) {
          case CANCELLED -> ", ended by hand";
          case STOPPED_BY_RULE ->
              kind.usesCopies()
                  ? ", stopped for want of room"
                  : kind.isOfDrive() ? ", stopped to spare the drive" : ", stopped for safety";
          default -> "";
        };
    return (found == null ? "ended" : found.outcome()) + how;
  }

  public static String detail(LinkEvent.RunEnded event) {
    if (event.why() != null && !event.why().isEmpty()) {
      return event.why();
    }
    return event.result() == null ? "" : event.result().detail();
  }

  /** "Surface 61 %", for the floor and the bay, where room is short. */
  public static String brief(Run run) {
    String name = of(run.kind()).brief();
    if (run.waits() != null) {
      return run.share() == null
          ? name + " waits"
          : "%s waits, %.0f %%".formatted(name, 100 * run.share());
    }
    return run.share() == null ? name + " begins" : "%s %.0f %%".formatted(name, 100 * run.share());
  }

  /**
   * "rescue image of what is in use, 58 %", of one that somebody stopped for now.
   *
   * @param share null if it has not told how far it came
   */
  public static String paused(RunKind kind, Double share) {
    String name = Sentences.lowerFirst(name(kind));
    return share == null ? name : "%s, %.0f %%".formatted(name, 100 * share);
  }

  /**
   * When a run that goes on will likely end.
   *
   * @param run null if none goes on
   * @return {@code now} if there is none, or its end cannot be told yet
   */
  public static Instant likelyEnd(Run run, Instant now) {
    if (run == null || run.waits() != null || run.secondsLeft() == null || run.secondsLeft() < 0) {
      return now;
    }
    Instant end = run.toldAt().plusMillis((long) (1000 * run.secondsLeft()));
    return end.isAfter(now) ? end : now;
  }
}

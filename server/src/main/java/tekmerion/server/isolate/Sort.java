package tekmerion.server.isolate;

import java.util.List;
import tekmerion.core.isolate.StartOutcome;
import tekmerion.server.isolate.Layout.Thing;

/**
 * What can be isolated, start by start.
 *
 * @see IsolationSession
 */
public enum Sort {
  /** Modules placed otherwise in their slots; a start runs a memory test. */
  MEMORY("isolation.memory", "Memory", "passed", 6, 5),
  /** Peripherals, plugged in or not. */
  OUTSIDE("isolation.outside", "What is plugged in", "ran", 4, 0.5),
  START_UP("isolation.start-up", "Start-up items", "ran", 4, 0.2),
  SERVICES("isolation.services", "Third-party services", "ran", 4, 0.2),
  UPDATES("isolation.updates", "Recent updates", "ran", 10, 3),
  /** One of each kind is in play. */
  CHAIN("isolation.chain", "Drive, cable, port and machine", "ran", 4, 2);

  /** Kinds of the chain, as the finding's levels are called. */
  static final List<String> KINDS = List.of("drive", "cable", "port", "machine");

  private final String finding;
  private final String title;
  private final String passed;
  private final double startMinutes;
  private final double changeMinutes;

  /**
   * Minutes: judgement, range half to double.
   *
   * @param passed what it did if it did not fail
   * @param changeMinutes to put one thing in or out; of memory, to open the case and place modules
   */
  Sort(String finding, String title, String passed, double startMinutes, double changeMinutes) {
    this.finding = finding;
    this.title = title;
    this.passed = passed;
    this.startMinutes = startMinutes;
    this.changeMinutes = changeMinutes;
  }

  String finding() {
    return finding;
  }

  String title() {
    return title;
  }

  double startMinutes() {
    return startMinutes;
  }

  double changeMinutes() {
    return changeMinutes;
  }

  /**
   * What there is to put in and out of play.
   *
   * @throws IllegalArgumentException if there are too few or too many, or a kind is missing
   */
  Layout layout(List<Thing> things) {
    return this == MEMORY ? new Modules(things) : new Things(this, things);
  }

  /** What it takes, for whoever said something else. */
  String takes() {
    return switch (this) {
      case MEMORY -> "Swapping takes one to four modules, and as many slots or more, up to four.";
      case CHAIN -> "A chain has two kinds at least, each with what it came with first.";
      default -> "Isolation takes 2 to 64 things.";
    };
  }

  /** How it may be arranged, for whoever said something else. */
  String arrangedSo() {
    return switch (this) {
      case MEMORY -> "One module sits in one slot, and one at least is in.";
      case CHAIN -> "Exactly one of each kind is in play.";
      default -> "Load the job again.";
    };
  }

  String words(StartOutcome outcome) {
    return switch (outcome) {
      case PASS -> "it " + passed;
      case FAIL -> "it failed";
      case INCONCLUSIVE -> "nobody could tell";
    };
  }
}

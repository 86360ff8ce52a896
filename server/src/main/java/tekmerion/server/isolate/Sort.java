package tekmerion.server.isolate;

import static tekmerion.words.Words.say;

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
  MEMORY("isolation.memory", "isolate.memory", "isolate.it-passed", 6, 5),
  /** Peripherals, plugged in or not. */
  OUTSIDE("isolation.outside", "isolate.what-is-plugged-in", "isolate.it-ran", 4, 0.5),
  START_UP("isolation.start-up", "isolate.start-up-items", "isolate.it-ran", 4, 0.2),
  SERVICES("isolation.services", "isolate.third-party-services", "isolate.it-ran", 4, 0.2),
  UPDATES("isolation.updates", "isolate.recent-updates", "isolate.it-ran", 10, 3),
  /** One of each kind is in play. */
  CHAIN("isolation.chain", "isolate.drive-cable-port-and-machine", "isolate.it-ran", 4, 2);

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
    return say(title);
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
      case MEMORY -> say("isolate.swapping-takes-one-to-four-modules");
      case CHAIN -> say("isolate.a-chain-has-two-kinds-at");
      default -> say("isolate.isolation-takes-2-to-64-things");
    };
  }

  /** How it may be arranged, for whoever said something else. */
  String arrangedSo() {
    return switch (this) {
      case MEMORY -> say("isolate.one-module-sits-in-one-slot");
      case CHAIN -> say("isolate.exactly-one-of-each-kind-is");
      default -> say("isolate.load-the-job-again");
    };
  }

  String words(StartOutcome outcome) {
    return switch (outcome) {
      case PASS -> say(passed);
      case FAIL -> say("isolate.it-failed");
      case INCONCLUSIVE -> say("isolate.nobody-could-tell");
    };
  }
}

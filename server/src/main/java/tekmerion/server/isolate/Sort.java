package tekmerion.server.isolate;

import java.util.List;

/**
 * What can be isolated beside memory.
 *
 * @see ThingsIsolation
 */
public enum Sort {
  /** Peripherals, plugged in or not. */
  OUTSIDE("isolation.outside", "What is plugged in", 4, 0.5),
  START_UP("isolation.start-up", "Start-up items", 4, 0.2),
  SERVICES("isolation.services", "Third-party services", 4, 0.2),
  UPDATES("isolation.updates", "Recent updates", 10, 3),
  /** One of each kind is in play. */
  CHAIN("isolation.chain", "Drive, cable, port and machine", 4, 2);

  /** Kinds of the chain, as the finding's levels are called. */
  static final List<String> KINDS = List.of("drive", "cable", "port", "machine");

  private final String finding;
  private final String title;
  private final double startMinutes;
  private final double changeMinutes;

  /** Minutes: judgement, range half to double. */
  Sort(String finding, String title, double startMinutes, double changeMinutes) {
    this.finding = finding;
    this.title = title;
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
}

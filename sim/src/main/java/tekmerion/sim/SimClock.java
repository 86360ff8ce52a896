package tekmerion.sim;

import java.time.Clock;
import java.time.Duration;

/** The clock of simulated machines: off by as much as that of the made-up shop they are in. */
final class SimClock {
  private static final String OFF_BY = "tekmerion.sim.clockOffBy";

  private SimClock() {}

  static Clock shown() {
    return Clock.offset(Clock.systemUTC(), Duration.parse(System.getProperty(OFF_BY, "PT0S")));
  }
}

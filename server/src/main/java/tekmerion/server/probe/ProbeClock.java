package tekmerion.server.probe;

import java.time.Duration;
import java.time.Instant;

/**
 * What a probe's clock says. Customers' machines have clocks that stand at 2004 or 2099; nothing is
 * ordered by them, and a time that cannot be is not kept as one.
 */
public final class ProbeClock {
  private static final Instant EARLIEST = Instant.parse("2015-01-01T00:00:00Z");

  /** So far a clock may be ahead without being wrong. */
  private static final Duration AHEAD = Duration.ofMinutes(10);

  private ProbeClock() {}

  /** Whether it can be: not before there were probes, not after it came in. */
  public static boolean isPossible(Instant told, Instant received) {
    return told != null && !told.isBefore(EARLIEST) && !told.isAfter(received.plus(AHEAD));
  }

  /** The time that was told, or when it came in if that cannot be. */
  public static Instant or(Instant told, Instant received) {
    return isPossible(told, received) ? told : received;
  }
}

package tekmerion.server.inbox;

import java.time.Duration;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;

/**
 * A line a minute in the log for each probe, with how many were left out: what a probe sends does
 * not decide how long the log becomes.
 */
public final class SeldomSaid {
  private static final long PAUSE_NANOS = Duration.ofMinutes(1).toNanos();
  private final Logger log;
  private final Map<UUID, Last> last = new ConcurrentHashMap<>();

  private record Last(long atNanos, long leftOut) {}

  SeldomSaid(Logger log) {
    this.log = log;
  }

  void say(UUID probeId, String what) {
    long now = System.nanoTime();
    last.compute(
        probeId,
        (id, before) -> {
          if (before != null && now - before.atNanos() < PAUSE_NANOS) {
            return new Last(before.atNanos(), before.leftOut() + 1);
          }
          long leftOut = before == null ? 0 : before.leftOut();
          log.warn("probe {}: {} ({} more since the last line)", id, what, leftOut);
          return new Last(now, 0);
        });
  }
}

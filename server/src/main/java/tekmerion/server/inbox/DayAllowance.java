package tekmerion.server.inbox;

import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.stereotype.Component;

/**
 * How much one probe may send in a day (UTC). All that is acknowledged is kept, so that a probe
 * without a bound could fill the shop's disk. A bench that reads a drive each minute sends less
 * than a tenth of it. Counted from the server's start.
 */
@Component
public class DayAllowance {
  private static final long BYTES = 2L << 30;

  private final Clock clock;
  private final long bytes;
  private final Map<UUID, Used> used = new ConcurrentHashMap<>();

  private record Used(LocalDate day, long bytes) {}

  @Autowired
  DayAllowance(Clock clock) {
    this(clock, BYTES);
  }

  /**
   * @param bytes a probe and day
   */
  DayAllowance(Clock clock, long bytes) {
    this.clock = clock;
    this.bytes = bytes;
  }

  /**
   * @return false if it is too much for today; what is refused counts too
   */
  boolean allows(UUID probeId, long more) {
    LocalDate today = LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC);
    Used now =
        used.compute(
            probeId,
            (id, was) -> {
              long before = was == null || !was.day().equals(today) ? 0 : was.bytes();
              // One over it stays over it for the day, whatever comes next.
              return new Used(today, before > bytes ? before : before + more);
            });
    return now.bytes() <= bytes;
  }
}

package tekmerion.core.proof;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;

/** Whether what was done to a machine held: by whether it comes back with the same complaint. */
public final class ComesBack {
  /** What is not back until then is taken for mended. The shop's convention. */
  public static final int WITHIN_DAYS = 90;

  public static final Duration WITHIN = Duration.ofDays(WITHIN_DAYS);

  private ComesBack() {}

  /**
   * @param endedAt when the machine went back to its owner
   * @param backAt when it came next with the same complaint; empty if it did not
   * @return empty while it can still come back
   */
  public static Optional<Boolean> held(Instant endedAt, Optional<Instant> backAt, Instant now) {
    Instant until = endedAt.plus(WITHIN);
    if (backAt.filter(at -> at.isBefore(until)).isPresent()) {
      return Optional.of(false);
    }
    return now.isBefore(until) ? Optional.empty() : Optional.of(true);
  }
}

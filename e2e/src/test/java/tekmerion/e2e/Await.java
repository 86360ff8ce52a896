package tekmerion.e2e;

import java.time.Duration;
import java.util.concurrent.Callable;

/** Waiting for something that comes by itself. */
final class Await {
  /** Where something hangs, not how fast it is: a machine of CI may stand still for a minute. */
  static final Duration PATIENCE = Duration.ofMinutes(4);

  private Await() {}

  /** Until it is true, else fails with the words after all patience. */
  static void until(String words, Callable<Boolean> condition) throws Exception {
    long end = System.nanoTime() + PATIENCE.toNanos();
    while (!condition.call()) {
      if (System.nanoTime() > end) {
        throw new AssertionError("waited %d s in vain: %s".formatted(PATIENCE.toSeconds(), words));
      }
      Thread.sleep(30);
    }
  }
}

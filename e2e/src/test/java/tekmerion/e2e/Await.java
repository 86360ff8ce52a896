package tekmerion.e2e;

import java.time.Duration;
import java.util.concurrent.Callable;

/** Waiting for something that comes by itself. */
final class Await {
  private Await() {}

  /** Until it is true, else fails after the time with the words. */
  static void until(String words, Duration most, Callable<Boolean> condition) throws Exception {
    long end = System.nanoTime() + most.toNanos();
    while (!condition.call()) {
      if (System.nanoTime() > end) {
        throw new AssertionError("waited %d s in vain: %s".formatted(most.toSeconds(), words));
      }
      Thread.sleep(30);
    }
  }
}

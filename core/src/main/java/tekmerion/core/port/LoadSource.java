package tekmerion.core.port;

import java.time.Duration;

/** A machine at its usual work, looked at from the inside. Looks only. */
public interface LoadSource {
  /**
   * Its counters now, as {@link tekmerion.core.load.LoadSnapshot#parse} reads them.
   *
   * @throws java.io.UncheckedIOException if they cannot be read
   */
  String snapshot();

  /** From one look to the next. */
  Duration between();

  /**
   * How late a thread woke that wanted to wake after a millisecond [ns], once for each of {@code
   * times}; empty if that is not measured here.
   */
  long[] lateness(int times) throws InterruptedException;
}

package tekmerion.core.port;

import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A pack that is being run down while the machine makes its own load. The load stops when this is
 * closed.
 */
public interface DischargeSource extends AutoCloseable {
  /**
   * Waits for the next look at it.
   *
   * @return never an exception for what the pack does
   */
  Look next() throws InterruptedException;

  /** What the machine knows of it before the run. */
  Before before();

  /** Ends the load. */
  @Override
  void close();

  /** What came of one look. */
  sealed interface Look {
    record Sample(BatterySample sample) implements Look {}

    /** Nothing was heard this time; it may be again. */
    record Missed() implements Look {}

    /**
     * No more will come.
     *
     * @param atCutOff the pack is at its end; else something else ended it, as {@code why} says
     */
    record Over(boolean atCutOff, String why) implements Look {}
  }

  /**
   * @param cutOffVolts where the machine switches itself off; empty if nobody knows before
   * @param designAh empty if not reported
   * @param gaugeFullAh what it holds when full, by its own gauge; empty if not reported
   * @param gaugeLevel of its charge at the beginning, a share; empty if not reported
   * @param newOhm resistance of a new one; empty if not known
   * @param speed how many of its seconds pass in one of ours: 1 for a real one
   * @param plugged whether the adapter is in: nothing can be run down then
   * @param unsafe why it must not be loaded, in a sentence; empty if nothing is known against it
   */
  record Before(
      OptionalDouble cutOffVolts,
      OptionalDouble designAh,
      OptionalDouble gaugeFullAh,
      OptionalDouble gaugeLevel,
      OptionalDouble newOhm,
      double speed,
      boolean plugged,
      Optional<String> unsafe) {}
}

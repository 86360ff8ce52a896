package tekmerion.core.port;

import java.util.function.Supplier;

/**
 * What came of one read. Only {@link MediumError} speaks of the medium; every other failure says
 * nothing about the sectors, and must never be counted as theirs.
 */
public sealed interface ReadResult {
  /**
   * The bytes came, all of them.
   *
   * @param content makes them when they are asked for, before the next read of the same source
   * @param latencyNanos from asking to answer
   */
  record Data(Supplier<byte[]> content, long latencyNanos) implements ReadResult {
    public byte[] bytes() {
      return content.get();
    }
  }

  /** Nothing came. */
  sealed interface Failure extends ReadResult {
    /** In words, without a full stop. */
    String why();
  }

  /**
   * The drive answered that it cannot give these sectors, or errs for them each time while it gives
   * others.
   */
  record MediumError(long latencyNanos, String why) implements Failure {}

  /** No answer in the time that the system gives a drive. */
  record TimedOut(long latencyNanos, String why) implements Failure {}

  /** The device is not there any more. */
  record Gone(String why) implements Failure {}

  /**
   * The question could not be put, or the drive answers nowhere.
   *
   * @param errno the system's number of the error; 0 if it has none
   */
  record CouldNotRun(int errno, String why) implements Failure {}

  static ReadResult data(byte[] bytes, long latencyNanos) {
    return new Data(() -> bytes, latencyNanos);
  }
}

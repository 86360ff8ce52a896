package tekmerion.core.port;

import java.time.Duration;
import java.util.OptionalDouble;

/**
 * A stretch of memory of 64-bit words that nobody else uses while it is tested.
 *
 * <p>{@link #sweep} may do the operations of several neighbouring words together as long as what
 * reaches the memory cells is the same; by default it goes word by word.
 */
public interface MemoryRegion extends AutoCloseable {
  /** How many words, positive. */
  long words();

  /**
   * @param word [0, words)
   */
  long read(long word);

  void write(long word, long value);

  /** Leaves it alone, so that cells that do not hold their charge show it. */
  void hold(Duration time);

  /** Of the memory; empty if nobody measures it. */
  OptionalDouble celsius();

  /** What this region could and could not reach, in words for a person. */
  String coverage();

  @Override
  void close();

  /**
   * Does the operations on every word of [from, to), all of them on one word before the next.
   *
   * @param down whether the highest word comes first
   * @param operations in order
   * @param data what "0" means at a word; "1" is its complement
   * @param mismatch told of every read that was not as expected
   */
  default void sweep(
      long from, long to, boolean down, Operation[] operations, Data data, Mismatch mismatch) {
    for (long i = from; i < to; i++) {
      long word = down ? to - 1 - (i - from) : i;
      long zero = data.zeroAt(word);
      for (int o = 0; o < operations.length; o++) {
        Operation operation = operations[o];
        long value = operation.one() ? ~zero : zero;
        if (operation.write()) {
          write(word, value);
        } else {
          long read = read(word);
          if (read != value) {
            mismatch.at(word, value, read, o);
          }
        }
      }
    }
  }

  /** One operation on one word: {@code r0 r1 w0 w1}. */
  record Operation(boolean write, boolean one) {}

  /** The data background. */
  @FunctionalInterface
  interface Data {
    long zeroAt(long word);

    /** The same at every word. */
    default boolean isSolid() {
      return false;
    }
  }

  /** A read that was not as expected. */
  @FunctionalInterface
  interface Mismatch {
    /**
     * @param operation index among those of the sweep
     */
    void at(long word, long expected, long read, int operation);
  }
}

package tekmerion.launch;

import java.io.PrintStream;
import java.time.Duration;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.util.function.Function;
import java.util.function.Supplier;

/**
 * A program that is to run until we are told to end. If it ends by itself it is started anew, and
 * both are said where the person who started it looks.
 */
final class Supervised<T> implements AutoCloseable {
  private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HH:mm:ss");

  /** What the JVM ends with on {@code -XX:+ExitOnOutOfMemoryError}. */
  private static final int OUT_OF_MEMORY = 3;

  private final String name;
  private final Supplier<T> start;
  private final Function<T, Child> child;
  private final Waits waits;
  private final PrintStream says;
  private T current;
  private boolean ending;

  /**
   * @param first wait before the first new start; each further one waits twice as long
   * @param longest no wait is longer
   * @param calm after a run of this length the next wait is the first again
   */
  record Waits(Duration first, Duration longest, Duration calm) {
    static final Waits USUAL =
        new Waits(Duration.ofSeconds(1), Duration.ofMinutes(1), Duration.ofMinutes(10));
  }

  private Supervised(
      String name, Supplier<T> start, Function<T, Child> child, Waits waits, PrintStream says) {
    this.name = name;
    this.start = start;
    this.child = child;
    this.waits = waits;
    this.says = says;
  }

  /**
   * The first start is the caller's: what it throws goes to the caller.
   *
   * @param name as a sentence begins with it, e.g. {@code The server}
   */
  static <T> Supervised<T> of(String name, Supplier<T> start, Function<T, Child> child) {
    return of(name, start, child, Waits.USUAL, System.out);
  }

  static <T> Supervised<T> of(
      String name, Supplier<T> start, Function<T, Child> child, Waits waits, PrintStream says) {
    Supervised<T> supervised = new Supervised<>(name, start, child, waits, says);
    supervised.current = start.get();
    Thread watch = new Thread(supervised::watch, "watch " + name);
    watch.setDaemon(true);
    watch.start();
    return supervised;
  }

  synchronized T current() {
    return current;
  }

  private void watch() {
    Duration wait = waits.first();
    while (true) {
      Child watched = child.apply(current());
      long began = System.nanoTime();
      watched.awaitEnd();
      synchronized (this) {
        if (ending) {
          return;
        }
      }
      if (System.nanoTime() - began > waits.calm().toNanos()) {
        wait = waits.first();
      }
      say(
          "%s has ended by itself%s. Starting it again in %d s; its log is %s"
              .formatted(
                  name, why(watched.exitCode()), Math.max(1, wait.toSeconds()), watched.log()));
      while (!startAgain(wait)) {
        wait = longer(wait);
      }
      wait = longer(wait);
      synchronized (this) {
        if (ending) {
          return;
        }
      }
    }
  }

  /** Whether it runs, or need not any more. */
  private boolean startAgain(Duration wait) {
    try {
      synchronized (this) {
        // Let go of while waiting, so that an end is not held up.
        long until = System.nanoTime() + wait.toNanos();
        while (!ending && System.nanoTime() < until) {
          wait(Math.max(1, Duration.ofNanos(until - System.nanoTime()).toMillis()));
        }
        if (ending) {
          return true;
        }
      }
      // Not held meanwhile: a start may take minutes, and whoever ends everything does not wait.
      T fresh = start.get();
      synchronized (this) {
        if (ending) {
          child.apply(fresh).close();
          return true;
        }
        current = fresh;
      }
      say(name + " runs again.");
      return true;
    } catch (LaunchException e) {
      say("%s does not start: %s Trying again.".formatted(name, e.getMessage()));
      return false;
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return true;
    }
  }

  private Duration longer(Duration wait) {
    Duration twice = wait.multipliedBy(2);
    return twice.compareTo(waits.longest()) > 0 ? waits.longest() : twice;
  }

  private static String why(int exitCode) {
    return switch (exitCode) {
      case OUT_OF_MEMORY -> " (out of memory)";
      case 128 + 9 -> " (somebody killed it, or the machine had no memory left)";
      default -> " (exit code %d)".formatted(exitCode);
    };
  }

  private void say(String sentence) {
    says.printf("%s  %s%n", TIME.format(LocalTime.now()), sentence);
  }

  @Override
  public synchronized void close() {
    ending = true;
    notifyAll();
    child.apply(current).close();
  }
}

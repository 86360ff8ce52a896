package tekmerion.probe.linux;

import java.util.ArrayList;
import java.util.List;

/**
 * Load that the probe makes itself: every processor works and rests in turns, half a minute each,
 * so that there are load steps to measure the battery's resistance by.
 */
final class OwnLoad {
  private static final long STEP_NANOS = 30_000_000_000L;
  private final List<Thread> workers = new ArrayList<>();
  private volatile boolean ended;

  /** What was worked out, so that it is not left out as useless. */
  private volatile double sum;

  void begin() {
    for (int i = 0; i < Runtime.getRuntime().availableProcessors(); i++) {
      Thread worker = new Thread(this::work, "load");
      worker.setDaemon(true);
      worker.setPriority(Thread.MIN_PRIORITY);
      worker.start();
      workers.add(worker);
    }
  }

  private void work() {
    long began = System.nanoTime();
    double own = 0;
    while (!ended) {
      boolean works = (System.nanoTime() - began) / STEP_NANOS % 2 == 0;
      if (works) {
        for (int i = 1; i < 100_000; i++) {
          own += Math.sqrt(i) / i;
        }
        sum = own;
      } else {
        try {
          Thread.sleep(200);
        } catch (InterruptedException e) {
          return;
        }
      }
    }
  }

  void end() {
    ended = true;
    workers.forEach(Thread::interrupt);
  }
}

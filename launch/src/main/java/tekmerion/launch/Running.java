package tekmerion.launch;

import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Map;
import java.util.concurrent.CountDownLatch;

/** What runs now; ended in the opposite order, once, on Ctrl-C or at the end. */
final class Running implements AutoCloseable {
  private final Deque<AutoCloseable> started = new ArrayDeque<>();
  private final CountDownLatch ended = new CountDownLatch(1);

  Running() {
    Runtime.getRuntime().addShutdownHook(new Thread(this::close, "end what was started"));
  }

  /** After the end nothing begins: it is ended at once. */
  synchronized <T extends AutoCloseable> T add(T one) {
    started.push(one);
    if (ended.getCount() == 0) {
      close();
    }
    return one;
  }

  /** A MariaDB of our own that is started again, on the same port, should it end. */
  MariaDb database(Path folder) {
    int port = FreePort.any();
    return add(Supervised.of("MariaDB", () -> MariaDb.start(folder, port), MariaDb::child))
        .current();
  }

  /** A server that is started again should it end. */
  ServerProcess server(Home home, Path folder, int port, Map<String, String> environment) {
    return add(Supervised.of(
            "The server",
            () -> ServerProcess.start(home, folder, port, environment),
            ServerProcess::child))
        .current();
  }

  /** Waits until the program is told to end. */
  void await() throws InterruptedException {
    ended.await();
  }

  @Override
  public synchronized void close() {
    if (!started.isEmpty()) {
      System.out.println(
          "Ending what was started (after a build some seconds longer: the next start will be faster).");
    }
    while (!started.isEmpty()) {
      try {
        started.pop().close();
      } catch (Exception e) {
        System.err.println("While ending: " + e.getMessage());
      }
    }
    ended.countDown();
  }
}

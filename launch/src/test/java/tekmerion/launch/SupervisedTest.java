package tekmerion.launch;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SupervisedTest {
  private static final Supervised.Waits SHORT =
      new Supervised.Waits(Duration.ofMillis(20), Duration.ofMillis(80), Duration.ofMinutes(1));
  @TempDir private Path folder;
  private final ByteArrayOutputStream said = new ByteArrayOutputStream();
  private final PrintStream says = new PrintStream(said, true, StandardCharsets.UTF_8);

  private Child start(String script) {
    return Child.start("child", folder, List.of("/bin/sh", "-c", script), Map.of());
  }

  private String said() {
    return said.toString(StandardCharsets.UTF_8);
  }

  private static void await(BooleanSupplier what) throws InterruptedException {
    for (int i = 0; i < 3000 && !what.getAsBoolean(); i++) {
      Thread.sleep(20);
    }
    assertThat(what.getAsBoolean()).isTrue();
  }

  @Test
  void whatIsKilledRunsAgainAndBothAreSaid() throws Exception {
    try (Supervised<Child> supervised =
        Supervised.of("The server", () -> start("exec sleep 300"), c -> c, SHORT, says)) {
      Child first = supervised.current();
      first.kill();

      await(() -> said().contains("The server runs again."));
      assertThat(said()).contains("The server has ended by itself (somebody killed it");
      assertThat(supervised.current().pid()).isNotEqualTo(first.pid());
      assertThat(supervised.current().isAlive()).isTrue();
    }
  }

  /** Exit code 3 is what -XX:+ExitOnOutOfMemoryError ends with. */
  @Test
  @SuppressWarnings("try") // it need only be closed
  void whyItEndedIsSaid() throws Exception {
    try (Supervised<Child> supervised =
        Supervised.of("The server", () -> start("sleep 0.2; exit 3"), c -> c, SHORT, says)) {
      await(() -> said().contains("The server has ended by itself (out of memory)"));
    }
  }

  @Test
  void aStartThatFailsIsTriedAgain() throws Exception {
    AtomicInteger starts = new AtomicInteger();
    try (Supervised<Child> supervised =
        Supervised.of(
            "MariaDB",
            () -> {
              int start = starts.incrementAndGet();
              if (start == 2 || start == 3) {
                throw new LaunchException("the port is taken.");
              }
              return start("exec sleep 300");
            },
            c -> c,
            SHORT,
            says)) {
      supervised.current().kill();

      await(() -> said().contains("MariaDB runs again."));
      assertThat(said()).contains("MariaDB does not start: the port is taken. Trying again.");
      assertThat(starts).hasValue(4);
    }
  }

  @Test
  void whatWeEndStaysEnded() throws Exception {
    AtomicInteger starts = new AtomicInteger();
    Supervised<Child> supervised =
        Supervised.of(
            "The server",
            () -> {
              starts.incrementAndGet();
              return start("exec sleep 300");
            },
            c -> c,
            SHORT,
            says);
    supervised.close();
    Thread.sleep(300);

    assertThat(starts).hasValue(1);
    assertThat(said()).isEmpty();
    assertThat(Files.exists(folder.resolve("child.pid"))).isFalse();
  }
}

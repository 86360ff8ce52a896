package tekmerion.launch;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Map;

/** The demo shop's past, which the simulation works out once. */
public final class ShopPast {
  private static final String SEED = "20";
  private static final Duration LIMIT = Duration.ofMinutes(2);

  private ShopPast() {}

  /** The file of past jobs; made at the first start. */
  public static Path file(Home home, Path folder) {
    Path file = folder.resolve("past-jobs.jsonl");
    if (Files.exists(file)) {
      return file;
    }
    System.out.println("Working out two years of the made-up shop, and keeping them (once)");
    Path unfinished = folder.resolve("past-jobs.part");
    Child sim =
        Child.start(
            "past",
            folder,
            List.of(
                Home.java(),
                "-cp",
                home.classPath("probe") + ":" + home.root().resolve("sim/target/sim-0.1.0.jar"),
                "tekmerion.sim.ShopHistory",
                SEED,
                unfinished.toString()),
            Map.of());
    try {
      if (!sim.waitFor(LIMIT) || sim.exitCode() != 0) {
        throw new LaunchException("The shop's past could not be worked out: " + sim.output());
      }
      return Files.move(unfinished, file);
    } catch (IOException e) {
      throw new LaunchException("Cannot keep the shop's past: " + e.getMessage(), e);
    } finally {
      sim.close();
    }
  }
}

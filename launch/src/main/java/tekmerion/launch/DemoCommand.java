package tekmerion.launch;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Duration;
import java.time.LocalDateTime;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** The whole of Tekmerion with a made-up shop. */
@Command(
    name = "demo",
    description = {
      "Start MariaDB on loopback, the server and a simulated bench with demo data.",
      "Everything it keeps is in one folder; delete the folder to begin anew."
    },
    mixinStandardHelpOptions = true)
final class DemoCommand implements Callable<Integer> {
  private static final String PERSON = "ines";

  @Option(
      names = "--data",
      description = "Folder for database, logs and probes (default: .tekmerion/demo).")
  private Path data;

  @Option(
      names = "--large",
      description =
          "With 100,000 past jobs and 300,000 parts, in a folder of its own (.tekmerion/demo-large).")
  private boolean large;

  @Option(
      names = "--at",
      description = {
        "What the shop's clock shows when it starts, such as 2026-11-30T10:20 in the shop's time.",
        "Left out: now, or the latest morning on which the shop was open. It stays as far off for",
        "as long as the folder is kept."
      })
  private LocalDateTime at;

  @Option(names = "--port", description = "Port of the server (default: 8780, or a free one).")
  private Integer port;

  @Override
  public Integer call() throws InterruptedException, IOException {
    Home home = Home.find();
    Path folder =
        (data == null
                ? home.root().resolve(large ? ".tekmerion/demo-large" : ".tekmerion/demo")
                : data)
            .toAbsolutePath();
    Files.createDirectories(folder);
    try (FileChannel channel =
            FileChannel.open(
                folder.resolve("lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        FileLock lock = channel.tryLock()) {
      if (lock == null) {
        throw new LaunchException("A demo is running already in %s.".formatted(folder));
      }
      run(home, folder);
      return 0;
    }
  }

  private void run(Home home, Path folder) throws InterruptedException {
    Secrets secrets = Secrets.in(folder);
    try (Running running = new Running()) {
      System.out.println("Starting MariaDB on loopback, its data in " + folder.resolve("db"));
      MariaDb database = running.database(folder.resolve("db"));
      int serverPort =
          port != null ? port : FreePort.preferably(Integer.parseInt(secretPort(secrets)));
      secrets.put("port", Integer.toString(serverPort));
      String password = secrets.get("demoPassword", 10);
      Map<String, String> environment = new HashMap<>(database.environment());
      environment.put("TEKMERION_DEMO", "true");
      environment.put("TEKMERION_DEMO_HISTORY", ShopPast.file(home, folder).toString());
      environment.put("TEKMERION_DEMO_LARGE", Boolean.toString(large));
      environment.put("TEKMERION_DEMO_PASSWORD", password);
      environment.put("TEKMERION_DEMO_AT", clock(secrets));
      System.out.println("Starting the server, its log in " + folder.resolve("server.log"));
      ServerProcess server = running.server(home, folder, serverPort, environment);
      Duration offBy = ShopClient.clockOffBy(server.address());
      secrets.put("clockOffBy", offBy.toString());
      System.out.printf(
          "%n  Tekmerion   %s%n  sign in     %s%n  password    %s%n%n",
          server.address(), PERSON, password);
      if (!offBy.isZero()) {
        System.out.printf(
            "  The shop's clock is off by %d minutes: see --at.%n%n", offBy.toMinutes());
      }
      new DemoBench(home, folder, server, secrets, running).start(PERSON);
      running.await();
    }
  }

  /** As it was set first: else what was done later would come before what was done earlier. */
  private String clock(Secrets secrets) {
    String known = secrets.peek("clockOffBy");
    return at != null ? at.toString() : known != null ? known : "latest";
  }

  private static String secretPort(Secrets secrets) {
    String known = secrets.peek("port");
    return known == null ? "8780" : known;
  }
}

package tekmerion.launch;

import java.io.IOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;

/** A shop of a benchmark's own, in a folder that it keeps. */
final class BenchShop implements AutoCloseable {
  private final Home home = Home.find();
  private final Path folder;
  private final Running running = new Running();
  private MariaDb database;
  private final Map<String, String> environment;
  private final String password;
  private final int port = FreePort.any();
  private ServerProcess server;

  private BenchShop(Path folder) {
    this.folder = folder;
    database = running.add(MariaDb.startForBench(folder.resolve("db")));
    password = Secrets.in(folder).get("demoPassword", 10);
    environment = new HashMap<>(database.environment());
    environment.put("TEKMERION_DEMO", "true");
    environment.put("TEKMERION_DEMO_PASSWORD", password);
  }

  /**
   * @param data folder; null for {@code .tekmerion/NAME}
   */
  static BenchShop in(Path data, String name) throws IOException {
    Path folder =
        (data == null ? Home.find().root().resolve(".tekmerion").resolve(name) : data)
            .toAbsolutePath();
    Files.createDirectories(folder);
    return new BenchShop(folder);
  }

  /** With 100,000 jobs, filled at its first start. */
  BenchShop large() {
    environment.put("TEKMERION_DEMO_LARGE", "true");
    return this;
  }

  /** With the demo shop's two years. */
  BenchShop withPast() {
    environment.put("TEKMERION_DEMO_HISTORY", ShopPast.file(home, folder).toString());
    return this;
  }

  /** Starts the server, or starts it anew. */
  void start() {
    if (server != null) {
      server.close();
    }
    server = running.add(ServerProcess.start(home, folder, port, environment));
  }

  /** A probe on a simulated machine; it ends when it is closed. */
  Child probe(int bay, String machine, String code) {
    return running.add(
        ProbeProcess.start(home, folder.resolve("probe-" + bay), server.address(), machine, code));
  }

  URI address() {
    return server.address();
  }

  /** SIGKILL. */
  void killServer() {
    server.child().kill();
  }

  /** SIGKILL. */
  void killDatabase() {
    database.kill();
  }

  /** On the port of before. */
  void startDatabase() {
    database = running.add(MariaDb.start(folder.resolve("db"), database.port()));
  }

  MariaDb database() {
    return database;
  }

  ShopClient signedIn() {
    ShopClient shop = new ShopClient(server.address());
    ShopClient.Answer answer = shop.signIn("ines", password);
    if (answer.status() != 200) {
      throw new LaunchException("The sign-in does not work: " + answer.body());
    }
    return shop;
  }

  @Override
  public void close() {
    running.close();
  }
}

package tekmerion.e2e;

import java.io.IOException;
import java.net.InetAddress;
import java.net.URI;
import java.nio.file.Path;
import java.time.Clock;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tekmerion.launch.FreePort;
import tekmerion.launch.Home;
import tekmerion.launch.MariaDb;
import tekmerion.launch.ServerProcess;
import tekmerion.launch.ShopClient;
import tekmerion.launch.tls.ShopTls;
import tekmerion.link.tls.Fingerprint;

/** A server as others of the network reach it: over TLS, by the shop's own authority. */
final class ShopOnTls implements AutoCloseable {
  static final String PASSWORD = "only-for-these-tests";

  private final MariaDb database;
  private final ServerProcess server;
  private final Fingerprint authority;

  private ShopOnTls(MariaDb database, ServerProcess server, Fingerprint authority) {
    this.database = database;
    this.server = server;
    this.authority = authority;
  }

  /**
   * @param others numeric addresses that it is reached by, besides loopback
   */
  static ShopOnTls start(Path folder, String... others) throws IOException {
    MariaDb database = MariaDb.startForTests(folder.resolve("db"), FreePort.any());
    List<InetAddress> addresses = new java.util.ArrayList<>();
    addresses.add(InetAddress.getLoopbackAddress());
    for (String other : others) {
      addresses.add(InetAddress.getByName(other));
    }
    ShopTls tls =
        ShopTls.own(
            folder.resolve("tls"),
            "Harbour bench",
            List.of("localhost"),
            addresses,
            Clock.systemUTC());
    Map<String, String> environment = new HashMap<>(database.environment());
    environment.putAll(tls.environment());
    environment.put("TEKMERION_DEMO", "true");
    environment.put("TEKMERION_DEMO_PASSWORD", PASSWORD);
    ServerProcess server =
        ServerProcess.start(Home.find(), folder.resolve("server"), FreePort.any(), environment);
    return new ShopOnTls(database, server, tls.authority().orElseThrow());
  }

  URI address() {
    return server.address();
  }

  Fingerprint authority() {
    return authority;
  }

  /** Signed in. */
  ShopClient client() {
    ShopClient shop = new ShopClient(server.address(), Optional.of(authority));
    if (shop.signIn("ines", PASSWORD).status() != 200) {
      throw new IllegalStateException("cannot sign in");
    }
    return shop;
  }

  @Override
  public void close() {
    server.close();
    database.close();
  }
}

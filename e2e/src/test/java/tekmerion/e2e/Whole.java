package tekmerion.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import tekmerion.launch.Child;
import tekmerion.launch.FreePort;
import tekmerion.launch.Home;
import tekmerion.launch.MariaDb;
import tekmerion.launch.ProbeProcess;
import tekmerion.launch.ServerProcess;
import tekmerion.launch.ShopClient;
import tekmerion.launch.ShopPast;

/** MariaDB, server and probes as processes, in a folder of their own, as a user would run them. */
final class Whole implements AutoCloseable {
  static final String PERSON = "ines";
  static final String PASSWORD = "only-for-these-tests";

  private static final List<String> LOOKED_AT =
      List.of(
          "/api/floor",
          "/api/jobs/J-2291",
          "/api/jobs/J-2291/aspects?of=CASE,CUSTODY,EVIDENCE,DIAGNOSIS,HISTORY",
          "/api/jobs/J-2291/plans",
          "/api/jobs/J-2291/parts/drive-a",
          "/api/search?q=Ostrel",
          "/api/know-how",
          "/api/stock");

  private final Home home = Home.find();
  private final Path folder;
  private final int databasePort = FreePort.any();
  private final int serverPort = FreePort.any();
  private final Map<Integer, Child> probes = new HashMap<>();
  private final List<Browser> browsers = new ArrayList<>();
  private MariaDb database;
  private ServerProcess server;

  private final boolean withPast;
  private final String at;

  Whole() {
    this(false);
  }

  /**
   * @param withPast whether the demo shop has its two years of past jobs
   */
  Whole(boolean withPast) {
    this(withPast, "");
  }

  /**
   * @param at what the shop's clock shows, as 2026-11-30T10:20; empty for now
   */
  Whole(boolean withPast, String at) {
    this.withPast = withPast;
    this.at = at;
    try {
      folder = Files.createTempDirectory("tekmerion e2e"); // a space, as a home may have one
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    new MadeOnce(home.root().resolve("e2e/target/made-once"), build())
        .copyTo("shop-%b-%s".formatted(withPast, at.replace(":", "")), folder, this::makeShop);
    System.out.printf(
        "Tests of the whole use MariaDB on port %d, the server on port %d, folder %s%n",
        databasePort, serverPort, folder);
    startDatabase();
    try {
      startServer();
    } catch (RuntimeException e) {
      database.close(); // whoever could not begin has nobody else to end it
      throw e;
    }
  }

  URI address() {
    return URI.create("http://127.0.0.1:" + serverPort);
  }

  Home home() {
    return home;
  }

  Path folder() {
    return folder;
  }

  /** Another program, or another day, makes another shop. */
  private String build() {
    String build = LocalDate.now().toString();
    for (String module : List.of("words", "core", "sim", "link", "launch", "server", "demo")) {
      Path jar = home.root().resolve("%s/target/%s-0.1.0.jar".formatted(module, module));
      build += "-" + Long.toHexString(jar.toFile().lastModified() / 1000);
    }
    return build;
  }

  /**
   * The demo shop as its first start makes it. What is looked at is loaded, and so it is in the
   * archive of classes from which the servers of all tests start.
   */
  private void makeShop(Path place) {
    try (MariaDb made = MariaDb.startForTests(place.resolve("db"), databasePort);
        ServerProcess first =
            ServerProcess.start(home, place, serverPort, environment(made, place))) {
      ShopClient shop = new ShopClient(first.address());
      shop.signIn(PERSON, PASSWORD);
      for (String path : LOOKED_AT) {
        shop.get(path);
      }
    }
  }

  void startDatabase() {
    database = MariaDb.startForTests(folder.resolve("db"), databasePort);
  }

  void stopDatabase() {
    database.close();
  }

  void startServer() {
    server = ServerProcess.start(home, folder, serverPort, environment(database, folder));
  }

  private Map<String, String> environment(MariaDb of, Path in) {
    Map<String, String> environment = new HashMap<>(of.environment());
    environment.put("TEKMERION_DEMO", "true");
    environment.put("TEKMERION_DEMO_PASSWORD", PASSWORD);
    environment.put("TEKMERION_DEMO_AT", at);
    if (withPast) {
      environment.put("TEKMERION_DEMO_HISTORY", ShopPast.file(home, in).toString());
    }
    return environment;
  }

  void stopServer() {
    server.close();
  }

  void killServer() {
    server.child().kill();
  }

  ShopClient signedIn() {
    return signedIn(PERSON);
  }

  ShopClient signedIn(String name) {
    ShopClient shop = new ShopClient(address());
    ShopClient.Answer answer = shop.signIn(name, PASSWORD);
    if (answer.status() != 200) {
      throw new IllegalStateException("cannot sign in: " + answer.body());
    }
    return shop;
  }

  /** A browser in which somebody has signed in and sees the floor; closed with the whole. */
  Browser browserOf(String person) {
    Browser browser = new Browser(home, address());
    browsers.add(browser);
    browser.open("/");
    browser.signIn(person, PASSWORD);
    browser.seeHeading("need a person");
    return browser;
  }

  Path probeFolder(int bay) {
    return folder.resolve("probe-" + bay);
  }

  /**
   * @param code null if it is enrolled already
   */
  Child startProbe(int bay, String machine, String code) {
    Child probe =
        ProbeProcess.start(
            home, probeFolder(bay), address(), machine, code, ShopClient.clockOffBy(address()));
    probes.put(bay, probe);
    return probe;
  }

  /** Another machine on a bay whose probe is enrolled. */
  void exchange(int bay, String machine) {
    probes.get(bay).close();
    startProbe(bay, machine, null);
  }

  void killProbe(int bay) {
    probes.get(bay).kill();
  }

  void stopProbes() {
    probes.values().forEach(Child::close);
    probes.clear();
  }

  /** As the owner of the schema. */
  Connection connect() throws SQLException {
    return DriverManager.getConnection(
        database.url(), "tekmerion_owner", database.password("tekmerion_owner"));
  }

  long count(String sql) throws SQLException {
    try (Connection connection = connect();
        Statement statement = connection.createStatement();
        ResultSet result = statement.executeQuery(sql)) {
      result.next();
      return result.getLong(1);
    }
  }

  void execute(String sql) throws SQLException {
    try (Connection connection = connect();
        Statement statement = connection.createStatement()) {
      statement.execute(sql);
    }
  }

  @Override
  public void close() {
    browsers.forEach(Browser::close);
    stopProbes();
    server.close();
    database.close();
    try (Stream<Path> files = Files.walk(folder)) {
      for (Path file : files.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(file);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}

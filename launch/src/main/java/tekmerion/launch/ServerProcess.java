package tekmerion.launch;

import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tekmerion.launch.tls.ShopTls;
import tekmerion.link.tls.Fingerprint;
import tekmerion.link.tls.ShopAuthority;

/** The server as a child process. */
public final class ServerProcess implements AutoCloseable {
  private static final Duration START_LIMIT = Duration.ofMinutes(3);

  /** The large shop is filled before the first answer. */
  private static final Duration FILLING_LIMIT = Duration.ofMinutes(15);

  /** What the server says before and after it changes the database; see its package schema. */
  private static final String CHANGES = "Changing the database";

  private static final String CHANGED = "The database is changed";

  private final Child child;
  private final URI address;
  private final Path files;

  /** By which it is known, where it has one of its own. */
  private final Optional<Fingerprint> authority;

  private ServerProcess(Child child, URI address, Path files, Optional<Fingerprint> authority) {
    this.child = child;
    this.address = address;
    this.files = files;
    this.authority = authority;
  }

  /**
   * Starts it and waits until it answers.
   *
   * @param environment database and whatever else the server is told by environment
   */
  public static ServerProcess start(
      Home home, Path folder, int port, Map<String, String> environment) {
    ClassArchive archive = ClassArchive.of(home, modules(environment));
    ServerProcess server = launch(home, folder, port, environment, archive.useOrWrite());
    boolean filling = Boolean.parseBoolean(environment.get("TEKMERION_DEMO_LARGE"));
    server.awaitReady(filling ? FILLING_LIMIT : START_LIMIT);
    return server;
  }

  /** Starts it without waiting: for tests of a start that must fail. */
  public static ServerProcess launch(
      Home home, Path folder, int port, Map<String, String> environment) {
    // A start that fails has loaded too few classes to be worth an archive.
    return launch(home, folder, port, environment, List.of());
  }

  private static ServerProcess launch(
      Home home,
      Path folder,
      int port,
      Map<String, String> environment,
      List<String> archiveOptions) {
    Map<String, String> all = new HashMap<>(environment);
    all.put("TEKMERION_PORT", Integer.toString(port));
    all.putIfAbsent("TEKMERION_FILES", folder.resolve("files").toString());
    if (System.getenv("TEKMERION_SEAL_KEY") == null) {
      // Beside the database, not in it: who steals a copy of the tables can open no password.
      all.putIfAbsent("TEKMERION_SEAL_KEY", Secrets.in(folder.resolve("keys")).key("seal"));
    }
    List<String> command =
        new ArrayList<>(
            List.of(Home.java(), "-Xmx768m", "-XX:+UseSerialGC", "-XX:+ExitOnOutOfMemoryError"));
    command.addAll(archiveOptions);
    if (environment.containsKey("TEKMERION_DEMO")) {
      command.add("-XX:TieredStopAtLevel=1"); // it starts sooner; a shop's own runs for months
    }
    command.addAll(
        List.of("-cp", home.classPath(modules(environment)), "tekmerion.server.TekmerionServer"));
    Child child = Child.start("server", folder, command, all);
    String scheme = all.containsKey("SERVER_SSL_BUNDLE") ? "https" : "http";
    return new ServerProcess(
        child,
        URI.create(scheme + "://" + reachedAt(all) + ":" + port),
        Path.of(all.get("TEKMERION_FILES")),
        Optional.ofNullable(all.get("TEKMERION_AUTHORITY"))
            .map(file -> ShopTls.fingerprintOf(Path.of(file))));
  }

  /** From this machine; who listens everywhere listens on loopback too. */
  private static String reachedAt(Map<String, String> environment) {
    String listens = environment.getOrDefault("TEKMERION_ADDRESS", "127.0.0.1");
    if (listens.equals("0.0.0.0") || listens.matches("[0:]+")) {
      return "127.0.0.1";
    }
    return listens.contains(":") ? "[" + listens + "]" : listens;
  }

  /** The made-up shop is in no real one. */
  private static String[] modules(Map<String, String> environment) {
    boolean isDemo = Boolean.parseBoolean(environment.get("TEKMERION_DEMO"));
    return isDemo ? new String[] {"server", "demo"} : new String[] {"server"};
  }

  public URI address() {
    return address;
  }

  public Child child() {
    return child;
  }

  @Override
  public void close() {
    child.close();
  }

  /**
   * The name and password of the first person, if this start made them: said once, kept nowhere.
   */
  Optional<String> firstSignIn() {
    Path file = files.resolve("first-sign-in.txt");
    try {
      String said = Files.readString(file);
      Files.delete(file);
      return Optional.of(said.strip());
    } catch (NoSuchFileException e) {
      return Optional.empty();
    } catch (IOException e) {
      throw new LaunchException("Cannot read " + file + ": " + e.getMessage(), e);
    }
  }

  /** While it changes the database it may take its time: how long depends on what is stored. */
  private boolean changesTheDatabase() {
    String said = child.output();
    return said.contains(CHANGES) && !said.contains(CHANGED);
  }

  private void awaitReady(Duration limit) {
    HttpClient.Builder builder = HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(1));
    authority.map(ShopAuthority::trusting).ifPresent(builder::sslContext);
    HttpClient http = builder.build();
    HttpRequest request =
        HttpRequest.newBuilder(address.resolve("/api/session"))
            .timeout(Duration.ofSeconds(5))
            .build();
    long until = System.nanoTime() + limit.toNanos();
    while (System.nanoTime() < until || changesTheDatabase()) {
      if (!child.isAlive()) {
        throw new LaunchException("The server ended at once. It said:\n" + tail());
      }
      try {
        if (address.getScheme().equals("https") && authority.isEmpty()) {
          // A certificate of the shop's own is of a name, which need not be what is asked here.
          new Socket(address.getHost(), address.getPort()).close();
          Sleep.millis(500); // who finds the port taken ends by then
          if (child.isAlive()) {
            return;
          }
          continue;
        }
        if (http.send(request, HttpResponse.BodyHandlers.discarding()).statusCode() == 200) {
          return;
        }
      } catch (IOException e) {
        // Not listening yet.
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
        throw new LaunchException("Stopped while the server was starting.", e);
      }
      Sleep.millis(50);
    }
    child.close();
    throw new LaunchException("The server did not answer in time. Its log: " + child.log());
  }

  private String tail() {
    List<String> lines = child.output().lines().toList();
    return String.join("\n", lines.subList(Math.max(0, lines.size() - 20), lines.size()));
  }
}

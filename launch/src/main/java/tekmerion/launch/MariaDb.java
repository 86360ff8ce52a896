package tekmerion.launch;

import java.io.IOException;
import java.io.InputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import tekmerion.link.files.WholeFile;

/**
 * A MariaDB of our own, on loopback, with a data folder of its own. Touches no system database. Two
 * users: the owner, who changes the schema, and the one the server works as, whose rights the
 * schema itself gives.
 */
public final class MariaDb implements AutoCloseable {
  private static final Duration START_LIMIT = Duration.ofSeconds(60);
  private static final List<String> PLACES =
      List.of("/usr/sbin", "/usr/bin", "/usr/local/sbin", "/usr/local/bin");

  private final Child child;
  private final int port;
  private final Secrets secrets;

  private MariaDb(Child child, int port, Secrets secrets) {
    this.child = child;
    this.port = port;
    this.secrets = secrets;
  }

  /**
   * @param folder for the data, made at the first start
   */
  public static MariaDb start(Path folder) {
    return start(folder, FreePort.any());
  }

  public static MariaDb start(Path folder, int port) {
    return start(folder, port, List.of());
  }

  /**
   * One whose numbers are large and far apart, as in a shop of some years: a test does not pass
   * only because the numbers in it are small.
   */
  public static MariaDb startForTests(Path folder, int port) {
    return start(
        folder,
        port,
        List.of(
            "SET GLOBAL auto_increment_increment = 1009, GLOBAL auto_increment_offset = 1009;"));
  }

  /** One whose owner may switch the log of statements on and read it; for measuring only. */
  static MariaDb startForBench(Path folder) {
    return start(
        folder,
        FreePort.any(),
        List.of(
            "GRANT SUPER ON *.* TO 'tekmerion_owner'@'%';",
            "GRANT SELECT, DROP ON mysql.slow_log TO 'tekmerion_owner'@'%';",
            "SET GLOBAL log_output = 'TABLE', GLOBAL long_query_time = 0;"));
  }

  private static MariaDb start(Path folder, int port, List<String> alsoRun) {
    Secrets secrets = Secrets.in(folder);
    Path data = folder.resolve("data");
    try {
      if (!Files.isDirectory(data.resolve("mysql"))) {
        install(folder, data);
      }
      Path init = initFile(folder, secrets, alsoRun);
      List<String> command = new ArrayList<>();
      command.add(program("mariadbd"));
      command.addAll(
          List.of(
              "--no-defaults",
              "--datadir=" + data,
              // Its own: a second MariaDB that starts would clear a shared one of files in use.
              "--tmpdir=" + Files.createDirectories(folder.resolve("tmp")),
              "--socket=m.sock", // relative to the data folder: a longer path might not fit a
              // socket
              "--pid-file=m.pid",
              "--bind-address=127.0.0.1",
              "--port=" + port,
              "--skip-name-resolve",
              "--skip-log-bin",
              "--performance-schema=OFF",
              "--innodb-buffer-pool-size=128M",
              "--character-set-server=utf8mb4",
              "--collation-server=utf8mb4_unicode_ci",
              "--default-time-zone=+00:00",
              "--init-file=" + init));
      command.addAll(asRoot());
      Child child = Child.start("mariadb", folder, command, Map.of());
      MariaDb mariaDb = new MariaDb(child, port, secrets);
      mariaDb.awaitReady();
      return mariaDb;
    } catch (IOException e) {
      throw new LaunchException("Cannot start MariaDB: " + e.getMessage(), e);
    }
  }

  /** What the server needs to know to use this database. */
  public Map<String, String> environment() {
    return Map.of(
        "TEKMERION_DB_URL", url(),
        "TEKMERION_DB_USER", "tekmerion_app",
        "TEKMERION_DB_PASSWORD", password("tekmerion_app"),
        "TEKMERION_DB_OWNER", "tekmerion_owner",
        "TEKMERION_DB_OWNER_PASSWORD", password("tekmerion_owner"));
  }

  public String url() {
    return "jdbc:mariadb://127.0.0.1:%d/tekmerion".formatted(port);
  }

  public String password(String user) {
    return secrets.get(user, 24);
  }

  public int port() {
    return port;
  }

  Child child() {
    return child;
  }

  /** SIGKILL: for tests and proofs of what survives it. */
  public void kill() {
    child.kill();
  }

  /** The first column of the first row, as the owner of the tables. */
  long count(String sql) {
    return Long.parseLong(texts(sql).get(0));
  }

  /** The first column of every row, as the owner of the tables. */
  List<String> texts(String sql) {
    List<String> texts = new ArrayList<>();
    try (Connection owner =
            DriverManager.getConnection(url(), "tekmerion_owner", password("tekmerion_owner"));
        Statement statement = owner.createStatement();
        ResultSet rows = statement.executeQuery(sql)) {
      while (rows.next()) {
        texts.add(rows.getString(1));
      }
      return texts;
    } catch (SQLException e) {
      throw new LaunchException("The database does not answer: " + e.getMessage(), e);
    }
  }

  @Override
  public void close() {
    child.close();
  }

  /**
   * The packaged script does not quote its folder everywhere, so a path with a space in it fails:
   * it is given a plain name that leads to the folder.
   */
  private static void install(Path folder, Path data) throws IOException {
    // A folder of its own name until it is whole: an installation that was cut off begins anew.
    Path made = folder.resolve("data.part");
    WholeFile.deleteFolder(made);
    Files.createDirectories(made);
    Path plain = Files.createTempDirectory("tekmerion-");
    Path link = Files.createSymbolicLink(plain.resolve("data"), made.toAbsolutePath());
    List<String> command =
        new ArrayList<>(
            List.of(
                program("mariadb-install-db"),
                "--no-defaults",
                "--datadir=" + link,
                // Its own too: two that are made at once would clear each other's.
                "--tmpdir=" + Files.createDirectory(plain.resolve("tmp")),
                "--auth-root-authentication-method=socket",
                // It is reached on loopback only: whether this machine's own name is known does not
                // matter.
                "--force",
                "--skip-test-db"));
    command.addAll(asRoot());
    Child install = Child.start("mariadb-install", folder, command, Map.of());
    try {
      if (!install.waitFor(START_LIMIT) || install.exitCode() != 0) {
        throw new LaunchException(
            "MariaDB could not make its data folder. It said:\n" + install.output());
      }
      if (Files.exists(data)) { // half made by a version that installed in place; nobody deletes it
        Files.move(data, folder.resolve("data.unfinished-" + System.currentTimeMillis()));
      }
      Files.move(made, data, StandardCopyOption.ATOMIC_MOVE);
    } finally {
      install.close();
      Files.delete(link);
      WholeFile.deleteFolder(plain);
    }
  }

  /** Run by MariaDB itself at every start, one statement a line, so root never needs a password. */
  private static Path initFile(Path folder, Secrets secrets, List<String> alsoRun)
      throws IOException {
    Path file = folder.resolve("init.sql");
    StringBuilder sql =
        new StringBuilder(
            "CREATE DATABASE IF NOT EXISTS tekmerion CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;\n");
    for (String user : List.of("tekmerion_owner", "tekmerion_app")) {
      sql.append(
          "CREATE USER IF NOT EXISTS '%s'@'%%' IDENTIFIED BY '%s';\n"
              .formatted(user, secrets.get(user, 24)));
    }
    sql.append("GRANT ALL ON tekmerion.* TO 'tekmerion_owner'@'%' WITH GRANT OPTION;\n");
    alsoRun.forEach(line -> sql.append(line).append('\n'));
    WholeFile.write(file, sql.toString());
    return file;
  }

  private static List<String> asRoot() {
    return "root".equals(System.getProperty("user.name")) ? List.of("--user=root") : List.of();
  }

  private static String program(String name) {
    return Stream.concat(
            PLACES.stream(), Stream.of(System.getenv().getOrDefault("PATH", "").split(":")))
        .map(place -> Path.of(place, name))
        .filter(Files::isExecutable)
        .map(Path::toString)
        .findFirst()
        .orElseThrow(
            () ->
                new LaunchException(
                    "MariaDB is not installed: there is no %s. Run ./tekmerion demo, which installs it, or install the packages mariadb-server-core and mariadb-client-core."
                        .formatted(name)));
  }

  private void awaitReady() {
    long until = System.nanoTime() + START_LIMIT.toNanos();
    while (System.nanoTime() < until) {
      if (!child.isAlive()) {
        throw new LaunchException("MariaDB ended at once. It said:\n" + child.output());
      }
      if (answers()) {
        return;
      }
      Sleep.millis(50);
    }
    child.close();
    throw new LaunchException("MariaDB did not answer within a minute. Its log: " + child.log());
  }

  /** MariaDB speaks first; it listens only after the init file has run. */
  private boolean answers() {
    try (Socket socket = new Socket()) {
      socket.connect(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 500);
      socket.setSoTimeout(1000);
      InputStream in = socket.getInputStream();
      return in.read() >= 0;
    } catch (IOException e) {
      return false;
    }
  }
}

package tekmerion.server;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.io.UncheckedIOException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.Base64;
import java.util.Comparator;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.support.GenericApplicationContext;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import tekmerion.launch.FreePort;
import tekmerion.launch.MariaDb;
import tekmerion.launch.ShopClient;

/**
 * The real application on a real MariaDB, started once for all tests that ask for it as a
 * parameter. Spring's own JUnit extension needs JUnit 6; this one also tests what users run.
 */
public final class RunningServer implements ParameterResolver {
  private static final String PASSWORD = "only-for-these-tests";

  /** The least that BCrypt can do. */
  private static final int CHEAP = 4;

  /** Everything a test needs of it. */
  public static final class Shop implements AutoCloseable {
    private final Path folder;
    private MariaDb database;
    private final ConfigurableApplicationContext application;
    private final URI address;
    private String firstWords = "";
    private final AtomicInteger statements = new AtomicInteger();
    private volatile Duration ahead = Duration.ZERO;

    /** The real time, and what a test has let pass. */
    private final class AheadClock extends Clock {
      @Override
      public ZoneId getZone() {
        return ZoneOffset.UTC;
      }

      @Override
      public Clock withZone(ZoneId zone) {
        throw new UnsupportedOperationException("times here are UTC");
      }

      @Override
      public Instant instant() {
        return Instant.now().plus(ahead);
      }
    }

    private Shop() {
      this(true);
    }

    /** One that nobody has used yet. */
    static Shop empty() {
      return new Shop(false);
    }

    private Shop(boolean demo) {
      try {
        folder = Files.createTempDirectory("tekmerion-server-test");
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
      database = MariaDb.startForTests(folder.resolve("db"), FreePort.any());
      int port = FreePort.any();
      address = URI.create("http://127.0.0.1:" + port);
      System.out.printf(
          "Server tests use MariaDB on port %d, the server on port %d, folder %s%n",
          database.port(), port, folder);
      SpringApplication program = new SpringApplication(TekmerionServer.class);
      program.addInitializers(
          context -> {
            GenericApplicationContext beans = (GenericApplicationContext) context;
            beans.registerBean(CountedDataSource.class, () -> new CountedDataSource(statements));
            beans.registerBean(
                "testClock", Clock.class, () -> new AheadClock(), bean -> bean.setPrimary(true));
            // Tests sign in hundreds of times: how costly a guess is, SignInTest looks at alone.
            beans.registerBean(
                "testEncoder",
                PasswordEncoder.class,
                () -> new BCryptPasswordEncoder(CHEAP),
                bean -> bean.setPrimary(true));
          });
      String[] arguments = {
        "--server.port=" + port,
        "--tekmerion.demo=" + demo,
        "--tekmerion.demo-password=" + PASSWORD,
        "--tekmerion.files=" + folder.resolve("files"),
        "--tekmerion.seal-key=" + Base64.getEncoder().encodeToString(new byte[32]),
        "--spring.datasource.url=" + database.url(),
        "--spring.datasource.password=" + database.password("tekmerion_app"),
        "--spring.flyway.url=" + database.url(),
        "--spring.flyway.password=" + database.password("tekmerion_owner")
      };
      PrintStream console = System.out;
      ByteArrayOutputStream said = new ByteArrayOutputStream();
      System.setOut(new PrintStream(said, true, StandardCharsets.UTF_8));
      try {
        application = program.run(arguments);
      } catch (RuntimeException e) {
        database.close();
        throw e;
      } finally {
        System.setOut(console);
        firstWords = said.toString(StandardCharsets.UTF_8);
      }
    }

    /** How many statements requests sent to the database while something was done. */
    public int statementsOf(Runnable what) {
      int before = statements.get();
      what.run();
      return statements.get() - before;
    }

    /** A part of the running server. */
    <T> T bean(Class<T> type) {
      return application.getBean(type);
    }

    /** The same by its name, where a test has put another before it. */
    <T> T bean(String name, Class<T> type) {
      return application.getBean(name, type);
    }

    /** The server's folder for files. */
    Path files() {
      return folder.resolve("files");
    }

    public URI address() {
      return address;
    }

    public String password() {
      return PASSWORD;
    }

    /** Nobody signed in yet. */
    public ShopClient stranger() {
      return new ShopClient(address);
    }

    public ShopClient signedIn() {
      return signedIn("ines");
    }

    /** Ines and Bo are technicians, Mara leads, João is at the counter. */
    public ShopClient signedIn(String name) {
      ShopClient client = stranger();
      ShopClient.Answer answer = client.signIn(name, PASSWORD);
      if (answer.status() != 200) {
        throw new IllegalStateException("cannot sign in: " + answer.body());
      }
      return client;
    }

    /** Whoever the first start of an empty shop made; its password is in a file, and in no log. */
    ShopClient firstLead() {
      String password;
      try {
        password =
            Files.readString(folder.resolve("files/first-sign-in.txt"))
                .replaceAll("(?s).*with the password (\\S+)\\..*", "$1");
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
      if (firstWords.contains(password)) {
        throw new IllegalStateException("the password is in the log");
      }
      ShopClient client = stranger();
      if (client.signIn("lead", password).status() != 200) {
        throw new IllegalStateException("the password of the first start does not work");
      }
      return client;
    }

    void killDatabase() {
      database.kill();
    }

    void startDatabaseAgain() {
      database = MariaDb.startForTests(folder.resolve("db"), database.port());
    }

    /** Only on a shop of its own: other tests would wonder. */
    void letPass(Duration time) {
      ahead = ahead.plus(time);
    }

    /** Straight into the database, as one of its two users. */
    public Connection database(String user) throws SQLException {
      return DriverManager.getConnection(database.url(), user, database.password(user));
    }

    /** A statement as the owner, for what a test must set up behind the server's back. */
    public void asOwner(String sql) throws SQLException {
      try (Connection connection = database("tekmerion_owner");
          var statement = connection.createStatement()) {
        statement.execute(sql);
      }
    }

    /** The first column of the first row, as the owner. */
    public long count(String sql) throws SQLException {
      try (Connection connection = database("tekmerion_owner");
          var statement = connection.createStatement();
          var result = statement.executeQuery(sql)) {
        result.next();
        return result.getLong(1);
      }
    }

    @Override
    public void close() throws IOException {
      application.close();
      database.close();
      try (Stream<Path> files = Files.walk(folder)) {
        for (Path file : files.sorted(Comparator.reverseOrder()).toList()) {
          Files.delete(file);
        }
      }
    }
  }

  @Override
  public boolean supportsParameter(ParameterContext parameter, ExtensionContext context) {
    return parameter.getParameter().getType() == Shop.class;
  }

  @Override
  public Object resolveParameter(ParameterContext parameter, ExtensionContext context) {
    return context
        .getRoot()
        .getStore(ExtensionContext.Namespace.GLOBAL)
        .getOrComputeIfAbsent(Shop.class, type -> new Shop(), Shop.class);
  }
}

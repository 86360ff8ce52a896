package tekmerion.server.schema;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Proxy;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;
import javax.sql.DataSource;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.FlywayException;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mariadb.jdbc.MariaDbDataSource;
import tekmerion.launch.MariaDb;

/** A change of the database that is cut off or fails leaves it as it was, and is done anew. */
class SchemaChangeTest {
  @TempDir private static Path place;
  private static final List<Connection> CONNECTIONS_OF_THE_KILLED = new ArrayList<>();
  private static MariaDb database;
  @TempDir private Path folder;

  /** What a process that was killed does from that moment on: nothing. */
  private static final class Killed extends RuntimeException {
    private static final long serialVersionUID = 1L;
  }

  @BeforeAll
  static void start() {
    database = MariaDb.start(place.resolve("db"));
  }

  @AfterAll
  static void stop() {
    database.close();
  }

  @BeforeEach
  void empty() throws SQLException {
    execute("DROP DATABASE tekmerion", "CREATE DATABASE tekmerion");
  }

  private static Connection owner() throws SQLException {
    return DriverManager.getConnection(
        database.url(), "tekmerion_owner", database.password("tekmerion_owner"));
  }

  private static void execute(String... statements) throws SQLException {
    try (Connection owner = owner();
        Statement statement = owner.createStatement()) {
      for (String sql : statements) {
        statement.execute(sql);
      }
    }
  }

  private static DataSource all() {
    try {
      MariaDbDataSource source = new MariaDbDataSource(database.url());
      source.setUser("tekmerion_owner");
      source.setPassword(database.password("tekmerion_owner"));
      return source;
    } catch (SQLException e) {
      throw new IllegalStateException(e);
    }
  }

  /** Lets so many statements through, then nothing any more. */
  private static DataSource killedAfter(int statements) {
    AtomicInteger left = new AtomicInteger(statements);
    return wrapped(DataSource.class, all(), left);
  }

  /** Does a whole one. */
  private int statementsOfAChange(String... alsoFrom) {
    AtomicInteger left = new AtomicInteger(Integer.MAX_VALUE);
    change().migrate(flyway(wrapped(DataSource.class, all(), left), alsoFrom));
    return Integer.MAX_VALUE - left.get();
  }

  /**
   * What a later version might change: columns, rows, keys, a table, rights, in many statements.
   */
  private String later() {
    try {
      Path later = Files.createDirectories(folder.resolve("later"));
      StringBuilder many = new StringBuilder();
      for (int i = 0; i < 20; i++) {
        many.append("ALTER TABLE customer ADD COLUMN more_%d VARCHAR(20);%n".formatted(i));
        many.append("UPDATE customer SET more_%d = LEFT(display_name, 20);%n".formatted(i));
      }
      Files.writeString(
          later.resolve("V9000__later.sql"),
          many
              + "CREATE TABLE stand (id BIGINT PRIMARY KEY, machine_id BIGINT NOT NULL,"
              + " CONSTRAINT stand_machine FOREIGN KEY (machine_id) REFERENCES machine (id));\n"
              + "INSERT INTO stand SELECT id, id FROM machine;\n"
              + "GRANT SELECT ON stand TO ${appUser};\n"
              + "ALTER TABLE customer DROP COLUMN phone;\n");
      return "filesystem:" + later;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** The connections of a process that is gone are closed for it. */
  private void changeThatIsKilledAfter(int statements, String... alsoFrom) throws SQLException {
    assertThatThrownBy(() -> change().migrate(flyway(killedAfter(statements), alsoFrom)))
        .as("killed after %d statements", statements)
        .hasStackTraceContaining("Killed");
    for (Connection connection : CONNECTIONS_OF_THE_KILLED) {
      connection.close();
    }
    CONNECTIONS_OF_THE_KILLED.clear();
  }

  private static <T> T wrapped(Class<T> type, Object inner, AtomicInteger left) {
    return type.cast(
        Proxy.newProxyInstance(
            type.getClassLoader(),
            new Class<?>[] {type},
            (proxy, method, arguments) -> {
              if (method.getName().startsWith("execute") && left.getAndDecrement() <= 0) {
                throw new Killed();
              }
              try {
                Object result = method.invoke(inner, arguments);
                if (result instanceof Connection connection) {
                  CONNECTIONS_OF_THE_KILLED.add(connection);
                }
                boolean leads =
                    result instanceof Connection
                        || result instanceof Statement && !(inner instanceof ResultSet);
                return leads ? wrapped(method.getReturnType(), result, left) : result;
              } catch (InvocationTargetException e) {
                throw e.getCause();
              }
            }));
  }

  private static Flyway flyway(DataSource source, String... alsoFrom) {
    List<String> places = new ArrayList<>(List.of("classpath:db/migration"));
    places.addAll(List.of(alsoFrom));
    return Flyway.configure()
        .dataSource(source)
        .placeholders(Map.of("appUser", "'tekmerion_app'@'%'"))
        .locations(places.toArray(String[]::new))
        .baselineOnMigrate(true)
        .baselineVersion("0")
        .load();
  }

  private SchemaChange change() {
    return new SchemaChange(new CopiesOfBefore(folder), Clock.systemUTC());
  }

  /** Tables, columns, keys, rows and procedures in one text. */
  private static String everything() throws SQLException {
    StringBuilder all = new StringBuilder();
    try (Connection owner = owner();
        Statement statement = owner.createStatement()) {
      List<String> tables = new ArrayList<>();
      try (ResultSet rows = statement.executeQuery("SHOW TABLES")) {
        while (rows.next()) {
          tables.add(rows.getString(1));
        }
      }
      for (String table : tables) {
        if (!table.equals("flyway_schema_history")) { // holds the times of its own runs
          append(all, statement, "SHOW CREATE TABLE " + table, 2);
          append(all, statement, "CHECKSUM TABLE " + table, 2);
        }
      }
      append(all, statement, "SELECT version FROM flyway_schema_history ORDER BY version", 1);
      append(all, statement, "SHOW CREATE PROCEDURE erase_customer", 3);
    }
    return all.toString();
  }

  private static void append(StringBuilder to, Statement statement, String sql, int column)
      throws SQLException {
    try (ResultSet rows = statement.executeQuery(sql)) {
      while (rows.next()) {
        to.append(rows.getString(column)).append('\n');
      }
    }
  }

  /**
   * Of what characters and numbers are: quotes, ends of statements, other scripts, bytes, nothing.
   */
  private static void fill() throws SQLException {
    execute(
        "INSERT INTO customer (id, display_name) VALUES (1, 'O\\'Neill; \\\\ \\n DELIMITER $$'),"
            + " (2, '港 Ünal 🛠'), (3, '')",
        "INSERT INTO machine (id, maker, model, serial) VALUES (1, 'Tarnwick', 'Mini', NULL)",
        "INSERT INTO raw_page (sha256, bytes) VALUES (UNHEX(SHA2('x', 256)), X'00270A3B5C0024240A')");
  }

  @Test
  void theFirstStartMayBeKilledAtAnyMoment() throws SQLException {
    int all = statementsOfAChange();
    String whole = everything();

    for (double share : List.of(0.01, 0.5, 0.9)) {
      int statements = (int) (share * all);
      empty();
      changeThatIsKilledAfter(statements);

      change().migrate(flyway(all()));

      assertThat(everything()).as("killed after %d statements", statements).isEqualTo(whole);
    }
  }

  @Test
  void aLaterChangeMayBeKilledAtAnyMomentAndKeepsEveryRow() throws SQLException {
    flyway(all()).migrate();
    fill();
    String later = later();
    int all = statementsOfAChange(later);
    String whole = everything();

    for (double share : List.of(0.85, 0.97)) {
      int statements = (int) (share * all);
      empty();
      flyway(all()).migrate();
      fill();
      changeThatIsKilledAfter(statements, later);

      change().migrate(flyway(all(), later));

      assertThat(everything()).as("killed after %d statements", statements).isEqualTo(whole);
    }
  }

  @Test
  void aChangeThatFailsIsUndoneAtOnce() throws Exception {
    change().migrate(flyway(all()));
    fill();
    String before = everything();
    Path broken = Files.createDirectories(folder.resolve("broken"));
    Files.writeString(
        broken.resolve("V9001__broken.sql"),
        "CREATE TABLE half (id INT);\nUPDATE customer SET display_name = 'lost';\n"
            + "ALTER TABLE customer DROP COLUMN phone;\nALTER TABLE nowhere ADD COLUMN x INT;\n");

    assertThatThrownBy(() -> change().migrate(flyway(all(), "filesystem:" + broken)))
        .isInstanceOf(FlywayException.class);

    assertThat(everything()).isEqualTo(before);
    change().migrate(flyway(all())); // the version of before goes on working
    assertThat(everything()).isEqualTo(before);
  }

  @Test
  void aCopyThatIsGoneIsNamedAndNothingIsTouched() throws Exception {
    flyway(all()).migrate();
    fill();
    String later = later();
    int all = statementsOfAChange(later);
    empty();
    flyway(all()).migrate();
    fill();
    changeThatIsKilledAfter((int) (0.9 * all), later);
    String half = everything();
    try (Stream<Path> copies = Files.list(folder.resolve("before-changes"))) {
      for (Path copy : copies.toList()) {
        Files.delete(copy);
      }
    }

    assertThatThrownBy(() -> change().migrate(flyway(all(), later)))
        .isInstanceOf(SchemaChangeException.class)
        .hasMessageContaining("before-changes")
        .hasMessageContaining("Nothing was done");

    assertThat(everything()).isEqualTo(half);
  }
}

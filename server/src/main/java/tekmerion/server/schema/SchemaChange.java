package tekmerion.server.schema;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Optional;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.FlywayException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.flyway.autoconfigure.FlywayMigrationStrategy;
import org.springframework.stereotype.Component;
import tekmerion.link.files.NoRoomException;
import tekmerion.link.files.WholeFile;

/**
 * Runs the migrations so that they can be cut off at any moment. Before the first of them
 * everything is copied to a file, and the file's name is written into the database; after the last
 * the name is taken out. A start that finds a name puts the database back to what the file holds
 * and begins anew.
 */
@Component
final class SchemaChange implements FlywayMigrationStrategy {
  private static final Logger LOG = LoggerFactory.getLogger(SchemaChange.class);
  private static final DateTimeFormatter TIME =
      DateTimeFormatter.ofPattern("uuuu-MM-dd'T'HH-mm-ss-SSS").withZone(ZoneOffset.UTC);

  private static final int LOCK_SECONDS = 60;

  private final CopiesOfBefore copies;
  private final Path folder;
  private final Clock clock;

  SchemaChange(CopiesOfBefore copies, Clock clock) {
    this.copies = copies;
    this.folder = copies.folder();
    this.clock = clock;
  }

  @Override
  public void migrate(Flyway flyway) {
    try (Connection connection = flyway.getConfiguration().getDataSource().getConnection()) {
      oneServerAtATime(connection);
      Optional<String> cutOff = Mark.read(connection);
      if (cutOff.isPresent()) {
        LOG.warn("A change of the database was cut off; it is put back to what it was before.");
        putBack(connection, cutOff.get());
      }
      if (flyway.info().pending().length == 0) {
        flyway.migrate(); // checks what is there
        return;
      }
      LOG.info("Changing the database: this may take minutes, let it run.");
      String copy = copy(connection);
      Mark.write(connection, copy);
      try {
        flyway.migrate();
      } catch (FlywayException e) {
        LOG.error("The database could not be changed; it is put back to what it was before.");
        putBack(connection, copy);
        throw e;
      }
      Mark.remove(connection);
      LOG.info("The database is changed; its copy of before is {}", folder.resolve(copy));
      copies.deleteOld();
    } catch (SQLException | IOException e) {
      throw new SchemaChangeException(
          "The database could not be changed, or put back to what it was: " + e.getMessage(), e);
    }
  }

  /** Else the second would take what the first does for cut off. Ends with the connection. */
  private static void oneServerAtATime(Connection connection) throws SQLException {
    try (Statement statement = connection.createStatement();
        ResultSet lock =
            statement.executeQuery(
                "SELECT GET_LOCK(CONCAT(DATABASE(), '.schema_change'), %d)"
                    .formatted(LOCK_SECONDS))) {
      if (!lock.next() || lock.getInt(1) != 1) {
        throw new SchemaChangeException(
            "Another server is changing this database. Start this one when that is done.", null);
      }
    }
  }

  private String copy(Connection connection) throws IOException, SQLException {
    Files.createDirectories(folder);
    WholeFile.deleteLeftParts(folder);
    String name = "before-%s.sql.gz".formatted(TIME.format(clock.instant()));
    try {
      new DatabaseCopy(connection, Mark.TABLE).write(folder.resolve(name));
      return name;
    } catch (NoRoomException e) {
      throw new SchemaChangeException(
          "There is no room for a copy of the database in %s, so it was not changed. Make room and start again."
              .formatted(folder),
          e);
    }
  }

  private void putBack(Connection connection, String copy) throws IOException, SQLException {
    Path file = folder.resolve(copy);
    if (!copy.matches("before-[0-9T-]+\\.sql\\.gz") || !Files.isRegularFile(file)) {
      throw new SchemaChangeException(
          "A change of the database was cut off, and its copy of before is not at %s. Nothing was done. Put the file back there and start again."
              .formatted(file),
          null);
    }
    // The mark goes last, so that putting back can be cut off, too.
    new DatabaseCopy(connection, Mark.TABLE).putBack(file);
    Mark.remove(connection);
  }

  /** The name of the copy, in a table of its own, while a change goes on. */
  private static final class Mark {
    static final String TABLE = "schema_change";

    static Optional<String> read(Connection connection) throws SQLException {
      try (Statement statement = connection.createStatement();
          ResultSet there =
              statement.executeQuery(
                  "SELECT 1 FROM information_schema.tables WHERE table_schema = DATABASE()"
                      + " AND table_name = '"
                      + TABLE
                      + "'")) {
        if (!there.next()) {
          return Optional.empty();
        }
      }
      try (Statement statement = connection.createStatement();
          ResultSet row = statement.executeQuery("SELECT copy FROM " + TABLE)) {
        // An empty table is a mark that was cut off itself: nothing was changed yet.
        return row.next() ? Optional.of(row.getString(1)) : Optional.empty();
      }
    }

    static void write(Connection connection, String copy) throws SQLException {
      try (Statement statement = connection.createStatement()) {
        statement.execute("DROP TABLE IF EXISTS " + TABLE);
        // One statement: the table and its row are there together or not at all.
        statement.execute("CREATE TABLE " + TABLE + " AS SELECT '" + copy + "' AS copy");
      }
    }

    static void remove(Connection connection) throws SQLException {
      try (Statement statement = connection.createStatement()) {
        statement.execute("DROP TABLE IF EXISTS " + TABLE);
      }
    }
  }
}

package tekmerion.probe.outbox;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.UUID;
import java.util.logging.Level;
import java.util.logging.Logger;

/**
 * A durable queue in one SQLite file. An event that {@link #append} returned for is on the disk:
 * SQLite runs with {@code synchronous=FULL}, which calls fsync before a commit returns.
 * Acknowledged events give up their body but keep their line, so that the file tells for ever what
 * was taken.
 *
 * <p>All methods may be called from any thread.
 */
public final class Outbox implements AutoCloseable {
  private static final Logger LOG = Logger.getLogger(Outbox.class.getName());
  private static final String OUTBOX_ID = "outboxId";
  private final Connection connection;

  /** An event that waits for the server. */
  public record Waiting(long number, String body) {}

  /**
   * What the file keeps of every event for ever.
   *
   * @param sha256 of the body, lower-case hex
   */
  public record Line(long number, UUID requestId, String sha256, boolean acknowledged) {}

  private Outbox(Connection connection) {
    this.connection = connection;
  }

  /**
   * @param folder made if missing; readable by its owner only, since the token is in it
   * @throws OutboxException if the folder or the file cannot be used
   */
  public static Outbox open(Path folder) {
    try {
      if (!Files.isDirectory(folder)) {
        Files.createDirectories(folder);
        Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwx------"));
      }
      Connection connection =
          DriverManager.getConnection("jdbc:sqlite:" + folder.resolve("outbox.sqlite"));
      try (Statement statement = connection.createStatement()) {
        statement.execute("PRAGMA journal_mode=WAL");
        statement.execute("PRAGMA synchronous=FULL");
        statement.execute(
            """
            CREATE TABLE IF NOT EXISTS event (
              number INTEGER PRIMARY KEY,
              request_id TEXT NOT NULL UNIQUE,
              sha256 TEXT NOT NULL,
              body TEXT)
            """);
        statement.execute(
            "CREATE TABLE IF NOT EXISTS identity (name TEXT PRIMARY KEY, value TEXT NOT NULL)");
      }
      Outbox outbox = new Outbox(connection);
      if (outbox.identity(OUTBOX_ID).isEmpty()) {
        outbox.keepIdentity(OUTBOX_ID, UUID.randomUUID().toString());
      }
      return outbox;
    } catch (IOException | SQLException e) {
      throw new OutboxException("cannot use the outbox in " + folder, e);
    }
  }

  /**
   * Keeps an event.
   *
   * @return its number, or empty if the request has led to an event already
   */
  public synchronized OptionalLong append(UUID requestId, String body) {
    return in(
        "keep an event",
        () -> {
          if (isAnswered(requestId)) {
            return OptionalLong.empty();
          }
          long number = lastNumber() + 1;
          try (PreparedStatement insert =
              connection.prepareStatement("INSERT INTO event VALUES (?, ?, ?, ?)")) {
            insert.setLong(1, number);
            insert.setString(2, requestId.toString());
            insert.setString(3, sha256(body));
            insert.setString(4, body);
            insert.executeUpdate();
          }
          return OptionalLong.of(number);
        });
  }

  public synchronized boolean isAnswered(UUID requestId) {
    return in(
        "look up a request",
        () -> {
          try (PreparedStatement select =
              connection.prepareStatement("SELECT 1 FROM event WHERE request_id = ?")) {
            select.setString(1, requestId.toString());
            return select.executeQuery().next();
          }
        });
  }

  /** Highest number ever given; 0 if there was none. */
  public synchronized long lastNumber() {
    return in(
        "read the last number",
        () -> {
          try (Statement select = connection.createStatement()) {
            ResultSet result = select.executeQuery("SELECT COALESCE(MAX(number), 0) FROM event");
            result.next();
            return result.getLong(1);
          }
        });
  }

  /** Events from this number on that are not acknowledged, in order. */
  public synchronized List<Waiting> waiting(long from, int most) {
    return in(
        "read what waits",
        () -> {
          try (PreparedStatement select =
              connection.prepareStatement(
                  "SELECT number, body FROM event WHERE number >= ? AND body IS NOT NULL"
                      + " ORDER BY number LIMIT ?")) {
            select.setLong(1, from);
            select.setInt(2, most);
            ResultSet result = select.executeQuery();
            List<Waiting> waiting = new ArrayList<>();
            while (result.next()) {
              waiting.add(new Waiting(result.getLong(1), result.getString(2)));
            }
            return waiting;
          }
        });
  }

  /** The server has committed everything up to and including this number. */
  public synchronized void acknowledge(long through) {
    in(
        "acknowledge",
        () -> {
          try (PreparedStatement update =
              connection.prepareStatement(
                  "UPDATE event SET body = NULL WHERE number <= ? AND body IS NOT NULL")) {
            update.setLong(1, through);
            return update.executeUpdate();
          }
        });
  }

  /** Everything that was ever taken, in order. */
  public synchronized List<Line> ledger() {
    return in(
        "read the ledger",
        () -> {
          try (Statement select = connection.createStatement()) {
            ResultSet result =
                select.executeQuery(
                    "SELECT number, request_id, sha256, body IS NULL FROM event ORDER BY number");
            List<Line> lines = new ArrayList<>();
            while (result.next()) {
              lines.add(
                  new Line(
                      result.getLong(1),
                      UUID.fromString(result.getString(2)),
                      result.getString(3),
                      result.getBoolean(4)));
            }
            return lines;
          }
        });
  }

  /** Names this outbox for ever, whatever probe it belongs to. */
  public UUID id() {
    return UUID.fromString(identity(OUTBOX_ID).orElseThrow());
  }

  public synchronized void forgetIdentity(String name) {
    in(
        "forget a part of the identity",
        () -> {
          try (PreparedStatement delete =
              connection.prepareStatement("DELETE FROM identity WHERE name = ?")) {
            delete.setString(1, name);
            return delete.executeUpdate();
          }
        });
  }

  public synchronized Optional<String> identity(String name) {
    return in(
        "read the identity",
        () -> {
          try (PreparedStatement select =
              connection.prepareStatement("SELECT value FROM identity WHERE name = ?")) {
            select.setString(1, name);
            ResultSet result = select.executeQuery();
            return result.next() ? Optional.of(result.getString(1)) : Optional.<String>empty();
          }
        });
  }

  public synchronized void keepIdentity(String name, String value) {
    in(
        "keep the identity",
        () -> {
          try (PreparedStatement upsert =
              connection.prepareStatement("INSERT OR REPLACE INTO identity VALUES (?, ?)")) {
            upsert.setString(1, name);
            upsert.setString(2, value);
            return upsert.executeUpdate();
          }
        });
  }

  @Override
  public synchronized void close() {
    try {
      connection.close();
    } catch (SQLException e) {
      LOG.log(Level.WARNING, "closing the outbox failed; what was kept is on the disk", e);
    }
  }

  @FunctionalInterface
  private interface Work<T> {
    T run() throws SQLException;
  }

  private static <T> T in(String what, Work<T> work) {
    try {
      return work.run();
    } catch (SQLException e) {
      throw new OutboxException("the outbox could not " + what, e);
    }
  }

  private static String sha256(String body) {
    try {
      byte[] digest =
          MessageDigest.getInstance("SHA-256").digest(body.getBytes(StandardCharsets.UTF_8));
      return HexFormat.of().formatHex(digest);
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every Java platform has SHA-256", e);
    }
  }
}

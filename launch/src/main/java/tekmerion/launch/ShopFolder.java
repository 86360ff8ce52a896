package tekmerion.launch;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Clock;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import tekmerion.launch.backup.BackupException;
import tekmerion.launch.backup.Database;
import tekmerion.launch.backup.Database.User;
import tekmerion.launch.backup.Programs;
import tekmerion.launch.backup.ShopArchive;
import tekmerion.link.files.WholeFile;

/** A shop's folder: backed up while it is in use or not, restored to an empty place, checked. */
final class ShopFolder {
  private static final String OWNER = "tekmerion_owner";
  private static final String APP = "tekmerion_app";
  private static final String SCHEMA = "tekmerion";

  private final Path data;

  ShopFolder(Path data) {
    this.data = data.toAbsolutePath();
  }

  /** The folder of a shop as {@code serve} has it; null for the one that it takes by itself. */
  static Path named(Path data) {
    return (data == null ? Home.find().root().resolve(".tekmerion/shop") : data).toAbsolutePath();
  }

  /**
   * What a backup holds, as it was found by restoring it.
   *
   * @param rows of all tables together
   */
  record Found(ShopArchive.Content content, long tables, long rows) {
    String words() {
      return "%s: %,d tables with %,d rows, %,d files"
          .formatted(content.at(), tables, rows, content.files());
    }
  }

  /**
   * Writes it whole or not at all.
   *
   * @param environment of the server, which may name a database that is given
   */
  ShopArchive.Content backUp(Path file, char[] passphrase, Map<String, String> environment) {
    if (!Files.isDirectory(data)) {
      throw new LaunchException("There is no shop in " + data + ".");
    }
    String given = environment.get("TEKMERION_DB_URL");
    if (given != null) {
      return write(file, passphrase, given(given, environment));
    }
    Path own = data.resolve("db");
    if (!Files.isDirectory(own.resolve("data"))) {
      throw new LaunchException(
          "There is no database in %s. Name the one that the server uses by TEKMERION_DB_URL."
              .formatted(own));
    }
    Secrets secrets = Secrets.in(own);
    Database running =
        new Database(
            List.of("--socket=m.sock"),
            own.resolve("data"),
            SCHEMA,
            new User(OWNER, secrets.get(OWNER, 24)),
            new User(APP, secrets.get(APP, 24)));
    if (new Programs(running).answers()) {
      return write(file, passphrase, running);
    }
    if (runs(own.resolve("data/m.pid"))) {
      throw new LaunchException(
          "The shop's MariaDB runs but does not answer. Nothing was written; its log is in %s."
              .formatted(own));
    }
    try (MariaDb started = MariaDb.start(own)) {
      return write(file, passphrase, database(started));
    }
  }

  private static boolean runs(Path pidFile) {
    try {
      // After a power cut another program may have its number.
      return ProcessHandle.of(Long.parseLong(Files.readString(pidFile).strip()))
          .flatMap(process -> process.info().command())
          .filter(program -> program.endsWith("/mariadbd"))
          .isPresent();
    } catch (IOException | NumberFormatException e) {
      return false; // it takes the file away when it ends
    }
  }

  private ShopArchive.Content write(Path file, char[] passphrase, Database database) {
    ShopArchive.Content[] written = new ShopArchive.Content[1];
    try {
      Files.createDirectories(file.toAbsolutePath().getParent());
      WholeFile.write(
          file.toAbsolutePath(),
          out ->
              written[0] =
                  ShopArchive.write(data, database, Clock.systemUTC().instant(), out, passphrase));
      return written[0];
    } catch (BackupException e) {
      throw new LaunchException(e.getMessage() + " Nothing was written.", e);
    } catch (IOException e) {
      throw new LaunchException(
          "The backup could not be written to %s: %s. Nothing of it was left there."
              .formatted(file, e.getMessage()),
          e);
    }
  }

  private static Database given(String url, Map<String, String> environment) {
    URI uri = URI.create(url.replaceFirst("^jdbc:", ""));
    return Database.at(
        uri.getHost(),
        uri.getPort() < 0 ? 3306 : uri.getPort(),
        Path.of("").toAbsolutePath(),
        uri.getPath().replaceFirst("^/", ""),
        user(environment, "TEKMERION_DB_OWNER"),
        user(environment, "TEKMERION_DB_USER"));
  }

  private static User user(Map<String, String> environment, String name) {
    String password = name.replaceFirst("USER$", "PASSWORD");
    password = password.equals(name) ? name + "_PASSWORD" : password;
    if (!environment.containsKey(name) || !environment.containsKey(password)) {
      throw new LaunchException("With TEKMERION_DB_URL goes %s and %s.".formatted(name, password));
    }
    return new User(environment.get(name), environment.get(password));
  }

  private static Database database(MariaDb database) {
    return Database.onPort(
        database.port(),
        Path.of("").toAbsolutePath(),
        SCHEMA,
        new User(OWNER, database.password(OWNER)),
        new User(APP, database.password(APP)));
  }

  /** To this folder, which must be empty; it is there only when all of it is. */
  Found restore(Path archive, char[] passphrase) {
    try {
      if (Files.exists(data)) {
        try (Stream<Path> inIt = Files.list(data)) {
          if (inIt.findAny().isPresent()) {
            throw new LaunchException(
                "There is something in %s already, and nothing is written over. Name an empty folder by --data."
                    .formatted(data));
          }
        }
      }
      Path part = data.resolveSibling(data.getFileName() + ".restoring");
      WholeFile.deleteFolder(part); // of one that was cut off
      Files.createDirectories(part);
      try {
        Found found = restoreTo(part, archive, passphrase, true);
        Files.deleteIfExists(data);
        Files.move(part, data, StandardCopyOption.ATOMIC_MOVE);
        return found;
      } finally {
        WholeFile.deleteFolder(part);
      }
    } catch (BackupException e) {
      throw new LaunchException(
          "%s Nothing was restored, and the backup is as it was.".formatted(e.getMessage()), e);
    } catch (IOException e) {
      throw new LaunchException(
          "The backup could not be restored to %s: %s. Nothing of it was left there."
              .formatted(data, e.getMessage()),
          e);
    }
  }

  /** Restores it to a place that is deleted again, and compares. */
  static Found check(Path archive, char[] passphrase) {
    try {
      Path place = Files.createTempDirectory("tekmerion-check-");
      try {
        return restoreTo(place, archive, passphrase, false);
      } finally {
        WholeFile.deleteFolder(place);
      }
    } catch (BackupException e) {
      throw new LaunchException(e.getMessage(), e);
    } catch (IOException e) {
      throw new LaunchException("The backup could not be checked: " + e.getMessage(), e);
    }
  }

  /**
   * @param withFiles false if only the database is to be there
   */
  private static Found restoreTo(Path place, Path archive, char[] passphrase, boolean withFiles)
      throws IOException {
    try (MariaDb scratch = MariaDb.start(place.resolve("db"));
        InputStream in = Files.newInputStream(archive)) {
      Database database = database(scratch);
      Programs programs = new Programs(database);
      ShopArchive.Content content =
          ShopArchive.read(
              in,
              passphrase,
              new ShopArchive.Reader() {
                @Override
                public void database(InputStream statements) {
                  programs.load(statements);
                }

                @Override
                public void rights(String statements) {
                  programs.load(
                      new ByteArrayInputStream(statements.getBytes(StandardCharsets.UTF_8)));
                }

                @Override
                public void file(String name, InputStream bytes) throws IOException {
                  if (withFiles) {
                    Path file = place.resolve(name);
                    Files.createDirectories(file.getParent());
                    WholeFile.write(file, bytes::transferTo);
                  }
                }
              });
      String again = sum(programs);
      if (!again.equals(content.database())) {
        throw BackupException.restoredOtherwise(again, content.database());
      }
      return new Found(
          content,
          scratch.count(
              "SELECT COUNT(*) FROM information_schema.tables WHERE table_schema = 'tekmerion'"),
          rows(scratch));
    }
  }

  private static String sum(Programs programs) {
    try {
      MessageDigest sum = MessageDigest.getInstance("SHA-256");
      programs.dump(new DigestOutputStream(OutputStream.nullOutputStream(), sum));
      return HexFormat.of().formatHex(sum.digest());
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every Java has SHA-256", e);
    }
  }

  private static long rows(MariaDb database) {
    return database
        .texts("SELECT table_name FROM information_schema.tables WHERE table_schema = 'tekmerion'")
        .stream()
        .mapToLong(table -> database.count("SELECT COUNT(*) FROM `%s`".formatted(table)))
        .sum();
  }
}

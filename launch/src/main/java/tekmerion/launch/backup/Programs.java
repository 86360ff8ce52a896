package tekmerion.launch.backup;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import tekmerion.link.files.WholeFile;

/** MariaDB's own programs: they know best how a database is written down and read. */
public final class Programs {
  private final Database database;

  public Programs(Database database) {
    this.database = database;
  }

  /** Whether it answers. */
  public boolean answers() {
    try {
      return run("mariadb", database.owner(), List.of("--execute=SELECT 1"), in -> {}, out -> {})
          .isEmpty();
    } catch (IOException e) {
      throw notRun("mariadb", e);
    }
  }

  /**
   * All of it as it was at one moment, while others work in it; the same data gives the same bytes.
   */
  public void dump(OutputStream to) {
    must(
        "mariadb-dump",
        database.owner(),
        List.of(
            "--single-transaction",
            "--quick",
            "--routines",
            "--triggers",
            "--hex-blob",
            "--order-by-primary",
            "--no-tablespaces",
            "--skip-comments",
            "--skip-dump-date",
            "--default-character-set=utf8mb4",
            database.schema()),
        in -> {},
        out -> out.transferTo(to));
  }

  /** What the server's user may do, a statement a line. */
  String rights() {
    StringBuilder rights = new StringBuilder();
    must(
        "mariadb",
        database.app(),
        List.of("--batch", "--raw", "--skip-column-names", "--execute=SHOW GRANTS"),
        in -> {},
        out ->
            new String(out.readAllBytes(), StandardCharsets.UTF_8)
                .lines()
                // The first line is its password; that of another installation is another.
                .filter(line -> !line.startsWith("GRANT USAGE ON *.*"))
                .forEach(line -> rights.append(line).append(";\n")));
    return rights.toString();
  }

  /** Runs statements as the owner of the database, who may do nothing outside it. */
  public void load(InputStream statements) {
    must(
        "mariadb",
        database.owner(),
        // Sandboxed: a statement, but no command of the client's own, such as one for a shell.
        List.of("--sandbox", "--comments", "--default-character-set=utf8mb4", database.schema()),
        statements::transferTo,
        out -> {});
  }

  private interface Pipe<T> {
    void through(T stream) throws IOException;
  }

  private void must(
      String program,
      Database.User user,
      List<String> options,
      Pipe<OutputStream> in,
      Pipe<InputStream> out) {
    try {
      String wrong = run(program, user, options, in, out);
      if (!wrong.isEmpty()) {
        throw new BackupException("%s ended with an error: %s".formatted(program, wrong));
      }
    } catch (IOException e) {
      throw notRun(program, e);
    }
  }

  private static BackupException notRun(String program, IOException e) {
    return new BackupException(
        "%s could not be run to its end: %s. It is in Debian's packages mariadb-client and mariadb-client-core."
            .formatted(program, e.getMessage()),
        e);
  }

  /** What it held against it; empty if it did all. */
  private String run(
      String program,
      Database.User user,
      List<String> options,
      Pipe<OutputStream> in,
      Pipe<InputStream> out)
      throws IOException {
    Path own = Files.createTempDirectory("tekmerion-");
    try {
      Path said = own.resolve("said");
      Path client = own.resolve("client.cnf");
      // In a file that only its owner can read: a command line can be read by everybody.
      WholeFile.write(
          client,
          "[client]%nuser=\"%s\"%npassword=\"%s\"%n"
              .formatted(quoted(user.name()), quoted(user.password())));
      List<String> command = new ArrayList<>(List.of(program, "--defaults-file=" + client));
      command.addAll(database.where());
      command.addAll(options);
      Process process =
          new ProcessBuilder(command)
              .directory(database.in().toFile())
              .redirectError(said.toFile())
              .start();
      try {
        IOException broken = null;
        try (OutputStream input = process.getOutputStream()) {
          in.through(input);
        } catch (IOException e) {
          broken = e; // it ended before it had read all: it says why
        }
        out.through(process.getInputStream());
        int code = process.waitFor();
        String words = Files.readString(said).strip();
        if (code == 0 && broken != null) {
          throw broken;
        }
        return code == 0 ? "" : words.isEmpty() ? "exit code " + code : words;
      } finally {
        process.destroyForcibly(); // of no use to anybody once this is over
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IOException("it was interrupted", e);
    } finally {
      WholeFile.deleteFolder(own);
    }
  }

  private static String quoted(String value) {
    return value.replace("\\", "\\\\").replace("\"", "\\\"");
  }
}

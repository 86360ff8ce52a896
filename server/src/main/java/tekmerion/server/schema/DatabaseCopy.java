package tekmerion.server.schema;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.ResultSetMetaData;
import java.sql.SQLException;
import java.sql.Statement;
import java.sql.Types;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import tekmerion.link.files.WholeFile;

/**
 * A whole database as SQL in a file: its tables, their rows and its procedures. Any client of
 * MariaDB can run the file, too.
 */
final class DatabaseCopy {
  private static final HexFormat HEX = HexFormat.of();

  /** Rows are sent together up to this length [characters]. */
  private static final int STATEMENT_LENGTH = 1 << 19;

  /** Rows that the driver fetches at once. */
  private static final int FETCHED = 1000;

  private static final String OTHER_DELIMITER = "$$";

  /** As {@link #write} begins one. */
  private static final Pattern PROCEDURE =
      Pattern.compile("^CREATE OR REPLACE (?:DEFINER=\\S+ )?PROCEDURE `([^`]+)`");

  private final Connection connection;
  private final String but;
  private final Set<String> made = new HashSet<>();

  /**
   * @param but a table that is neither copied nor put back
   */
  DatabaseCopy(Connection connection, String but) {
    this.connection = connection;
    this.but = but;
  }

  /** Writes what is there at one moment. */
  void write(Path file) throws IOException, SQLException {
    boolean auto = connection.getAutoCommit();
    connection.setAutoCommit(false);
    try {
      execute("SET time_zone = '+00:00'");
      execute("SET SESSION TRANSACTION ISOLATION LEVEL REPEATABLE READ");
      execute("START TRANSACTION WITH CONSISTENT SNAPSHOT");
      WholeFile.write(
          file,
          out -> {
            GZIPOutputStream zipped = new GZIPOutputStream(out, 1 << 16);
            Writer sql = new OutputStreamWriter(zipped, StandardCharsets.UTF_8);
            try {
              writeTo(sql);
            } catch (SQLException e) {
              throw new IOException("The database cannot be read: " + e.getMessage(), e);
            }
            sql.flush();
            zipped.finish();
          });
    } finally {
      connection.rollback();
      connection.setAutoCommit(auto);
    }
  }

  private void writeTo(Writer sql) throws IOException, SQLException {
    sql.write(
        "SET NAMES utf8mb4;\nSET foreign_key_checks = 0;\nSET time_zone = '+00:00';\n"
            + "SET sql_mode = CONCAT(@@sql_mode, ',NO_AUTO_VALUE_ON_ZERO');\n");
    for (String table : tables()) {
      String create = one("SHOW CREATE TABLE " + quoted(table), 2);
      // In one line: the reader below, as the clients do, looks for the delimiter at a line's end.
      sql.write(create.replace("\n", " ") + ";\n");
      rows(sql, table);
    }
    for (String procedure : procedures()) {
      String create = one("SHOW CREATE PROCEDURE " + quoted(procedure), 3);
      sql.write("DELIMITER %s\n".formatted(OTHER_DELIMITER));
      sql.write(create.replaceFirst("^CREATE ", "CREATE OR REPLACE ") + OTHER_DELIMITER + "\n");
      sql.write("DELIMITER ;\n");
    }
  }

  private void rows(Writer sql, String table) throws IOException, SQLException {
    try (Statement statement = connection.createStatement()) {
      statement.setFetchSize(FETCHED);
      try (ResultSet rows = statement.executeQuery("SELECT * FROM " + quoted(table))) {
        ResultSetMetaData columns = rows.getMetaData();
        StringBuilder insert = new StringBuilder();
        while (rows.next()) {
          insert.append(insert.isEmpty() ? "INSERT INTO " + quoted(table) + " VALUES (" : ",(");
          for (int i = 1; i <= columns.getColumnCount(); i++) {
            insert.append(i == 1 ? "" : ",").append(literal(rows, i, columns.getColumnType(i)));
          }
          insert.append(')');
          if (insert.length() > STATEMENT_LENGTH) {
            sql.append(insert).append(";\n");
            insert.setLength(0);
          }
        }
        if (!insert.isEmpty()) {
          sql.append(insert).append(";\n");
        }
      }
    }
  }

  /** Numbers as they are; all else by its bytes, so that nothing in it can end the text. */
  private static String literal(ResultSet rows, int i, int type) throws SQLException {
    return switch (type) {
      case Types.BIT, Types.BOOLEAN, Types.TINYINT, Types.SMALLINT, Types.INTEGER, Types.BIGINT -> {
        long value = rows.getLong(i);
        yield rows.wasNull() ? "NULL" : Long.toString(value);
      }
      case Types.DECIMAL, Types.NUMERIC ->
          String.valueOf(rows.getBigDecimal(i)).replace("null", "NULL");
      case Types.REAL, Types.FLOAT, Types.DOUBLE -> {
        String value = rows.getString(i);
        yield value == null ? "NULL" : value;
      }
      case Types.BINARY, Types.VARBINARY, Types.LONGVARBINARY, Types.BLOB -> {
        byte[] bytes = rows.getBytes(i);
        yield bytes == null ? "NULL" : "X'" + HEX.formatHex(bytes) + "'";
      }
      default -> {
        String text = rows.getString(i);
        yield text == null
            ? "NULL"
            : text.chars().allMatch(DatabaseCopy::isPlain)
                ? "'" + text + "'"
                : "_utf8mb4 X'" + HEX.formatHex(text.getBytes(StandardCharsets.UTF_8)) + "'";
      }
    };
  }

  private static boolean isPlain(int c) {
    return c >= ' ' && c < 127 && c != '\'' && c != '\\' && c != ';';
  }

  /** Makes the database again what the file holds; tables that came later go. */
  void putBack(Path file) throws IOException, SQLException {
    execute("SET foreign_key_checks = 0");
    try {
      for (String table : tables()) {
        execute("DROP TABLE " + quoted(table));
      }
      try (BufferedReader sql =
          new BufferedReader(
              new InputStreamReader(
                  new GZIPInputStream(Files.newInputStream(file), 1 << 16),
                  StandardCharsets.UTF_8))) {
        run(sql);
      }
      // Those of the copy were replaced, not dropped: with them their rights would be gone.
      List<String> later = procedures();
      later.removeAll(made);
      for (String procedure : later) {
        execute("DROP PROCEDURE " + quoted(procedure));
      }
    } finally {
      execute("SET foreign_key_checks = 1");
    }
  }

  /** Notes the procedures that it makes in {@link #made}. */
  private void run(BufferedReader sql) throws IOException, SQLException {
    made.clear();
    String delimiter = ";";
    StringBuilder statement = new StringBuilder();
    for (String line = sql.readLine(); line != null; line = sql.readLine()) {
      if (statement.isEmpty() && line.startsWith("DELIMITER ")) {
        delimiter = line.substring("DELIMITER ".length());
      } else if (line.endsWith(delimiter)) {
        statement.append(line, 0, line.length() - delimiter.length());
        execute(statement.toString());
        Matcher procedure = PROCEDURE.matcher(statement);
        if (procedure.find()) {
          made.add(procedure.group(1));
        }
        statement.setLength(0);
      } else {
        statement.append(line).append('\n');
      }
    }
  }

  private void execute(String sql) throws SQLException {
    try (Statement statement = connection.createStatement()) {
      statement.execute(sql);
    }
  }

  private List<String> procedures() throws SQLException {
    return names(
        "SELECT routine_name FROM information_schema.routines WHERE routine_schema ="
            + " DATABASE() AND routine_type = 'PROCEDURE'");
  }

  private List<String> tables() throws SQLException {
    List<String> tables = names("SHOW FULL TABLES WHERE Table_type = 'BASE TABLE'");
    tables.remove(but);
    return tables;
  }

  private List<String> names(String sql) throws SQLException {
    List<String> names = new ArrayList<>();
    try (Statement statement = connection.createStatement();
        ResultSet rows = statement.executeQuery(sql)) {
      while (rows.next()) {
        names.add(rows.getString(1));
      }
    }
    return names;
  }

  private String one(String sql, int column) throws SQLException {
    try (Statement statement = connection.createStatement();
        ResultSet row = statement.executeQuery(sql)) {
      row.next();
      return row.getString(column);
    }
  }

  private static String quoted(String name) {
    return "`" + name.replace("`", "``") + "`";
  }
}

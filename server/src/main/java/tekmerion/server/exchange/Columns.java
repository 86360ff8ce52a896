package tekmerion.server.exchange;

import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** What columns tables have, so that a new one travels without anybody thinking of it. */
@Component
class Columns {
  private final JdbcClient jdbc;

  /** How a column's value is written. */
  enum Kind {
    /** Numbers the rows of its table. */
    ID,
    TIME,
    BYTES,
    BOOLEAN,
    WHOLE,
    DECIMAL,
    TEXT
  }

  Columns(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** In the order of the table; without generated ones. */
  Map<String, Kind> of(String table) {
    Map<String, Kind> columns = new LinkedHashMap<>();
    jdbc.sql(
            "SELECT column_name, data_type, column_type, extra FROM information_schema.columns"
                + " WHERE table_schema = DATABASE() AND table_name = ? ORDER BY ordinal_position")
        .param(table)
        .query(
            (rs, n) -> {
              if (!rs.getString(4).toUpperCase(Locale.ROOT).contains("GENERATED")) {
                boolean counted = rs.getString(4).contains("auto_increment");
                columns.put(
                    rs.getString(1), counted ? Kind.ID : kind(rs.getString(2), rs.getString(3)));
              }
              return 0;
            })
        .list();
    return columns;
  }

  private static Kind kind(String type, String whole) {
    return switch (type) {
      case "datetime" -> Kind.TIME;
      case "binary", "varbinary", "blob", "mediumblob" -> Kind.BYTES;
      case "tinyint" -> whole.equals("tinyint(1)") ? Kind.BOOLEAN : Kind.WHOLE;
      case "int", "bigint", "smallint" -> Kind.WHOLE;
      case "double", "decimal", "float" -> Kind.DECIMAL;
      default -> Kind.TEXT;
    };
  }
}

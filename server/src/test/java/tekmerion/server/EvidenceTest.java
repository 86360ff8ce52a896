package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is evidence is only ever added to: the database itself refuses the rest. */
@ExtendWith(RunningServer.class)
class EvidenceTest {
  @ParameterizedTest
  @ValueSource(
      strings = {
        "raw_page",
        "reading",
        "reading_page",
        "link_event",
        "job_finding",
        "data_status_entry",
        "decision",
        "journal_entry",
        "run_result",
        "job_move"
      })
  void theServersOwnUserCanNeitherChangeNorDeleteIt(String table, RunningServer.Shop shop)
      throws SQLException {
    try (Connection connection = shop.database("tekmerion_app");
        Statement statement = connection.createStatement()) {
      assertThat(statement.executeQuery("SELECT COUNT(*) FROM " + table).next()).isTrue();
      assertThatThrownBy(() -> statement.execute("DELETE FROM " + table))
          .hasMessageContaining("DELETE command denied");
      assertThatThrownBy(() -> statement.execute("TRUNCATE TABLE " + table))
          .hasMessageContaining("DROP command denied");
      assertThatThrownBy(
              () -> statement.execute("UPDATE %s SET %s = NULL".formatted(table, aColumnOf(table))))
          .hasMessageContaining("UPDATE command denied");
    }
  }

  private static String aColumnOf(String table) {
    return switch (table) {
      case "raw_page" -> "bytes";
      case "reading_page", "link_event" -> "kind";
      case "reading" -> "part_key";
      case "job_finding", "job_move" -> "words";
      case "data_status_entry" -> "data_status";
      case "decision" -> "reason";
      case "run_result" -> "why";
      default -> "title";
    };
  }

  @Test
  void theServersOwnUserCannotChangeTheSchema(RunningServer.Shop shop) throws SQLException {
    try (Connection connection = shop.database("tekmerion_app");
        Statement statement = connection.createStatement()) {
      assertThatThrownBy(() -> statement.execute("CREATE TABLE more (id INT)"))
          .hasMessageContaining("denied");
      assertThatThrownBy(() -> statement.execute("SELECT * FROM mysql.user"))
          .hasMessageContaining("denied");
    }
  }
}

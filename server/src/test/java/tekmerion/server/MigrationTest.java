package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.util.List;
import java.util.Map;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tekmerion.core.knowhow.Edit;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.launch.MariaDb;
import tekmerion.server.knowhow.KnowHowChange;
import tools.jackson.databind.json.JsonMapper;

/** What a shop kept under an older version is there under the newest. */
class MigrationTest {
  @TempDir Path folder;

  private static Flyway flyway(MariaDb database, String target) {
    return Flyway.configure()
        .dataSource(database.url(), "tekmerion_owner", database.password("tekmerion_owner"))
        .placeholders(Map.of("appUser", "'tekmerion_app'@'%'"))
        .target(target)
        .load();
  }

  /** Each becomes a version of its sign, and the server reads it as it reads its own. */
  @Test
  void likelihoodsThatWereTakenOverBecomeChangesOfTheKnowHow() throws Exception {
    try (MariaDb database = MariaDb.start(folder.resolve("db"))) {
      flyway(database, "13").migrate();
      try (Connection owner =
              DriverManager.getConnection(
                  database.url(), "tekmerion_owner", database.password("tekmerion_owner"));
          var statement = owner.createStatement()) {
        statement.execute(
            "INSERT INTO account (id, sign_in_name, display_name, role, password_hash, created_at)"
                + " VALUES (7, 'mara', 'Mara T.', 'LEAD', 'x', NOW(6))");
        for (String link : List.of("0.2 0.3 0.5", "0.1 0.1 0.8")) {
          statement.execute(
              ("INSERT INTO own_likelihood (sign_id, cause_id, link, jobs, reason, decided_by,"
                      + " decided_at) VALUES ('fan.state', 'fan-failed', '%s', 31, 'I \"looked\"',"
                      + " 7, '2026-11-20 09:00:00')")
                  .formatted(link));
        }

        flyway(database, "latest").migrate();

        try (var rows =
            statement.executeQuery(
                "SELECT version, body, reason FROM know_how_change WHERE subject = 'SIGN' AND"
                    + " entry = 'fan.state' ORDER BY version")) {
          for (List<Double> link : List.of(List.of(0.2, 0.3, 0.5), List.of(0.1, 0.1, 0.8))) {
            assertThat(rows.next()).isTrue();
            assertThat(rows.getString(3)).isEqualTo("31 jobs of this shop: I \"looked\"");
            KnowHowChange change =
                JsonMapper.builder().build().readValue(rows.getString(2), KnowHowChange.class);
            assertThat(change.likelihood().jobs()).isEqualTo(31);
            assertThat(change.edit())
                .isEqualTo(new Edit.Likelihood("fan.state", "fan-failed", link));
            KnowHow now = KnowHow.shipped().with(List.of(new Edit.Noted(change.edit(), "so")));
            assertThat(now.sign("fan.state").orElseThrow().links().get("fan-failed"))
                .isEqualTo(link);
          }
          assertThat(rows.next()).isFalse();
        }
      }
    }
  }
}

package tekmerion.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import tekmerion.launch.ShopClient;
import tools.jackson.databind.JsonNode;

/**
 * The demo shop with its two years: what the simulation lived, kept and understood by the server.
 */
@Tag("nightly")
class PastTest {
  private static Whole whole;

  @BeforeAll
  static void start() {
    whole = new Whole(true);
  }

  @AfterAll
  static void stop() {
    whole.close();
  }

  private static String text(String sql) throws SQLException {
    try (var connection = whole.connect();
        var statement = connection.createStatement();
        var result = statement.executeQuery(sql)) {
      assertThat(result.next()).isTrue();
      return result.getString(1);
    }
  }

  @Test
  void everyPastJobIsWholeAndEnded() throws SQLException {
    String past = "job WHERE ended_at IS NOT NULL";
    long jobs = whole.count("SELECT COUNT(*) FROM " + past);

    assertThat(jobs).isBetween(330L, 470L);
    assertThat(whole.count("SELECT COUNT(*) FROM job WHERE ended_at IS NULL")).isEqualTo(12);
    String ofThem = " WHERE job_id IN (SELECT id FROM " + past + ")";
    assertThat(whole.count("SELECT COUNT(DISTINCT job_id) FROM decision" + ofThem)).isEqualTo(jobs);
    assertThat(whole.count("SELECT COUNT(*) FROM stage_time" + ofThem)).isEqualTo(4 * jobs);
    assertThat(whole.count("SELECT COUNT(*) FROM " + past + " AND ended_at <= taken_in_at"))
        .isZero();
    assertThat(
            whole.count(
                "SELECT COUNT(*) FROM job WHERE NOT EXISTS"
                    + " (SELECT 1 FROM job_family f WHERE f.job_id = job.id)"))
        .isZero();
  }

  /**
   * What a drive said is read again by the decoders, and agrees with the weighing that was kept.
   */
  @Test
  void failingDrivesWereFoundFromTheirPages() throws SQLException {
    long replaced =
        whole.count(
            "SELECT COUNT(*) FROM decision r JOIN job j ON j.id = r.job_id"
                + " WHERE r.courses = 'RECOVER_DATA,REPLACE_PART' AND j.ended_at IS NOT NULL");
    long implicated =
        whole.count(
            "SELECT COUNT(*) FROM decision r JOIN job j ON j.id = r.job_id"
                + " WHERE r.courses = 'RECOVER_DATA,REPLACE_PART' AND j.ended_at IS NOT NULL"
                + " AND j.headline LIKE '%failing%'");

    assertThat(replaced).isGreaterThan(20);
    assertThat((double) implicated / replaced).isGreaterThan(0.9);
  }

  @Test
  void aReturningMachineIsKnownAtTheCounterWithItsVisits() throws SQLException {
    String serial =
        text(
            "SELECT m.serial FROM machine m JOIN job j ON j.machine_id = m.id WHERE m.kind = 'MACHINE'"
                + " GROUP BY m.id HAVING COUNT(*) > 2 ORDER BY m.id LIMIT 1");
    ShopClient joao = whole.signedIn("joao");

    JsonNode met = joao.get("/api/known?serial=" + serial).body().at("/machines/0");

    assertThat(met.get("certain").booleanValue()).isTrue();
    assertThat(met.get("visits").intValue()).isGreaterThan(2);
    assertThat(joao.get("/api/search?q=" + serial.substring(5)).body().get("hits").size())
        .isGreaterThan(2);
  }

  @Test
  void aDriveThatWentOnInAnotherMachineHasOneLife() throws SQLException {
    String part =
        text(
            "SELECT part_id FROM part_place GROUP BY part_id HAVING COUNT(DISTINCT machine_id) > 1"
                + " LIMIT 1");

    JsonNode life = whole.signedIn().get("/api/parts/" + part).body();

    assertThat(life.get("stays").size()).isGreaterThan(1);
    assertThat(life.get("stays").valueStream().filter(s -> s.get("until").isNull()))
        .as("in one place at a time, or replaced there too")
        .hasSizeLessThanOrEqualTo(1);
  }

  @Test
  void likelyEndsRestOnTheShopsOwnPast() {
    JsonNode jobs = whole.signedIn().get("/api/floor").body().get("jobs");

    assertThat(jobs.valueStream().map(job -> job.get("restsOn").intValue()))
        .allMatch(restsOn -> restsOn >= 20);
  }
}

package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.launch.ShopClient;
import tools.jackson.databind.JsonNode;

/** What ended jobs came to. */
@ExtendWith(RunningServer.class)
class RecordsTest {
  private static final String COMPLAINT = "It is slow";

  private static JsonNode between(ShopClient shop, String from, String to) {
    return shop.get("/api/records?from=%s&to=%s".formatted(from, to)).body();
  }

  private static JsonNode row(ShopClient shop, String number) {
    return between(shop, "2020-01-01", "2029-12-31")
        .get("jobs")
        .valueStream()
        .filter(job -> job.get("number").stringValue().equals(number))
        .findFirst()
        .orElseThrow();
  }

  private static String taken(RunningServer.Shop shop, String owner) {
    return Talk.begin(shop.signedIn("joao")).of(owner, "Ostrel", "14 laptop", COMPLAINT).takeIn();
  }

  private static String ended(RunningServer.Shop shop, String owner) {
    ShopClient ines = shop.signedIn();
    String number = taken(shop, owner);
    long version = JobVersion.of(ines, "/api/jobs/" + number);
    assertThat(
            ines.post(
                    "/api/jobs/%s/end".formatted(number),
                    Map.of("version", version, "how", "HANDED_BACK", "note", ""))
                .status())
        .isLessThan(300);
    return number;
  }

  /** Whether it held is known after 90 days, or when it is back with the same complaint. */
  @Test
  void aJobHeldUnlessItsMachineIsBackWithTheSameComplaint(RunningServer.Shop shop)
      throws SQLException {
    ShopClient ines = shop.signedIn();
    String number = ended(shop, "Records Haas");
    String ended =
        "UPDATE job SET ended_at = UTC_TIMESTAMP() - INTERVAL %d DAY WHERE number = '%s'";
    assertThat(row(ines, number).get("held").isNull()).isTrue();
    assertThat(row(ines, number).get("stated").isNull()).isTrue();

    shop.asOwner(ended.formatted(100, number));
    assertThat(row(ines, number).get("held").booleanValue()).isTrue();

    String again = taken(shop, "Records Haas");
    shop.asOwner(
        "UPDATE job a JOIN job b ON b.number = '%s' SET a.machine_id = b.machine_id WHERE a.number = '%s'"
            .formatted(number, again));
    assertThat(row(ines, number).get("held").booleanValue()).isTrue(); // later than 90 days

    shop.asOwner(ended.formatted(50, number));
    assertThat(row(ines, number).get("held").booleanValue()).isFalse();
  }

  @Test
  void aStretchHoldsItsDaysOnly(RunningServer.Shop shop) throws SQLException {
    ShopClient ines = shop.signedIn();
    String number = ended(shop, "Records Lind");
    shop.asOwner(
        "UPDATE job SET ended_at = '2026-03-05 11:00' WHERE number = '%s'".formatted(number));

    JsonNode day = between(ines, "2026-03-05", "2026-03-05");
    assertThat(day.get("inAll").longValue()).isEqualTo(1);
    assertThat(day.at("/jobs/0/number").stringValue()).isEqualTo(number);
    assertThat(between(ines, "2026-03-06", "2026-03-20").get("inAll").longValue()).isZero();
    assertThat(ines.get("/api/records?from=2026-02-01&to=2026-01-01").status()).isEqualTo(400);
    assertThat(ines.get("/api/records?from=nonsense&to=2026-01-01").status()).isEqualTo(400);
  }
}

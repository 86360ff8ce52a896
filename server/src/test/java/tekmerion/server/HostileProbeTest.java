package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.launch.HostileMessages;
import tekmerion.launch.HostileProbe;
import tekmerion.launch.ShopClient;

/**
 * What a probe on an infected machine sends. The same messages as {@code ./tekmerion prove link},
 * fewer of them.
 */
@ExtendWith(RunningServer.class)
class HostileProbeTest {
  private static final int BAY = 5;
  private static final int MESSAGES = 400;
  private static final long SEED = 2026_11_29;

  @Test
  void nobodyNoticesAndNothingUnusableIsLost(RunningServer.Shop shop) throws SQLException {
    ShopClient person = shop.signedIn();
    HostileMessages messages = new HostileMessages(SEED);
    List<HostileMessages.Message> events = new ArrayList<>();
    try (HostileProbe probe = new HostileProbe(shop.address(), person, BAY, messages)) {
      for (int i = 0; i < MESSAGES; i++) {
        if (i % 50 == 0) {
          // Something to answer, so that some of it fits.
          person.post("/api/jobs/J-2292/readings", Map.of("partKey", "drive-a"));
          person.post("/api/jobs/J-2292/parts/drive-a/runs", Map.of("kind", "SURVEY"));
        }
        HostileMessages.Message message = probe.send(); // throws if its outbox is held up
        if (message.number() > 0) {
          events.add(message);
        }
        if (i % 100 == 99) {
          for (String path :
              List.of("/api/floor", "/api/jobs/J-2292", "/api/jobs/J-2291", "/api/search?q=J-22")) {
            assertThat(person.get(path).status()).as("%s after %d", path, i).isEqualTo(200);
          }
        }
      }

      assertThat(probe.through()).isGreaterThanOrEqualTo(events.size());
      assertThat(ofTheProbe(shop, "1 = 1")).isEqualTo(probe.through());
      assertThat(ofTheProbe(shop, "e.refused_why IS NOT NULL AND e.body IS NULL")).isZero();
      assertThat(ofTheProbe(shop, "e.kind = 'unusable'")).isGreaterThan(30);
      assertThat(ofTheProbe(shop, "e.kind <> 'unusable' AND e.refused_why IS NULL"))
          .as("some of it fits, or this would prove little")
          .isPositive();
    }
  }

  private static long ofTheProbe(RunningServer.Shop shop, String what) throws SQLException {
    return shop.count(
        // The one that came last to the bay; other tests have had theirs there.
        ("SELECT COUNT(*) FROM link_event e WHERE e.probe_id = (SELECT p.id FROM probe p JOIN bay b"
                + " ON b.id = p.bay_id WHERE b.number = %d ORDER BY p.enrolled_at DESC LIMIT 1) AND"
                + " %s")
            .formatted(BAY, what));
  }
}

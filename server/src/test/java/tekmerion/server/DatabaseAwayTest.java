package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.WebSocketHandshakeException;
import java.time.Duration;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import tekmerion.launch.LinkPeer;
import tekmerion.launch.ShopClient;

/** A database that goes away is said in our words, to scripts and to people, and soon. */
class DatabaseAwayTest {
  /** Not how fast: the pool's own patience would be 30 s, and a machine of CI may stand still. */
  private static final Duration SOON = Duration.ofSeconds(15);

  private static HttpResponse<String> get(RunningServer.Shop shop, String path, ShopClient as)
      throws IOException, InterruptedException {
    return HttpClient.newHttpClient()
        .send(
            HttpRequest.newBuilder(shop.address().resolve(path))
                .header("Cookie", "tekmerion=" + as.cookie("tekmerion").orElseThrow())
                .header("Accept", path.startsWith("/api/") ? "application/json" : "text/html")
                .build(),
            HttpResponse.BodyHandlers.ofString());
  }

  @Test
  void everyAddressSaysSoInOurWordsAndComesBack() throws Exception {
    try (RunningServer.Shop shop = RunningServer.Shop.empty()) {
      ShopClient lead = shop.firstLead();
      String token = LinkPeer.enrol(lead, 1, UUID.randomUUID());
      shop.killDatabase();

      assertThatThrownBy(() -> new LinkPeer(shop.address(), token))
          .cause()
          .isInstanceOfSatisfying(
              WebSocketHandshakeException.class,
              e -> assertThat(e.getResponse().statusCode()).isEqualTo(503));
      for (String path : List.of("/", "/job/J-1", "/api/floor", "/api/session", "/api/live")) {
        long began = System.nanoTime();
        HttpResponse<String> answer = get(shop, path, lead);
        Duration took = Duration.ofNanos(System.nanoTime() - began);

        // The page itself needs no database; whatever does says that it is away.
        if (answer.statusCode() != 200) {
          assertThat(answer.statusCode()).as(path).isEqualTo(503);
          assertThat(answer.body())
              .as(path)
              .contains("The database does not answer.", "What was kept before is safe");
        } else {
          assertThat(path).doesNotStartWith("/api/");
          assertThat(answer.body()).contains("<title>Tekmerion");
        }
        assertThat(took).as(path).isLessThan(SOON);
        System.out.printf("%s: %d after %d ms%n", path, answer.statusCode(), took.toMillis());
      }

      shop.startDatabaseAgain();
      int status = 0;
      for (int i = 0; i < 60 && status != 200; i++) { // the pool asks again now and then
        Thread.sleep(1000);
        status = lead.get("/api/floor").status();
      }
      assertThat(status).isEqualTo(200);
    }
  }
}

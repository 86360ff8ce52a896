package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.OutputStream;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import org.junit.jupiter.api.Test;
import tekmerion.launch.ShopClient;

/** However much a session is used, after twelve hours the password is asked for. */
class SessionAgeTest {
  @Test
  void aSessionAndItsStreamEndTogether() throws Exception {
    try (RunningServer.Shop shop = RunningServer.Shop.empty()) {
      ShopClient lead = shop.firstLead();
      shop.letPass(Duration.ofHours(12).minusMinutes(1));
      assertThat(lead.get("/api/floor").status()).isEqualTo(200);
      try (Socket stream = new Socket(shop.address().getHost(), shop.address().getPort())) {
        stream.setSoTimeout(20_000);
        stream
            .getOutputStream()
            .write(
                ("GET /api/live HTTP/1.1\r\nHost: shop\r\nConnection: close\r\nCookie: tekmerion="
                        + lead.cookie("tekmerion").orElseThrow()
                        + "\r\n\r\n")
                    .getBytes(StandardCharsets.US_ASCII));
        assertThat(stream.getInputStream().read()).isEqualTo('H');

        shop.letPass(Duration.ofMinutes(2));

        stream.getInputStream().transferTo(OutputStream.nullOutputStream()); // it comes to its end
        assertThat(lead.get("/api/floor").status()).isEqualTo(401);
      }
    }
  }
}

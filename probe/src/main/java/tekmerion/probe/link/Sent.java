package tekmerion.probe.link;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import tekmerion.link.LinkCodec;

/** What is sent to the server over HTTP, before there is a socket. */
final class Sent {
  private static final Duration ANSWER_IN = Duration.ofSeconds(20);

  private Sent() {}

  static HttpResponse<String> to(URI address, Record message, HttpClient http)
      throws IOException, InterruptedException {
    return http.send(
        HttpRequest.newBuilder(address)
            .header("Content-Type", "application/json")
            .timeout(ANSWER_IN)
            .POST(HttpRequest.BodyPublishers.ofString(LinkCodec.encode(message)))
            .build(),
        HttpResponse.BodyHandlers.ofString());
  }
}

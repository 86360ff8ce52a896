package tekmerion.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tekmerion.launch.Child;
import tekmerion.launch.Home;
import tekmerion.launch.ProbeProcess;
import tekmerion.launch.ShopClient;
import tekmerion.link.tls.Fingerprint;
import tekmerion.link.tls.ShopAuthority;

/** A server as others of the network reach it: over TLS, by the shop's own authority. */
class LanTest {
  private static final int REFUSED = 3;

  @TempDir private static Path folder;
  private static final Home HOME = Home.find();
  private static ShopOnTls on;

  @BeforeAll
  static void start() throws IOException {
    on = ShopOnTls.start(folder);
  }

  @AfterAll
  static void end() {
    on.close();
  }

  @Test
  void aProbeThatKnowsTheAuthorityLinks() throws Exception {
    ShopClient shop = on.client();
    Child probe = probe("right", on.authority(), shop.enrolmentCode(2));

    Await.until("it is on", () -> probe.output().contains("On the bench link, in bay 2"));
    probe.close();
  }

  @Test
  void aProbeThatKnowsAnotherSendsNothing() throws Exception {
    String code = on.client().enrolmentCode(3);
    Child probe = probe("wrong", new Fingerprint("ab".repeat(32)), code);

    Await.until("it says why", () -> probe.output().contains("not the server of the shop"));
    probe.close();
    // The code was not used up: it never left the probe.
    Child right = probe("right after", on.authority(), code);
    Await.until("it is on", () -> right.output().contains("On the bench link, in bay 3"));
    right.close();
  }

  /** 192.0.2.0/24 is for examples, RFC 5737: nothing is sent there. */
  @Test
  void aProbeSendsNothingInPlainOverTheNetwork() {
    Child probe =
        ProbeProcess.start(
            HOME, folder.resolve("plain"), URI.create("http://192.0.2.7"), "sim:sound-drive", "A");

    assertThat(probe.waitFor(Await.PATIENCE)).isTrue();
    assertThat(probe.exitCode()).isEqualTo(REFUSED);
    assertThat(probe.output()).contains("could be read and changed on the way");
  }

  @Test
  void browsersAreToldToComeOverTlsOnlyAndCookiesGoNoOtherWay() throws Exception {
    HttpClient client =
        HttpClient.newBuilder().sslContext(ShopAuthority.trusting(on.authority())).build();
    HttpResponse<String> answer = get(client, on.address().resolve("/api/session"));

    assertThat(answer.headers().firstValue("Strict-Transport-Security").orElse(""))
        .contains("max-age=31536000");
    assertThat(answer.headers().allValues("Set-Cookie"))
        .isNotEmpty()
        .allMatch(cookie -> cookie.contains("Secure"));
    assertThat(get(client, on.address().resolve("/api/authority")).body())
        .contains(on.authority().toString());
  }

  @Test
  void inPlainItAnswersNothingButThat() throws Exception {
    URI plain = URI.create(on.address().toString().replace("https", "http"));

    HttpResponse<String> answer = get(HttpClient.newHttpClient(), plain.resolve("/api/session"));

    assertThat(answer.statusCode()).isEqualTo(400);
    assertThat(answer.body()).contains("TLS").doesNotContain("person");
  }

  private static Child probe(String name, Fingerprint trusted, String code) {
    return ProbeProcess.start(
        HOME, folder.resolve(name), on.address(), trusted, "sim:sound-drive", code);
  }

  private static HttpResponse<String> get(HttpClient client, URI address)
      throws IOException, InterruptedException {
    return client.send(
        HttpRequest.newBuilder(address).build(), HttpResponse.BodyHandlers.ofString());
  }
}

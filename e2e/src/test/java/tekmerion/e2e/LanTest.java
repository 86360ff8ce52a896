package tekmerion.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.InetAddress;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import javax.net.ssl.SSLContext;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.ssl.SslBundle;
import org.springframework.boot.ssl.SslStoreBundle;
import org.springframework.boot.ssl.pem.PemSslStoreBundle;
import org.springframework.boot.ssl.pem.PemSslStoreDetails;
import tekmerion.launch.Child;
import tekmerion.launch.Home;
import tekmerion.launch.ProbeProcess;
import tekmerion.launch.ShopClient;
import tekmerion.launch.tls.ShopTls;
import tekmerion.link.tls.Fingerprint;
import tekmerion.link.tls.ShopAuthority;
import tools.jackson.databind.JsonNode;

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

  @Test
  void aMachineThatKnocksIsLetInByItsDigits() throws Exception {
    Child probe = probe("knocks", on.authority(), null);
    String digits = Knocks.digitsOn(probe);

    assertThat(letIn(digits, 4).status()).isEqualTo(204);
    Await.until("it is on", () -> probe.output().contains("On the bench link, in bay 4"));
    probe.close();
  }

  /** With the very authority of the shop, were it stolen. */
  @Test
  void whoSitsBetweenHasOtherDigits() throws Exception {
    Files.createDirectories(folder.resolve("stolen"));
    for (String file : List.of("authority.pem", "authority.key")) {
      Files.copy(folder.resolve("tls").resolve(file), folder.resolve("stolen").resolve(file));
    }
    try (Between between =
        new Between(certificateIn(folder.resolve("stolen")), on.address(), on.authority())) {
      Child probe =
          ProbeProcess.start(
              HOME,
              folder.resolve("led astray"),
              between.address(),
              on.authority(),
              "sim:sound-drive",
              null);
      String digits = Knocks.digitsOn(probe);

      for (int i = 0; i < 3; i++) {
        assertThat(letIn(digits, 5).body().toString()).contains("not the digits");
      }
      assertThat(probe.waitFor(Await.PATIENCE)).isTrue();
      assertThat(probe.exitCode()).isEqualTo(REFUSED);
      assertThat(probe.output()).contains("turned this machine away");
    }
  }

  @Test
  void whoSitsBetweenWithAnotherAuthorityHearsNothing() throws Exception {
    try (Between between =
        new Between(certificateIn(folder.resolve("another")), on.address(), on.authority())) {
      Child probe =
          ProbeProcess.start(
              HOME,
              folder.resolve("warned"),
              between.address(),
              on.authority(),
              "sim:sound-drive",
              null);

      Await.until("it says why", () -> probe.output().contains("not the server of the shop"));
      probe.close();
    }
  }

  private static SSLContext certificateIn(Path tls) throws Exception {
    ShopTls.own(
        tls,
        "Harbour bench",
        List.of("localhost"),
        List.of(InetAddress.getLoopbackAddress()),
        Clock.systemUTC());
    PemSslStoreDetails details =
        PemSslStoreDetails.forCertificates(Files.readString(tls.resolve("server.pem")))
            .withPrivateKey(Files.readString(tls.resolve("server.key")));
    SslStoreBundle store = new PemSslStoreBundle(details, null);
    return SslBundle.of(store).createSslContext();
  }

  /** The last that knocked. */
  private static ShopClient.Answer letIn(String digits, int bay) {
    ShopClient shop = on.client();
    JsonNode knocks = shop.get("/api/knocks").body();
    String id = knocks.get(knocks.size() - 1).get("id").stringValue();
    return shop.post("/api/knocks/" + id + "/let-in", Map.of("digits", digits, "bay", bay));
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

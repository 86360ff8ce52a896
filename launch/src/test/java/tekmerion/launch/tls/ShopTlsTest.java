package tekmerion.launch.tls;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.sun.net.httpserver.HttpsConfigurator;
import com.sun.net.httpserver.HttpsServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermission;
import java.security.KeyStore;
import java.security.cert.X509Certificate;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import javax.net.ssl.KeyManagerFactory;
import javax.net.ssl.SSLContext;
import javax.net.ssl.SSLHandshakeException;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tekmerion.link.tls.Fingerprint;
import tekmerion.link.tls.ShopAuthority;

/** By Java's own TLS on both sides: who is let in is decided by its checks, not by ours. */
class ShopTlsTest {
  private static final List<InetAddress> HERE = List.of(InetAddress.getLoopbackAddress());
  private static final List<String> NAMES = List.of("backroom.local");

  @TempDir private Path folder;
  private HttpsServer server;

  @AfterEach
  void end() {
    if (server != null) {
      server.stop(0);
    }
  }

  private static Clock daysFromNow(int days) {
    return Clock.fixed(Instant.now().plus(Duration.ofDays(days)), ZoneOffset.UTC);
  }

  private ShopTls own(String shop, int days) {
    return ShopTls.own(folder.resolve(shop), shop, NAMES, HERE, daysFromNow(days));
  }

  private X509Certificate certificate(String shop) {
    return Pem.certificates(folder.resolve(shop).resolve("server.pem")).get(0);
  }

  /** Answers "open" with the certificate of a shop. */
  private URI serving(String shop) throws Exception {
    Path its = folder.resolve(shop);
    KeyStore keys = KeyStore.getInstance("PKCS12");
    keys.load(null, null);
    keys.setKeyEntry(
        "server",
        Pem.key(its.resolve("server.key")),
        new char[0],
        Pem.certificates(its.resolve("server.pem")).toArray(X509Certificate[]::new));
    KeyManagerFactory managers =
        KeyManagerFactory.getInstance(KeyManagerFactory.getDefaultAlgorithm());
    managers.init(keys, new char[0]);
    SSLContext context = SSLContext.getInstance("TLS");
    context.init(managers.getKeyManagers(), null, null);
    server = HttpsServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    server.setHttpsConfigurator(new HttpsConfigurator(context));
    server.createContext(
        "/",
        exchange -> {
          exchange.sendResponseHeaders(200, 4);
          exchange.getResponseBody().write("open".getBytes());
          exchange.close();
        });
    server.start();
    return URI.create("https://127.0.0.1:" + server.getAddress().getPort() + "/");
  }

  private static String ask(URI address, Fingerprint authority)
      throws IOException, InterruptedException {
    HttpClient client =
        HttpClient.newBuilder().sslContext(ShopAuthority.trusting(authority)).build();
    return client
        .send(HttpRequest.newBuilder(address).build(), HttpResponse.BodyHandlers.ofString())
        .body();
  }

  @Test
  void whoKnowsTheAuthorityReachesTheServer() throws Exception {
    ShopTls tls = own("harbour", 0);

    String answer = ask(serving("harbour"), tls.authority().orElseThrow());

    assertThat(answer).isEqualTo("open");
  }

  @Test
  void whoSitsBetweenWithAnotherAuthorityIsRefused() throws Exception {
    Fingerprint ours = own("harbour", 0).authority().orElseThrow();
    own("between", 0);
    URI address = serving("between");

    assertThatThrownBy(() -> ask(address, ours))
        .isInstanceOf(SSLHandshakeException.class)
        .hasMessageContaining("not the server of the shop");
  }

  /**
   * It calls its authority as ours is called, and shows ours, whose certificate is no secret; but
   * nothing that it has is signed by it.
   */
  @Test
  void whoShowsOurAuthorityWithoutItsKeyIsRefused() throws Exception {
    Fingerprint ours = own("harbour", 0).authority().orElseThrow();
    ShopTls.own(folder.resolve("between"), "harbour", NAMES, HERE, daysFromNow(0));
    Pem.write(
        folder.resolve("between/server.pem"),
        certificate("between"),
        Pem.certificates(folder.resolve("harbour/authority.pem")).get(0));
    URI address = serving("between");

    assertThatThrownBy(() -> ask(address, ours)).isInstanceOf(SSLHandshakeException.class);
  }

  @Test
  void aCertificateOfAnotherAddressIsRefused() throws Exception {
    ShopTls tls = ShopTls.own(folder.resolve("far"), "far", NAMES, List.of(), daysFromNow(0));
    URI address = serving("far");

    assertThatThrownBy(() -> ask(address, tls.authority().orElseThrow()))
        .isInstanceOf(SSLHandshakeException.class)
        .hasMessageContaining("127.0.0.1");
  }

  @Test
  void aCertificateThatIsOverIsRefused() throws Exception {
    ShopTls tls = own("harbour", -100); // it lasted for 90 days
    URI address = serving("harbour");

    assertThatThrownBy(() -> ask(address, tls.authority().orElseThrow()))
        .isInstanceOf(SSLHandshakeException.class);
  }

  /** 90 days, made anew when 30 or less are left: on the 59th it stays, on the 61st it does not. */
  @Test
  void isRenewedInTimeByTheSameAuthority() {
    ShopTls first = own("harbour", 0);
    X509Certificate before = certificate("harbour");

    own("harbour", 59);
    assertThat(certificate("harbour")).isEqualTo(before);
    ShopTls later = own("harbour", 61);

    assertThat(certificate("harbour")).isNotEqualTo(before);
    assertThat(later.authority()).isEqualTo(first.authority());
  }

  @Test
  void isMadeAnewForAnotherName() throws Exception {
    own("harbour", 0);

    ShopTls.own(folder.resolve("harbour"), "harbour", List.of("desk"), HERE, daysFromNow(0));

    assertThat(certificate("harbour").getSubjectAlternativeNames().toString()).contains("desk");
  }

  /** Killed after the key was written and before its certificate was. */
  @Test
  void aKeyOfAnotherCertificateIsMadeAnewAndRefusedWhereItIsGiven() throws Exception {
    own("harbour", 0);
    own("other", 0);
    Path key = folder.resolve("harbour/server.key");
    Files.copy(folder.resolve("other/server.key"), key, StandardCopyOption.REPLACE_EXISTING);
    Path certificate = folder.resolve("harbour/server.pem");

    assertThatThrownBy(() -> ShopTls.given(certificate, key, daysFromNow(0)))
        .isInstanceOf(TlsFileException.class)
        .hasMessageContaining("does not belong to");
    ShopTls tls = own("harbour", 0);

    assertThat(ask(serving("harbour"), tls.authority().orElseThrow())).isEqualTo("open");
  }

  @Test
  void onlyTheOwnerReadsTheKeys() throws IOException {
    own("harbour", 0);
    for (String key : List.of("harbour/authority.key", "harbour/server.key")) {
      assertThat(Files.getPosixFilePermissions(folder.resolve(key)))
          .containsExactlyInAnyOrder(
              PosixFilePermission.OWNER_READ, PosixFilePermission.OWNER_WRITE);
    }
  }

  @Test
  void filesOfTheShopAreTakenUnlessTheyAreOverOrNone() throws IOException {
    own("harbour", 0);
    Path certificate = folder.resolve("harbour/server.pem");
    Path key = folder.resolve("harbour/server.key");
    Path words = Files.writeString(folder.resolve("words.pem"), "a certificate, honestly");

    assertThat(ShopTls.given(certificate, key, daysFromNow(0)).authority()).isEmpty();
    assertThatThrownBy(() -> ShopTls.given(certificate, key, daysFromNow(91)))
        .isInstanceOf(TlsFileException.class)
        .hasMessageContaining("ended on");
    assertThatThrownBy(() -> ShopTls.given(words, key, daysFromNow(0)))
        .isInstanceOf(TlsFileException.class)
        .hasMessageContaining("no certificate in");
    assertThatThrownBy(() -> ShopTls.given(certificate, words, daysFromNow(0)))
        .isInstanceOf(TlsFileException.class)
        .hasMessageContaining("no key in");
  }
}

package tekmerion.launch;

import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import tekmerion.link.tls.Fingerprint;
import tekmerion.link.tls.ShopAuthority;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Speaks to the server as a browser would: session cookie, CSRF header. */
public final class ShopClient {
  private static final JsonMapper JSON = JsonMapper.builder().build();

  /** Two clocks that are no further apart show the same. */
  private static final long SAME_SECONDS = 30;

  private final URI server;
  private final CookieManager cookies = new CookieManager();
  private final HttpClient http;

  /** Null for what the server speaks if nobody asks. */
  private String language;

  /**
   * @param status HTTP status
   * @param body decoded; a missing node if there was none
   */
  public record Answer(int status, JsonNode body) {}

  public ShopClient(URI server) {
    this(server, Optional.empty());
  }

  /**
   * @param authority the one whose server it must be; empty on this machine
   */
  public ShopClient(URI server, Optional<Fingerprint> authority) {
    this.server = server;
    HttpClient.Builder builder =
        HttpClient.newBuilder().cookieHandler(cookies).connectTimeout(Duration.ofSeconds(5));
    authority.map(ShopAuthority::trusting).ifPresent(builder::sslContext);
    this.http = builder.build();
  }

  /** By how much the shop's clock is off this machine's; zero for a real shop's. */
  public static Duration clockOffBy(URI server) {
    Instant shown =
        Instant.parse(new ShopClient(server).get("/api/session").body().get("now").stringValue());
    long seconds = Duration.between(Instant.now(), shown).getSeconds();
    return Math.abs(seconds) < SAME_SECONDS ? Duration.ZERO : Duration.ofSeconds(seconds);
  }

  /** Signs in; the answer has status 200 if that worked. */
  public Answer signIn(String name, String password) {
    get("/api/session"); // hands out the CSRF cookie
    Answer answer = post("/api/session", Map.of("name", name, "password", password));
    get("/api/session");
    return answer;
  }

  /** A fresh enrolment code for a bay. */
  public String enrolmentCode(int bay) {
    Answer answer = post("/api/bays/%d/enrolment-codes".formatted(bay), Map.of());
    if (answer.status() != 200) {
      throw new LaunchException("No enrolment code for bay %d: %s".formatted(bay, answer.body()));
    }
    return answer.body().get("code").stringValue();
  }

  /** From now on answers are asked for in this language (RFC 9110, Accept-Language). */
  public void speak(String acceptLanguage) {
    language = acceptLanguage;
  }

  public Answer get(String path) {
    return send("GET", path, null);
  }

  /** How long the server worked on a request [ms], as its header Server-Timing says. */
  double serverMillis(String path) {
    HttpResponse<byte[]> response =
        exchange(HttpRequest.newBuilder(server.resolve(path)).GET().build());
    if (response.statusCode() != 200) {
      throw new LaunchException("%s answered %d".formatted(path, response.statusCode()));
    }
    String timing = response.headers().firstValue("Server-Timing").orElseThrow();
    return Double.parseDouble(timing.replaceFirst(".*dur=", ""));
  }

  public Answer post(String path, Object body) {
    return send("POST", path, body);
  }

  public Answer put(String path, Object body) {
    return send("PUT", path, body);
  }

  public Answer patch(String path, Object body) {
    return send("PATCH", path, body);
  }

  /** Sends bytes as they are. */
  public Answer upload(String path, String contentType, byte[] bytes) {
    HttpRequest.Builder request =
        HttpRequest.newBuilder(server.resolve(path))
            .header("Content-Type", contentType)
            .POST(HttpRequest.BodyPublishers.ofByteArray(bytes));
    csrfToken().ifPresent(token -> request.header("X-XSRF-TOKEN", token));
    HttpResponse<byte[]> response = exchange(request.build());
    return new Answer(response.statusCode(), tree(text(response.body())));
  }

  /** The bytes of a file; empty if the status is not 200. */
  public Optional<byte[]> download(String path) {
    HttpResponse<byte[]> response =
        exchange(HttpRequest.newBuilder(server.resolve(path)).GET().build());
    return response.statusCode() == 200 ? Optional.of(response.body()) : Optional.empty();
  }

  public Answer delete(String path) {
    return send("DELETE", path, null);
  }

  private Answer send(String method, String path, Object body) {
    HttpRequest.Builder request =
        HttpRequest.newBuilder(server.resolve(path)).timeout(Duration.ofSeconds(20));
    if (language != null) {
      request.header("Accept-Language", language);
    }
    csrfToken().ifPresent(token -> request.header("X-XSRF-TOKEN", token));
    if (body == null) {
      request.method(method, HttpRequest.BodyPublishers.noBody());
    } else {
      request.header("Content-Type", "application/json");
      request.method(method, HttpRequest.BodyPublishers.ofString(JSON.writeValueAsString(body)));
    }
    HttpResponse<byte[]> response = exchange(request.build());
    return new Answer(response.statusCode(), tree(text(response.body())));
  }

  private HttpResponse<byte[]> exchange(HttpRequest request) {
    try {
      return http.send(request, HttpResponse.BodyHandlers.ofByteArray());
    } catch (IOException e) {
      throw new LaunchException("The server does not answer: " + e.getMessage(), e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new LaunchException("Stopped while asking the server.", e);
    }
  }

  private static String text(byte[] bytes) {
    return new String(bytes, StandardCharsets.UTF_8);
  }

  private static JsonNode tree(String body) {
    return body.startsWith("{") || body.startsWith("[") ? JSON.readTree(body) : JSON.missingNode();
  }

  private Optional<String> csrfToken() {
    return cookie("XSRF-TOKEN");
  }

  /** The value of a cookie, for a connection of another kind. */
  public Optional<String> cookie(String name) {
    return cookies.getCookieStore().getCookies().stream()
        .filter(cookie -> cookie.getName().equals(name))
        .map(HttpCookie::getValue)
        .findFirst();
  }
}

package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.sql.SQLException;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.security.crypto.password.PasswordEncoder;
import tekmerion.launch.ShopClient;

@ExtendWith(RunningServer.class)
class SignInTest {
  @Test
  void theRightPasswordSignsIn(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();

    assertThat(ines.get("/api/session").body().at("/person/displayName").stringValue())
        .isEqualTo("Ines R.");
    assertThat(ines.get("/api/floor").status()).isEqualTo(200);
  }

  /** The tests' own encoder is cheap; the shop's makes 2¹² rounds of every guess. */
  @Test
  void aGuessIsCostly(RunningServer.Shop shop) {
    assertThat(shop.bean("encoder", PasswordEncoder.class).encode("any")).startsWith("$2a$12$");
  }

  @Test
  void aWrongSignInSaysWhatToDoAndNotWhichHalfWasWrong(RunningServer.Shop shop) {
    ShopClient.Answer wrongPassword = shop.stranger().signIn("ines", "guess");
    ShopClient.Answer wrongName = shop.stranger().signIn("nobody", "guess");

    assertThat(wrongPassword.status()).isEqualTo(401);
    assertThat(wrongPassword.body().get("detail").stringValue())
        .isEqualTo("Name and password do not go together.");
    assertThat(wrongPassword.body().get("toDo").stringValue()).contains("try again");
    assertThat(wrongName.body()).isEqualTo(wrongPassword.body());
  }

  @Test
  void afterFiveWrongTriesEvenTheRightOneWaits(RunningServer.Shop shop) throws SQLException {
    for (int i = 0; i < 5; i++) {
      assertThat(shop.stranger().signIn("mallory", "guess " + i).status()).isEqualTo(401);
    }

    ShopClient.Answer sixth = shop.stranger().signIn("mallory", "guess 6");

    assertThat(sixth.status()).isEqualTo(429);
    assertThat(sixth.body().get("toDo").stringValue())
        .isEqualTo("Wait 10 minutes, then try again.");
    assertThat(shop.signedIn().get("/api/floor").status()).isEqualTo(200); // others are not held up
  }

  @Test
  void fortyAtOnceAreFortyTries(RunningServer.Shop shop) throws Exception {
    ExecutorService many = Executors.newFixedThreadPool(40);
    try {
      List<Callable<Integer>> tries =
          Collections.nCopies(40, () -> shop.stranger().signIn("trudy", "guess").status());
      Map<Integer, Integer> counted = new TreeMap<>();
      for (Future<Integer> each : many.invokeAll(tries)) {
        counted.merge(each.get(), 1, Integer::sum);
      }

      assertThat(counted).isEqualTo(Map.of(401, 5, 429, 35));
    } finally {
      many.shutdownNow();
    }
  }

  @Test
  void anExpiredSessionSaysSo(RunningServer.Shop shop) throws SQLException {
    ShopClient ines = shop.signedIn();
    assertThat(ines.get("/api/floor").status()).isEqualTo(200);

    shop.asOwner("UPDATE SPRING_SESSION SET EXPIRY_TIME = 1, LAST_ACCESS_TIME = 1");
    ShopClient.Answer answer = ines.get("/api/floor");

    assertThat(answer.status()).isEqualTo(401);
    assertThat(answer.body().get("detail").stringValue()).contains("session has ended");
    assertThat(answer.body().get("toDo").stringValue()).startsWith("Sign in again");
  }

  @Test
  void signingOutEndsTheSession(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();

    assertThat(ines.delete("/api/session").status()).isEqualTo(204);

    assertThat(ines.get("/api/floor").status()).isEqualTo(401);
  }

  @ParameterizedTest(name = "{0} {1}")
  @CsvSource({
    "GET, /api/floor",
    "GET, /api/live",
    "GET, /api/jobs/J-2291",
    "GET, /api/readings/3f1d6a52-6c83-4e2b-9a5e-0c52e7d61b11",
    "GET, /v3/api-docs",
    "GET, /api/anything/else",
    "GET, /link/socket",
    "POST, /api/jobs/J-2291/readings",
    "POST, /api/jobs/J-2291/data-status",
    "POST, /api/jobs/J-2291/decisions",
    "POST, /api/bays/1/enrolment-codes",
    "DELETE, /api/bays/1/probe"
  })
  void nothingIsOpenToStrangers(String method, String path, RunningServer.Shop shop) {
    ShopClient stranger = shop.stranger();
    stranger.get("/api/session"); // has a CSRF token, so that only the sign-in is missing

    ShopClient.Answer answer =
        switch (method) {
          case "POST" -> stranger.post(path, Map.of());
          case "DELETE" -> stranger.delete(path);
          default -> stranger.get(path);
        };

    assertThat(answer.status()).isIn(401, 403);
  }

  @Test
  void aRequestWithoutTheCsrfTokenIsRefused(RunningServer.Shop shop) throws Exception {
    HttpRequest forged =
        HttpRequest.newBuilder(shop.address().resolve("/api/session"))
            .header("Content-Type", "application/json")
            .POST(
                HttpRequest.BodyPublishers.ofString(
                    "{\"name\":\"ines\",\"password\":\"%s\"}".formatted(shop.password())))
            .build();

    HttpResponse<String> answer =
        HttpClient.newHttpClient().send(forged, HttpResponse.BodyHandlers.ofString());

    assertThat(answer.statusCode()).isEqualTo(403);
    assertThat(answer.body()).contains("protection token");
  }

  @Test
  void aBodyThatIsTooLongIsTurnedAwayUnread(RunningServer.Shop shop) {
    ShopClient.Answer answer =
        shop.stranger().post("/link/enrolment", Map.of("code", "A".repeat(300_000)));

    assertThat(answer.status()).isEqualTo(413);
    assertThat(answer.body().get("toDo").stringValue()).contains("256 KiB");
  }

  @ParameterizedTest(name = "{0}")
  @CsvSource({"/", "/job/J-2291", "/api/session"})
  void everyAnswerCarriesAStrictPolicy(String path, RunningServer.Shop shop) throws Exception {
    URI address = shop.address().resolve(path);

    HttpResponse<String> first = get(address);
    HttpResponse<String> second = get(address);

    String policy = first.headers().firstValue("Content-Security-Policy").orElseThrow();
    assertThat(policy).contains("default-src 'none'").doesNotContain("unsafe");
    assertThat(first.headers().allValues("Content-Security-Policy")).hasSize(1);
    assertThat(first.headers().firstValue("X-Content-Type-Options")).hasValue("nosniff");
    if (policy.contains("nonce")) {
      assertThat(second.headers().firstValue("Content-Security-Policy")).isNotEqualTo(policy);
    }
  }

  private static HttpResponse<String> get(URI address) throws Exception {
    return HttpClient.newHttpClient()
        .send(HttpRequest.newBuilder(address).build(), HttpResponse.BodyHandlers.ofString());
  }
}

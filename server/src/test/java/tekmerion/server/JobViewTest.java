package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Callable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.launch.LinkPeer;
import tekmerion.launch.ShopClient;
import tekmerion.link.LinkEvent;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tools.jackson.databind.JsonNode;

/** What the floor and a job show as its probe comes, works and goes; job J-2294 in bay 2. */
@ExtendWith(RunningServer.class)
class JobViewTest {
  private static final String JOB = "/api/jobs/J-2294";

  private static JsonNode move(ShopClient shop) {
    for (JsonNode move : shop.get(JOB).body().get("moves")) {
      if (move.get("by").asString("").equals("READ")) { // for the first time, or again
        return move;
      }
    }
    throw new AssertionError("reading is not offered");
  }

  private static JsonNode onFloor(ShopClient shop) {
    return shop.get("/api/floor").body().get("bays").get(1).get("job");
  }

  private static void await(Callable<Boolean> condition) throws Exception {
    long end = System.nanoTime() + Duration.ofSeconds(60).toNanos();
    while (!condition.call()) {
      assertThat(System.nanoTime()).isLessThan(end);
      Thread.sleep(20);
    }
  }

  @Test
  void theReadingMoveFollowsTheProbe(RunningServer.Shop shop) throws Exception {
    ShopClient ines = shop.signedIn();
    assertThat(move(ines).at("/lock/reason").stringValue())
        .isEqualTo("There is no probe in bay 2.");
    assertThat(onFloor(ines).get("acts").stringValue()).isEqualTo("PERSON");
    assertThat(ines.post(JOB + "/readings", Map.of("partKey", "drive-a")).status()).isEqualTo(409);

    String token = LinkPeer.enrol(ines, 2, UUID.randomUUID());
    assertThat(move(ines).at("/lock/reason").stringValue()).contains("is not connected");
    try (LinkPeer peer = new LinkPeer(shop.address(), token)) {
      peer.hello(0);
      peer.next(ToProbe.Welcome.class);
      assertThat(move(ines).get("lock").isNull()).isTrue();

      ines.post(JOB + "/readings", Map.of("partKey", "drive-a"));
      UUID request = peer.next(ToProbe.ReadPart.class).requestId();
      assertThat(move(ines).at("/lock/reason").stringValue()).isEqualTo("It is being read now.");
      assertThat(onFloor(ines).get("acts").stringValue()).isEqualTo("RUNNING");
      ShopClient.Answer twice = ines.post(JOB + "/readings", Map.of("partKey", "drive-a"));
      assertThat(twice.status()).isEqualTo(409);
      assertThat(twice.body().get("detail").stringValue()).isEqualTo("This drive is being read.");

      peer.send(
          new ToServer.Event(1, new LinkEvent.CommandRefused(request, Instant.now(), "no power")));
      peer.next(ToProbe.Acknowledge.class);
      assertThat(move(ines).get("lock").isNull()).isTrue();
      assertThat(onFloor(ines).get("acts").stringValue()).isEqualTo("PERSON");
    }
    await(() -> move(ines).at("/lock/reason").asString().contains("is not connected"));
    assertThat(ines.delete("/api/bays/2/probe").status()).isEqualTo(204);
  }

  @Test
  void whatTheOwnerSaidIsWeighedBeforeAnyTest(RunningServer.Shop shop) {
    JsonNode weighing = shop.signedIn().get(JOB).body().get("weighing");

    assertThat(weighing.at("/causes/0/cause").stringValue()).isEqualTo("memory-module");
    assertThat(weighing.at("/causes/0/weights/0/finding/words").stringValue())
        .isEqualTo("The error names memory: “MEMORY_REFERENCE”");
    assertThat(weighing.at("/causes/0/weights/0/finding/basis/kind").stringValue())
        .isEqualTo("intake");
  }

  @Test
  void aDriveThatTheProbeDoesNotSeeIsNotAskedFor(RunningServer.Shop shop) throws Exception {
    ShopClient ines = shop.signedIn();
    String token = LinkPeer.enrol(ines, 2, UUID.randomUUID());
    try (LinkPeer peer = new LinkPeer(shop.address(), token)) {
      peer.hello(0);
      peer.next(ToProbe.Welcome.class);

      ShopClient.Answer answer = ines.post(JOB + "/readings", Map.of("partKey", "../etc"));

      assertThat(answer.status()).isEqualTo(400);
    }
    assertThat(ines.delete("/api/bays/2/probe").status()).isEqualTo(204);
  }

  @Test
  void whatIsNotThereIsSaidInWords(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();

    assertThat(ines.get("/api/jobs/J-1").body().get("detail").stringValue())
        .isEqualTo("There is no job J-1.");
    assertThat(ines.get("/api/readings/" + UUID.randomUUID()).status()).isEqualTo(404);
    assertThat(ines.get("/api/readings/none").status()).isEqualTo(400);
    assertThat(ines.post("/api/bays/99/enrolment-codes", Map.of()).status()).isEqualTo(404);
  }
}

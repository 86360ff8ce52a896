package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.launch.ShopClient;
import tools.jackson.databind.JsonNode;

/** Things put in and out of play, following what tells most, until one is named. */
@ExtendWith(RunningServer.class)
class ThingsIsolationTest {
  private static final List<Map<String, String>> CHAIN =
      List.of(
          thing("drive", "its drive"),
          thing("drive", "spare drive"),
          thing("cable", "its cable"),
          thing("cable", "spare cable"),
          thing("port", "first port"),
          thing("port", "second port"));

  private static Map<String, String> thing(String kind, String name) {
    return Map.of("kind", kind, "name", name);
  }

  private record Case(ShopClient ines, String number, String sort) {
    private String path() {
      return "/api/jobs/%s/isolations/%s".formatted(number, sort);
    }

    private JsonNode view() {
      return ines.get(path()).body();
    }

    private ShopClient.Answer setUp(List<Map<String, String>> things) {
      return ines.put(
          path(), Map.of("version", view().get("version").intValue(), "things", things));
    }

    private ShopClient.Answer tried(List<Integer> inPlay, String outcome) {
      return ines.post(
          path() + "/starts",
          Map.of(
              "version",
              view().get("version").intValue(),
              "arrangement",
              inPlay,
              "outcome",
              outcome,
              "note",
              ""));
    }

    /** As if one thing always failed; how many starts until it is named. */
    private int follow(int bad) {
      int starts = 0;
      while (view().get("named").isNull() && starts < 12) {
        List<Integer> inPlay = new ArrayList<>();
        view().at("/options/0/arrangement").forEach(i -> inPlay.add(i.intValue()));
        assertThat(tried(inPlay, inPlay.contains(bad) ? "FAIL" : "PASS").status()).isEqualTo(204);
        starts++;
      }
      return starts;
    }
  }

  private static Case begin(RunningServer.Shop shop, String customer, String sort) {
    String number =
        Talk.begin(shop.signedIn("joao"))
            .of(customer, "Tarnwick", "desk tower", "It stops with an error screen")
            .takeIn();
    return new Case(shop.signedIn(), number, sort);
  }

  @Test
  void onePeripheralOfEightIsFoundInFewStarts(RunningServer.Shop shop) {
    Case c = begin(shop, "Outside Haas", "OUTSIDE");
    assertThat(c.tried(List.of(0), "FAIL").status()).isEqualTo(409);
    List<Map<String, String>> things = new ArrayList<>();
    for (int i = 1; i <= 8; i++) {
      things.add(thing("", "thing " + i));
    }
    assertThat(c.setUp(things).status()).isEqualTo(204);
    assertThat(c.view().at("/options/0/words").stringValue()).isEqualTo("all of them");

    int starts = c.follow(5);

    // Halving takes three, the start as it came one; certainty of a cause that may hide adds some.
    assertThat(starts).isLessThanOrEqualTo(8);
    assertThat(c.view().get("named").stringValue()).isEqualTo("thing 6");
    assertThat(c.ines.get("/api/jobs/" + c.number).body().toString())
        .contains("Isolation: thing 6");
  }

  @Test
  void aBadCableIsToldFromDriveAndPort(RunningServer.Shop shop) {
    Case c = begin(shop, "Chain Haas", "CHAIN");
    assertThat(c.setUp(CHAIN).status()).isEqualTo(204);
    assertThat(c.tried(List.of(0, 2), "FAIL").status()).as("no port in play").isEqualTo(400);
    assertThat(c.tried(List.of(0, 1, 2, 4), "FAIL").status()).as("two drives").isEqualTo(400);

    c.follow(2);

    assertThat(c.view().get("named").stringValue()).isEqualTo("its cable");
  }

  @Test
  void aSlipIsTakenBackAndWhatWasNamedIsNotAnyMore(RunningServer.Shop shop) {
    Case c = begin(shop, "Slip Haas", "SERVICES");
    c.setUp(List.of(thing("", "first"), thing("", "second")));
    c.follow(1);
    int starts = c.view().get("starts").size();
    assertThat(c.view().get("named").isNull()).isFalse();

    long last = c.view().get("starts").get(starts - 1).get("id").longValue();
    ShopClient.Answer back =
        c.ines.post(
            c.path() + "/starts/%d/take-back".formatted(last),
            Map.of("version", c.view().get("version").intValue()));

    assertThat(back.status()).isEqualTo(204);
    assertThat(c.view().get("starts").size()).isEqualTo(starts - 1);
    assertThat(c.view().get("named").isNull()).isTrue();
  }

  @Test
  void refusesWhatCannotBeIsolated(RunningServer.Shop shop) {
    Case c = begin(shop, "Alone Haas", "CHAIN");

    assertThat(c.setUp(List.of(thing("drive", "a"), thing("drive", "b"))).status())
        .as("one kind only")
        .isEqualTo(400);
    assertThat(c.setUp(List.of(thing("lamp", "a"), thing("cable", "b"))).status()).isEqualTo(400);
  }
}
